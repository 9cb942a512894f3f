<script setup lang="ts">
import { changing, fieldOf, useRows } from '@/parts/useRows'
import QuantityField from '@/parts/QuantityField.vue'
import RemovableRow from '@/parts/RemovableRow.vue'
import { mdiPlus } from '@mdi/js'
import type { WorkshopDetails } from '@vendange/contract'
import { piecesAPassRange, toolSpacingRange } from '@vendange/contract'

/** What blocks are cut with, and what stands on every label. */
const values = defineModel<WorkshopDetails>({ required: true })
const change = changing(values)
const tools = fieldOf(values, 'cutTools')
const { set, add, remove } = useRows(tools)
const kinds = [
  { value: 'splitter', title: 'Splitter, into logs' },
  { value: 'multi_wire', title: 'Several wires, into bars' },
  { value: 'single_wire', title: 'Single wire' },
] as const
</script>

<template>
  <section class="sheet stack">
    <h2>Cutting tools and labels</h2>
    <RemovableRow v-for="(tool, at) in tools" :key="at" :what="tool.name" @remove="remove(at)">
      <div class="tool">
        <v-text-field
          :model-value="tool.name"
          label="Tool"
          maxlength="80"
          @update:model-value="set(at, { name: $event })"
        />
        <v-select
          :model-value="tool.kind"
          :items="kinds"
          label="Cuts"
          @update:model-value="set(at, { kind: $event })"
        />
        <QuantityField
          v-if="tool.kind !== 'single_wire'"
          :model-value="tool.spacingMm"
          kind="length"
          :range="toolSpacingRange"
          label="Spacing"
          @update:model-value="set(at, { spacingMm: $event })"
        />
        <QuantityField
          v-if="tool.kind !== 'single_wire'"
          :model-value="tool.piecesAPass"
          kind="count"
          :range="piecesAPassRange"
          label="A pass"
          @update:model-value="set(at, { piecesAPass: $event })"
        />
      </div>
    </RemovableRow>
    <div>
      <v-btn
        size="small"
        :prepend-icon="mdiPlus"
        @click="add({ name: 'Wire cutter', kind: 'multi_wire', spacingMm: 25, piecesAPass: 10 })"
        >Tool</v-btn
      >
    </div>
    <v-text-field
      :model-value="values.makerAddress"
      label="Maker and address, as on labels"
      maxlength="400"
      @update:model-value="change({ makerAddress: $event })"
    />
  </section>
</template>

<style scoped>
.tool {
  display: grid;
  flex: 1;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 8px;
}
</style>
