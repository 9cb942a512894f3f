<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import { addDays } from '@vendange/core/calendar'
import { makerHoursOn } from '@vendange/core/season'
import { computed } from 'vue'
import type { LoadLayout, LoadsOfBoard } from './boardLoads'
import { loadOutlines } from './boardLoads'
import type { useBoardDrag } from './useBoardDrag'
import type { BoardWall } from './useBoardWall'
import { useLater } from './useLater'

/** What each day asks of racks and hands. Days are counted from the board's first. */
const props = defineProps<{ drag: ReturnType<typeof useBoardDrag>; wall: BoardWall; layout: LoadLayout }>()
const season = useSeason()
const { todayAt, viewBox, scaleLater, atOnce } = props.wall
// While a pour is dragged, in a frame after the one in which its rules are told.
const checked = useLater(() => props.drag.checked.value, 2, atOnce)
const scale = scaleLater(4)

const makersHours = computed(() =>
  season.makers.map((maker) => ({
    name: maker.name,
    // On a day that differs for everyone, its hours are shared out.
    hours: (season.dated?.problem.hours ?? []).map((_, at) => {
      const day = addDays(season.today, at)
      const forAll = season.limits.working.exceptions.find((one) => one.day === day)
      return forAll ? forAll.hours / season.makers.length : makerHoursOn(day, maker)
    }),
  })),
)
const loads = computed<LoadsOfBoard | undefined>(() => {
  const load = checked.value?.load
  const problem = season.dated?.problem
  return load && problem && season.workshop
    ? {
        today: todayAt.value,
        racks: season.workshop.racks,
        trays: load.trays,
        hours: load.hours,
        hoursThere: problem.hours,
        makers: makersHours.value,
      }
    : undefined
})
const outlines = computed(
  () =>
    loads.value &&
    loadOutlines(loads.value, props.layout, { dayWidth: scale.value.dayWidth, window: scale.value.sight }),
)
</script>

<template>
  <svg
    v-if="outlines"
    class="loads"
    :viewBox="viewBox(layout.height)"
    preserveAspectRatio="none"
    :height="layout.height"
    aria-hidden="true"
  >
    <path class="empty" :d="outlines.racks" />
    <path class="trays" :d="outlines.trays" />
    <path class="over" :d="outlines.traysOver" />
    <path class="there" :d="outlines.there" />
    <path class="asked" :d="outlines.asked" />
    <path class="over" :d="outlines.askedOver" />
    <path class="maker" :d="outlines.makers" />
  </svg>
</template>

<style scoped>
.loads {
  position: absolute;
  left: 0;
  width: 100%;
}

path {
  shape-rendering: crispEdges;
  vector-effect: non-scaling-stroke;
}

.empty {
  fill: rgb(var(--v-theme-slate), 0.08);
}

.trays {
  fill: rgb(var(--v-theme-slate), 0.45);
}

.over {
  fill: rgb(var(--v-theme-must));
}

.there {
  fill: none;
  stroke: rgb(var(--v-theme-quiet), 0.6);
}

.asked {
  fill: rgb(var(--v-theme-primary), 0.75);
}

.maker {
  fill: rgb(var(--v-theme-primary), 0.35);
}
</style>
