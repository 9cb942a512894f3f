<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import { addDays, formatDay } from '@vendange/core/calendar'
import { computed } from 'vue'
import type { BoardWall } from './useBoardWall'
import { headHeight, rowHeight } from './useBoardWall'

/** The ruled paper of the board: weeks, weekends, days, and a line for each mould. */
const props = defineProps<{
  wall: BoardWall
  /** Height that the rules run down, px. */
  height: number
}>()
const season = useSeason()
const { from, daysAcross, rows, x, viewBox, scaleLater } = props.wall
// The rules follow a zoom at once, the days some frames later.
const scale = scaleLater(3)

const weekNumbers = computed(() => Array.from({ length: Math.ceil(daysAcross.value / 7) }, (_, week) => week))
const labels = computed(() => {
  const { dayWidth, sight } = scale.value
  const named = (at: number, without = ''): { at: number; text: string } => ({
    at,
    text: formatDay(addDays(from.value, at), season.today).replace(without, ''),
  })
  if (dayWidth >= 60) {
    const first = Math.max(0, sight.from)
    return Array.from({ length: Math.max(0, sight.to - first) }, (_, index) => named(first + index))
  }
  const every = dayWidth < 10 ? 2 : 1
  return weekNumbers.value
    .filter((week) => week % every === 0 && (week + 1) * 7 > sight.from && week * 7 <= sight.to)
    .map((week) => named(week * 7, 'Mon '))
})
const weekends = computed(() => weekNumbers.value.map((week) => `M${week * 7 + 5} 26h2v${props.height}h-2z`).join(''))
const weekLines = computed(() => weekNumbers.value.map((week) => `M${week * 7} 14V${props.height + 26}`).join(''))
const rowLines = computed(() =>
  rows.value.map((_, index) => `M0 ${headHeight + (index + 1) * rowHeight}H${daysAcross.value}`).join(''),
)
</script>

<template>
  <div class="paper" aria-hidden="true">
    <svg :viewBox="viewBox(height + headHeight)" preserveAspectRatio="none" :height="height + headHeight">
      <path class="weekend" :d="weekends" />
      <path class="rule" :d="weekLines" />
      <path class="rule" :d="rowLines" />
    </svg>
    <svg class="days" :height="headHeight">
      <text v-for="{ at, text } in labels" :key="at" :x="x(at)" dx="3" y="20">{{ text }}</text>
    </svg>
  </div>
</template>

<style scoped>
.paper {
  position: absolute;
  inset: 0;
}

svg {
  display: block;
  width: 100%;
}

.days {
  position: absolute;
  top: 0;
  left: 0;
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
  shape-rendering: crispEdges;
  vector-effect: non-scaling-stroke;
}
</style>
