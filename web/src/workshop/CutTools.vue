<script setup lang="ts">
import QuantityField from '@/parts/QuantityField.vue'
import RemovableRow from '@/parts/RemovableRow.vue'
import { mdiPlus } from '@mdi/js'
import type { WorkshopDetails } from '@vendange/contract'
import { piecesAPassRange, toolSpacingRange } from '@vendange/contract'

/** What blocks are cut with, and what stands on every label. */
const values = defineModel<WorkshopDetails>({ required: true })
const kinds = [
  { value: 'splitter', title: 'Splitter, into logs' },
  { value: 'multi_wire', title: 'Several wires, into bars' },
  { value: 'single_wire', title: 'Single wire' },
] as const
function add(): void {
  values.value.cutTools = [
    ...values.value.cutTools,
    { name: 'Wire cutter', kind: 'multi_wire', spacingMm: 25, piecesAPass: 10 },
  ]
}
</script>

<template>
  <section class="sheet stack">
    <h2>Cutting tools and labels</h2>
    <RemovableRow
      v-for="(tool, at) in values.cutTools"
      :key="at"
      :label="`Take ${tool.name} away`"
      @remove="values.cutTools = values.cutTools.filter((_, index) => index !== at)"
    >
      <div class="tool">
        <v-text-field v-model="tool.name" label="Tool" maxlength="80" />
        <v-select v-model="tool.kind" :items="kinds" label="Cuts" />
        <QuantityField
          v-if="tool.kind !== 'single_wire'"
          v-model="tool.spacingMm"
          kind="length"
          :range="toolSpacingRange"
          label="Spacing"
        />
        <QuantityField
          v-if="tool.kind !== 'single_wire'"
          v-model="tool.piecesAPass"
          kind="count"
          :range="piecesAPassRange"
          label="A pass"
        />
      </div>
    </RemovableRow>
    <div><v-btn size="small" :prepend-icon="mdiPlus" @click="add">Tool</v-btn></div>
    <v-text-field v-model="values.makerAddress" label="Maker and address, as on labels" maxlength="400" />
  </section>
</template>

<style scoped>
.tool {
  display: grid;
  flex: 1;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
</style>
