<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import type { PlanFigures } from '@vendange/core/season'
import { formatQuantity } from '@vendange/core/units'
import { computed } from 'vue'
import { dayCount } from '../verdictWords'

/** What the plan that stands comes to, beside one that is proposed. */
const props = defineProps<{ before: PlanFigures; after: PlanFigures }>()
const season = useSeason()

const rows = computed(() => {
  const { before, after } = props
  const wished = season.limits.bufferDays
  const hours = (value: number): string => formatQuantity('hours', value)
  return [
    { label: 'Days late, all soaps together', before: before.lateDays, after: after.lateDays },
    { label: 'Soaps late', before: before.lateBatches, after: after.lateBatches },
    { label: 'Soaping days', before: before.soapingDays, after: after.soapingDays },
    { label: 'Hours of work', before: hours(before.hours), after: hours(after.hours) },
    { label: 'Most trays in use', before: before.mostTrays, after: after.mostTrays },
    ...(wished > 0
      ? [
          {
            label: `With less than the ${dayCount(wished)} to spare that you wish for`,
            before: before.tightBatches,
            after: after.tightBatches,
          },
        ]
      : []),
    { label: 'Rules broken', before: before.brokenRules, after: after.brokenRules },
  ]
})
</script>

<template>
  <table class="figures">
    <thead>
      <tr>
        <th></th>
        <th class="number">As it stands</th>
        <th class="number">Proposed</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.label">
        <td>{{ row.label }}</td>
        <td class="number">{{ row.before }}</td>
        <td class="number">
          <b>{{ row.after }}</b>
        </td>
      </tr>
    </tbody>
  </table>
</template>
