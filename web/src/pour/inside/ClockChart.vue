<script setup lang="ts">
import type { MoveLine, TimedMove, WorkingEstimate } from '@vendange/core/pour'
import { slownessBelow, thickeningCurve, traceBegins, traces } from '@vendange/core/pour'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import { moveKindWords as kindWords } from '@vendange/words'
import { traceWords } from './moveWords'

/** The pour on the clock: how the batter thickens, with its band, and when each move is made. */
const props = defineProps<{
  estimate: WorkingEstimate
  moves: readonly TimedMove[]
  lines: readonly MoveLine[]
}>()
const width = 520
const height = 240
const edge = { left: 66, right: 10, top: 12, bottom: 30 }
const mostThickened = 1.3

const untilMin = computed(() => {
  const last = props.moves.at(-1)?.endMin ?? 0
  return Math.max(10, last * 1.15)
})
const x = computed(() => scaleLinear([0, untilMin.value], [edge.left, width - edge.right]))
const y = scaleLinear([0, mostThickened], [height - edge.bottom, edge.top])
const curve = computed(() =>
  thickeningCurve(
    props.estimate,
    [slownessBelow(props.estimate, 0.1), 1, slownessBelow(props.estimate, 0.9)],
    untilMin.value,
  ),
)
const at = (minutes: number, thickened: number): string =>
  `${x.value(minutes).toFixed(1)} ${y(Math.min(mostThickened, thickened)).toFixed(1)}`
const likely = computed(
  () => `M${curve.value.map(({ minutes, thickened }) => at(minutes, thickened[1] ?? 0)).join('L')}`,
)
const bandPath = computed(() => {
  const upper = curve.value.map(({ minutes, thickened }) => at(minutes, thickened[0] ?? 0))
  const lower = curve.value.map(({ minutes, thickened }) => at(minutes, thickened[2] ?? 0)).reverse()
  return `M${[...upper, ...lower].join('L')}Z`
})
const bars = computed(() =>
  props.moves.map((move) => ({
    ...move,
    left: x.value(move.startMin),
    wide: Math.max(2, x.value(move.endMin) - x.value(move.startMin)),
    words: `${move.index + 1}. ${kindWords[props.lines[move.index]?.kind ?? 'level']}: ${move.startMin.toFixed(1)} to ${move.endMin.toFixed(1)} min${move.isInTime ? '' : ', too late'}`,
  })),
)
const ticks = computed(() => x.value.ticks(7))
</script>

<template>
  <svg :viewBox="`0 0 ${width} ${height}`" role="img" aria-label="How the batter thickens, and when each move is made">
    <g v-for="trace in traces" :key="trace">
      <line
        :x1="edge.left"
        :x2="width - edge.right"
        :y1="y(traceBegins[trace])"
        :y2="y(traceBegins[trace])"
        class="grid"
      />
      <text :x="edge.left - 8" :y="y(traceBegins[trace]) - 4" class="label end">{{ traceWords[trace] }}</text>
    </g>
    <path :d="bandPath" class="band" />
    <path :d="likely" class="likely" />
    <g v-for="bar in bars" :key="bar.index">
      <rect
        :x="bar.left"
        :y="edge.top"
        :width="bar.wide"
        :height="height - edge.top - edge.bottom"
        :class="['move', { late: !bar.isInTime }]"
      >
        <title>{{ bar.words }}</title>
      </rect>
      <text :x="bar.left + bar.wide / 2" :y="edge.top + 12" class="label middle">{{ bar.index + 1 }}</text>
    </g>
    <text v-for="tick in ticks" :key="tick" :x="x(tick)" :y="height - 10" class="label middle">{{ tick }} min</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  height: auto;
}

.grid {
  stroke: rgba(var(--v-theme-on-surface), 0.12);
}

.band {
  fill: rgba(var(--v-theme-primary), 0.16);
}

.likely {
  fill: none;
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2.5;
}

.move {
  fill: rgba(var(--v-theme-vine), 0.22);
  stroke: rgb(var(--v-theme-vine));
}

.move.late {
  fill: rgba(var(--v-theme-must), 0.25);
  stroke: rgb(var(--v-theme-must));
}

.label {
  font-size: 11px;
  fill: rgb(var(--v-theme-quiet));
}

.middle {
  text-anchor: middle;
}

.end {
  text-anchor: end;
}
</style>
