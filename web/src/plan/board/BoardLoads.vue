<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'

/** What each day asks of racks and hands, drawn under the board. Days are counted from the board's first. */
const props = defineProps<{
  dayWidth: number
  window: { readonly from: number; readonly to: number }
  /** Number of today on the board: the loads begin there. */
  today: number
  trays: readonly number[]
  trayCount: number
  hours: readonly number[]
  hoursThere: readonly number[]
}>()
const height = 54

const shown = computed(() => {
  const first = Math.max(props.today, props.window.from)
  const last = Math.min(props.today + props.hours.length - 1, props.window.to)
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, index) => first + index)
})
const trayScale = computed(() =>
  scaleLinear(
    [0, Math.max(props.trayCount, ...shown.value.map((day) => props.trays[day - props.today] ?? 0)) * 1.12 || 1],
    [0, height - 4],
  ),
)
const hourScale = computed(() =>
  scaleLinear(
    [
      0,
      Math.max(
        4,
        ...shown.value.flatMap((day) => [
          props.hours[day - props.today] ?? 0,
          props.hoursThere[day - props.today] ?? 0,
        ]),
      ),
    ],
    [0, height - 4],
  ),
)
const columns = computed(() =>
  shown.value.map((day) => {
    const at = day - props.today
    const trays = props.trays[at] ?? 0
    const hours = props.hours[at] ?? 0
    const there = props.hoursThere[at] ?? 0
    return {
      day,
      x: day * props.dayWidth,
      tray: trayScale.value(trays),
      isTrayOver: trays > props.trayCount,
      hour: hourScale.value(hours),
      there: hourScale.value(there),
      isHourOver: hours > there + 1e-6,
    }
  }),
)
const bar = computed(() => Math.max(1, props.dayWidth - (props.dayWidth > 7 ? 3 : 1)))
</script>

<template>
  <g class="loads" aria-hidden="true">
    <g class="trays">
      <rect
        v-for="column in columns"
        :key="column.day"
        :x="column.x"
        :width="dayWidth"
        :y="height - column.tray"
        :height="column.tray"
        :class="{ over: column.isTrayOver }"
      />
      <line
        :x1="Math.max(today, window.from) * dayWidth"
        :x2="window.to * dayWidth"
        :y1="height - trayScale(trayCount)"
        :y2="height - trayScale(trayCount)"
        class="limit"
      />
    </g>
    <g class="hours" :transform="`translate(0 ${height + 26})`">
      <template v-for="column in columns" :key="column.day">
        <rect class="there" :x="column.x + 1" :width="bar" :y="height - column.there" :height="column.there" />
        <rect
          class="asked"
          :class="{ over: column.isHourOver }"
          :x="column.x + 1"
          :width="bar"
          :y="height - column.hour"
          :height="column.hour"
        />
      </template>
    </g>
  </g>
</template>

<style scoped>
rect {
  shape-rendering: crispEdges;
}

.trays rect {
  fill: rgb(var(--v-theme-slate), 0.35);
}

.trays .over,
.hours .over {
  fill: rgb(var(--v-theme-must));
}

.limit {
  stroke: rgb(var(--v-theme-must));
  stroke-width: 1.2;
  stroke-dasharray: 4 3;
}

.there {
  fill: none;
  stroke: rgb(var(--v-theme-quiet), 0.6);
}

.asked {
  fill: rgb(var(--v-theme-primary), 0.75);
}
</style>
