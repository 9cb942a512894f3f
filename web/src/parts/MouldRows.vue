<script setup lang="ts">
import { mdiPlus } from '@mdi/js'
import { mouldCountRange } from '@vendange/contract'
import { useErrorOf } from './errorOf'
import QuantityField from './QuantityField.vue'
import RemovableRow from './RemovableRow.vue'
import { useSeason } from './seasonStore'
import { useRows } from './useRows'

/** Kinds of mould with how many of each. */
const rows = defineModel<{ mouldId: string; count: number }[]>({ required: true })
const props = withDefaults(
  defineProps<{
    /** Number of the first row, for its label. */
    first?: number
    /** Moulds that are chosen elsewhere already. */
    taken?: readonly (string | null)[]
    /** Path of the rows in the values of the form around. */
    field?: string
  }>(),
  { first: 1, taken: () => [], field: '' },
)
const season = useSeason()
const errorOf = useErrorOf()
const { set, add, remove } = useRows(rows)

function addNext(): void {
  const taken = [...props.taken, ...rows.value.map(({ mouldId }) => mouldId)]
  const next = season.moulds.find(({ id }) => !taken.includes(id)) ?? season.moulds[0]
  if (next) add({ mouldId: next.id, count: 1 })
}
</script>

<template>
  <RemovableRow
    v-for="(row, index) in rows"
    :key="index"
    class="mb-3"
    :what="`mould ${index + first}`"
    @remove="remove(index)"
  >
    <v-select
      :model-value="row.mouldId"
      :items="season.moulds"
      item-title="name"
      item-value="id"
      :label="`Mould ${index + first}`"
      :data-test="`mould-${index + first}`"
      @update:model-value="set(index, { mouldId: $event })"
    />
    <QuantityField
      :model-value="row.count"
      kind="count"
      :range="mouldCountRange"
      :label="`How many of mould ${index + first}`"
      :error="errorOf(`${field}[${index}].count`)"
      @update:model-value="set(index, { count: $event })"
    />
  </RemovableRow>
  <div><v-btn size="small" :prepend-icon="mdiPlus" data-test="add-mould" @click="addNext">Another mould</v-btn></div>
</template>
