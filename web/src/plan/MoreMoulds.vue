<script setup lang="ts">
import QuantityField from '@/parts/QuantityField.vue'
import RemovableRow from '@/parts/RemovableRow.vue'
import { useSeason } from '@/parts/seasonStore'
import { mdiPlus } from '@mdi/js'
import type { NewDesign } from '@vendange/contract'
import { batterMlRange, mouldCountRange } from '@vendange/contract'

/** Moulds of other kinds that are filled from the same batch, and what is off or on top of them. */
const values = defineModel<NewDesign>({ required: true })
defineProps<{ errorOf: (path: string) => string | undefined }>()
const season = useSeason()

function add(): void {
  const taken = [values.value.mouldId, ...values.value.moreMoulds.map(({ mouldId }) => mouldId)]
  const next = season.moulds.find(({ id }) => !taken.includes(id)) ?? season.moulds[0]
  if (next) values.value.moreMoulds.push({ mouldId: next.id, count: 1 })
}
</script>

<template>
  <fieldset>
    <legend class="eyebrow">From the same batch</legend>
    <RemovableRow
      v-for="(more, index) in values.moreMoulds"
      :key="index"
      class="mb-3"
      :label="`Take mould ${index + 2} away`"
      @remove="values.moreMoulds.splice(index, 1)"
    >
      <v-select
        v-model="more.mouldId"
        :items="season.moulds"
        item-title="name"
        item-value="id"
        :label="`Mould ${index + 2}`"
        :data-test="`mould-${index + 2}`"
      />
      <QuantityField
        v-model="more.count"
        kind="count"
        :range="mouldCountRange"
        :label="`How many of mould ${index + 2}`"
        :error="errorOf(`moreMoulds[${index}].count`)"
      />
    </RemovableRow>
    <div class="fields">
      <QuantityField
        v-model="values.displacedMl"
        kind="number"
        :range="batterMlRange"
        label="Taken up by embeds, ml"
        hint="Embeds, column, dividers, in all"
        :error="errorOf('displacedMl')"
      />
      <QuantityField
        v-model="values.topMl"
        kind="number"
        :range="batterMlRange"
        label="For piping and top, ml"
        hint="Above the fill line"
        :error="errorOf('topMl')"
      />
      <div><v-btn size="small" :prepend-icon="mdiPlus" data-test="add-mould" @click="add">Another mould</v-btn></div>
    </div>
  </fieldset>
</template>
