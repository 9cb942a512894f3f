<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import type { Day } from '@vendange/core/calendar'
import { addDays, formatDay } from '@vendange/core/calendar'
import { computed } from 'vue'

/** The ruled paper of the board: weeks, weekends, days, and a line for each mould. */
const props = defineProps<{
  /** First day of the board, a Monday. */
  from: Day
  dayCount: number
  dayWidth: number
  width: number
  window: { readonly from: number; readonly to: number }
  /** Height that the rules run down, px. */
  height: number
  rowCount: number
  rowHeight: number
}>()
const season = useSeason()

const weekNumbers = computed(() => {
  const first = Math.max(0, Math.floor(props.window.from / 7))
  const last = Math.min(Math.ceil(props.dayCount / 7), Math.ceil(props.window.to / 7) + 1)
  return Array.from({ length: Math.max(0, last - first) }, (_, index) => first + index)
})
const areDaysNamed = computed(() => props.dayWidth >= 60)
const labels = computed(() => {
  const named = (at: number, without = ''): { at: number; text: string } => ({
    at,
    text: formatDay(addDays(props.from, at), season.today).replace(without, ''),
  })
  if (areDaysNamed.value) {
    const first = Math.max(0, props.window.from)
    return Array.from({ length: Math.max(0, props.window.to - first) }, (_, index) => named(first + index))
  }
  const every = props.dayWidth < 10 ? 2 : 1
  return weekNumbers.value.filter((week) => week % every === 0).map((week) => named(week * 7, 'Mon '))
})
const weekends = computed(() =>
  weekNumbers.value
    .map(
      (week) => `M${(week * 7 + 5) * props.dayWidth} 26h${2 * props.dayWidth}v${props.height}h${-2 * props.dayWidth}z`,
    )
    .join(''),
)
const weekLines = computed(() =>
  weekNumbers.value.map((week) => `M${week * 7 * props.dayWidth} 14V${props.height + 26}`).join(''),
)
const rowLines = computed(() =>
  Array.from(
    { length: props.rowCount },
    (_, index) => `M0 ${30 + (index + 1) * props.rowHeight}H${props.dayCount * props.dayWidth}`,
  ).join(''),
)
</script>

<template>
  <svg class="paper" :width="width" :height="height + 30" aria-hidden="true">
    <path class="weekend" :d="weekends" />
    <path class="rule" :d="weekLines" />
    <path class="rule" :d="rowLines" />
    <text v-for="{ at, text } in labels" :key="at" :x="at * dayWidth + 3" y="20">{{ text }}</text>
  </svg>
</template>

<style scoped>
.paper {
  position: absolute;
  inset: 0;
  display: block;
  transform-origin: 0 0;
}

text {
  fill: rgb(var(--v-theme-quiet));
  font-size: 12px;
}

.weekend {
  fill: rgb(var(--v-theme-weekend));
}

.rule {
  stroke: rgb(var(--v-theme-hairline));
}
</style>
