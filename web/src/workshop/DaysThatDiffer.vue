<script setup lang="ts">
import DateField from '@/parts/DateField.vue'
import { useErrorOf } from '@/parts/errorOf'
import { useRows } from '@/parts/useRows'
import QuantityField from '@/parts/QuantityField.vue'
import RemovableRow from '@/parts/RemovableRow.vue'
import { useSeason } from '@/parts/seasonStore'
import { mdiPlus } from '@mdi/js'
import type { NewMaker } from '@vendange/contract'
import { hoursOfDayRange } from '@vendange/contract'

/** Days with hours of their own: of everyone, or of one maker. */
const days = defineModel<NewMaker['exceptions']>({ required: true })
const { set, add, remove } = useRows(days)
const errorOf = useErrorOf()
defineProps<{ addLabel: string }>()
const season = useSeason()
</script>

<template>
  <RemovableRow
    v-for="(exception, index) in days"
    :key="index"
    class="exception"
    :what="`day ${index + 1}`"
    @remove="remove(index)"
  >
    <DateField
      :model-value="exception.day"
      :label="`Day ${index + 1}`"
      :error="errorOf(`exceptions[${index}].day`)"
      @update:model-value="set(index, { day: $event })"
    />
    <QuantityField
      :model-value="exception.hours"
      kind="hours"
      :range="hoursOfDayRange"
      :label="`Hours ${index + 1}`"
      :error="errorOf(`exceptions[${index}].hours`)"
      @update:model-value="set(index, { hours: $event })"
    />
    <v-text-field
      :model-value="exception.reason"
      :label="`Why ${index + 1}`"
      maxlength="80"
      @update:model-value="set(index, { reason: $event })"
    />
  </RemovableRow>
  <div>
    <v-btn size="small" :prepend-icon="mdiPlus" @click="add({ day: season.today, hours: 0 })">{{ addLabel }}</v-btn>
  </div>
</template>

<style scoped>
.exception > :first-child {
  max-width: 172px;
}

.exception > :nth-child(2) {
  max-width: 92px;
}
</style>
