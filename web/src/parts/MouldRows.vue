<script setup lang="ts">
import { mdiPlus } from '@mdi/js'
import { mouldCountRange } from '@vendange/contract'
import QuantityField from './QuantityField.vue'
import RemovableRow from './RemovableRow.vue'
import { useSeason } from './seasonStore'

/** Kinds of mould with how many of each. */
const rows = defineModel<{ mouldId: string; count: number }[]>({ required: true })
const props = withDefaults(
  defineProps<{
    /** Number of the first row, for its label. */
    first?: number
    /** Moulds that are chosen elsewhere already. */
    taken?: readonly (string | null)[]
    errorOf?: (path: string) => string | undefined
  }>(),
  { first: 1, taken: () => [], errorOf: () => undefined },
)
const season = useSeason()

function add(): void {
  const taken = [...props.taken, ...rows.value.map(({ mouldId }) => mouldId)]
  const next = season.moulds.find(({ id }) => !taken.includes(id)) ?? season.moulds[0]
  if (next) rows.value.push({ mouldId: next.id, count: 1 })
}
</script>

<template>
  <RemovableRow
    v-for="(row, index) in rows"
    :key="index"
    class="mb-3"
    :label="`Take mould ${index + first} away`"
    @remove="rows.splice(index, 1)"
  >
    <v-select
      v-model="row.mouldId"
      :items="season.moulds"
      item-title="name"
      item-value="id"
      :label="`Mould ${index + first}`"
      :data-test="`mould-${index + first}`"
    />
    <QuantityField
      v-model="row.count"
      kind="count"
      :range="mouldCountRange"
      :label="`How many of mould ${index + first}`"
      :error="errorOf(`[${index}].count`)"
    />
  </RemovableRow>
  <div><v-btn size="small" :prepend-icon="mdiPlus" data-test="add-mould" @click="add">Another mould</v-btn></div>
</template>
