<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import { addDays, daysBetween, formatDay, mondayOf } from '@vendange/core/calendar'
import { makerHoursOn } from '@vendange/core/season'
import { scaleLinear } from 'd3-scale'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import BoardGrid from './BoardGrid.vue'
import BoardLoads from './BoardLoads.vue'
import BoardPours from './BoardPours.vue'
import BoardZoom from './BoardZoom.vue'
import type { BoardBatch } from './boardLayout'
import { boardBatch, cureOutlines, inWindow, mouldRows, packCures, placeInMoulds } from './boardLayout'
import type { LoadsOfBoard } from './boardLoads'
import { loadLayout } from './boardLoads'
import { designFaceAddress } from '@/parts/faces'
import type { useBoardDrag } from './useBoardDrag'
import { useGradually } from './useGradually'
import { useLater } from './useLater'

/** The maker's wall: moulds, racks, makers' hours and cures over time. */
const props = defineProps<{ drag: ReturnType<typeof useBoardDrag> }>()
const season = useSeason()
const { trial, told, checked } = props.drag

const zooms = [
  { label: 'Week', dayWidth: 120 },
  { label: 'Month', dayWidth: 32 },
  { label: 'Season', dayWidth: 15 },
  { label: 'Half a year', dayWidth: 5.2 },
] as const
const zoomLabels = zooms.map(({ label }) => label)
const zoom = ref(2)
// On paper the whole season stands on one sheet.
const isPrinting = ref(false)
const widestOnPaper = 900
const dayWidth = computed(() =>
  isPrinting.value ? widestOnPaper / daysOnPaper.value : (zooms[zoom.value]?.dayWidth ?? 15),
)
const rowHeight = 28
const cureHeight = 18
const daysBefore = 14

const from = computed(() => addDays(mondayOf(season.today), -daysBefore))
/** The paper ends a week after the last thing on it. */
const daysOnPaper = computed(() =>
  Math.min(
    dayCount.value,
    standing.value.reduce((so, { ready, needed }) => Math.max(so, ready, needed ?? ready), todayAt.value + 28) + 14,
  ),
)
const todayAt = computed(() => daysBetween(from.value, season.today))
const dayCount = computed(() => todayAt.value + (season.dated?.problem.days ?? 120))
const x = computed(() => scaleLinear([0, dayCount.value], [0, dayCount.value * dayWidth.value]))

// Only what stands in sight is drawn.
const scroller = ref<HTMLElement>()
const scrolled = ref({ left: 0, width: 900 })
let isMeasuring = false
function measure(): void {
  if (isMeasuring) return
  isMeasuring = true
  requestAnimationFrame(() => {
    isMeasuring = false
    const element = scroller.value
    if (element) scrolled.value = { left: element.scrollLeft, width: element.clientWidth }
  })
}
const sight = computed(() =>
  isPrinting.value
    ? { from: 0, to: daysOnPaper.value }
    : {
        from: Math.floor(scrolled.value.left / dayWidth.value) - 2,
        to: Math.min(dayCount.value, Math.ceil((scrolled.value.left + scrolled.value.width) / dayWidth.value) + 2),
      },
)

/** How wide a day is, and which days are in sight. */
const scale = computed(() => ({ dayWidth: dayWidth.value, sight: sight.value }))
const atOnce = (): boolean => isPrinting.value
// The pours follow a zoom at once; paper, loads and cures each in a frame of their own. Until then they are stretched.
const paperScale = useLater(() => scale.value, 1, atOnce)
const loadScale = useLater(() => scale.value, 2, atOnce)
const cureScale = useLater(() => scale.value, 3, atOnce)
const stretch = (of: { readonly dayWidth: number }): string =>
  of.dayWidth === dayWidth.value ? '' : ` scale(${dayWidth.value / of.dayWidth} 1)`

const neededOf = (designId: string): string | undefined => {
  const collection = season.collection(season.design(designId)?.collectionId)
  return collection && season.neededDay(collection)
}
const standing = computed<readonly BoardBatch[]>(() =>
  season.batches.map((batch) => boardBatch(batch, from.value, neededOf(batch.designId))),
)
const shown = computed<readonly BoardBatch[]>(() => {
  const moving = trial.value
  if (!moving) return standing.value
  return standing.value.map((batch) => {
    if (batch.id !== moving.batch.id) return batch
    return { ...boardBatch({ ...moving.batch, days: moving.days }, from.value, undefined), needed: batch.needed }
  })
})
const rows = computed(() => mouldRows(season.moulds))
const inMoulds = computed(() => placeInMoulds(shown.value, rows.value))
// While a pour is dragged its cure follows two frames after, its loads and rules in the one between.
const curing = useLater(() => shown.value, 2, atOnce)
const cures = computed(() =>
  packCures(
    curing.value.filter(({ ready, needed }) => Math.max(ready, needed ?? ready) >= 0),
    Math.ceil(34 / cureScale.value.dayWidth),
  ),
)
const cureRows = computed(() => Math.max(0, ...cures.value.map(({ row }) => row + 1)))
const seenCures = computed(() =>
  inWindow(cures.value, cureScale.value.sight, ({ cut, ready, needed }) => [cut, Math.max(ready, needed ?? ready)]),
)
const outlines = computed(() =>
  cureOutlines(seenCures.value, { dayWidth: cureScale.value.dayWidth, rowHeight: cureHeight, today: todayAt.value }),
)
// Where days are narrow, faces would hide the cures; those of the pours are enough.
const seenCureIds = computed(
  () => new Set(cureScale.value.dayWidth < 8 ? [] : seenCures.value.map(({ batch }) => batch.id)),
)
const facedCures = useGradually(
  () => cures.value,
  ({ batch }) => batch.id,
  (id) => seenCureIds.value.has(id),
  { isAtOnce: () => false, restart: () => cureScale.value.dayWidth },
)
/** What is shown until a face is drawn. */
const blankPicture = 'data:image/svg+xml,%3Csvg xmlns="http://www.w3.org/2000/svg"/%3E'
/** Asked for at every frame of a drag: found once. */
const faces = computed(
  () => new Map(season.designs.map((design) => [design.id, designFaceAddress(design, (id) => season.mould(id))])),
)
const faceOf = (batch: BoardBatch): string => faces.value.get(batch.designId) ?? ''

const flags = computed(() =>
  season.collections
    .map((collection) => ({
      id: collection.id,
      name: collection.name,
      at: daysBetween(from.value, season.neededDay(collection)),
    }))
    .filter(({ at }) => at >= sight.value.from - 30 && at <= sight.value.to),
)

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
const layout = computed(() => loadLayout(season.workshop?.racks ?? [], season.makers))
const mouldsHeight = computed(() => rows.value.length * rowHeight)
const loadsTop = computed(() => mouldsHeight.value + 52)
const curesTop = computed(() => loadsTop.value + layout.value.height + 14)
const boardHeight = computed(() => curesTop.value + cureRows.value * cureHeight + 8)

const leftOfToday = (): number => Math.max(0, (todayAt.value - 4) * dayWidth.value)
function goToToday(): void {
  scroller.value?.scrollTo({ left: leftOfToday() })
  measure()
}
watch(zoom, () => {
  scrolled.value = { left: leftOfToday(), width: scrolled.value.width }
  // Scrolling asks for the layout: in a frame of its own.
  requestAnimationFrame(goToToday)
})
const forPaper = (): void => {
  isPrinting.value = true
}
const forScreen = (): void => {
  isPrinting.value = false
}
onMounted(() => {
  measure()
  goToToday()
  window.addEventListener('beforeprint', forPaper)
  window.addEventListener('afterprint', forScreen)
})
onBeforeUnmount(() => {
  window.removeEventListener('beforeprint', forPaper)
  window.removeEventListener('afterprint', forScreen)
})
</script>

<template>
  <section class="board sheet" aria-label="The season board">
    <BoardZoom v-model="zoom" :labels="zoomLabels" @today="goToToday" />
    <div class="frame">
      <div class="labels" :style="{ height: `${boardHeight + 30}px` }">
        <span class="eyebrow" style="top: 8px">Moulds</span>
        <span v-for="(row, index) in rows" :key="row.key" :style="{ top: `${30 + index * rowHeight + 4}px` }">{{
          row.label
        }}</span>
        <span class="eyebrow" :style="{ top: `${30 + loadsTop - 20}px` }">Racks</span>
        <span v-for="row in layout.racks" :key="row.top" :style="{ top: `${30 + loadsTop + row.top - 2}px` }">{{
          row.name
        }}</span>
        <span class="eyebrow" :style="{ top: `${30 + loadsTop + layout.hours.top - 20}px` }">Hours</span>
        <span :style="{ top: `${30 + loadsTop + layout.hours.top + layout.hours.height - 20}px` }">{{
          layout.hours.name
        }}</span>
        <span v-for="row in layout.makers" :key="row.top" :style="{ top: `${30 + loadsTop + row.top - 2}px` }">{{
          row.name
        }}</span>
        <span class="eyebrow" :style="{ top: `${30 + curesTop - 4}px` }">Curing</span>
      </div>
      <div ref="scroller" class="scroller" tabindex="-1" @scroll.passive="measure">
        <div
          class="wall"
          :style="{
            width: `${x(isPrinting ? daysOnPaper : dayCount)}px`,
            height: `${boardHeight + 30}px`,
            '--day': `${dayWidth}px`,
            '--scrolled': `${scrolled.left}px`,
          }"
        >
          <svg class="paper" :width="x(dayCount)" :height="boardHeight + 30" aria-hidden="true">
            <BoardGrid
              :transform="stretch(paperScale)"
              :from="from"
              :day-count="dayCount"
              :day-width="paperScale.dayWidth"
              :window="paperScale.sight"
              :height="boardHeight"
              :row-count="rows.length"
              :row-height="rowHeight"
            />
            <path class="flag" :d="flags.map(({ at }) => `M${x(at)} 26V${boardHeight + 26}`).join('')" />
            <g :transform="`translate(0 ${30 + curesTop})${stretch(cureScale)}`">
              <path class="cure" :d="outlines.cure" />
              <path class="cure late" :d="outlines.lateCure" />
              <path class="cured" :d="outlines.cured" />
              <path class="wait" :d="outlines.wait" />
              <path class="pennant" :d="outlines.pennant" />
              <path class="pennant late" :d="outlines.latePennant" />
            </g>
            <line class="today" :x1="x(todayAt)" :x2="x(todayAt)" y1="6" :y2="boardHeight + 26" />
            <g v-if="loads" :transform="`translate(0 ${30 + loadsTop})${stretch(loadScale)}`">
              <BoardLoads :day-width="loadScale.dayWidth" :window="loadScale.sight" :loads="loads" :layout="layout" />
            </g>
          </svg>
          <span
            v-for="flag in flags"
            :key="`f${flag.id}`"
            class="flagname"
            :style="{ left: `${x(flag.at)}px`, top: `${30 + mouldsHeight + 5}px` }"
            >{{ flag.name }}</span
          >
          <div
            :key="`c${cureScale.dayWidth}`"
            class="curefaces"
            :class="{ hidden: dayWidth < 8 || cureScale.dayWidth !== dayWidth }"
            :style="{ top: `${30 + curesTop}px` }"
            aria-hidden="true"
          >
            <img
              v-for="{ batch, row } in facedCures"
              :key="batch.id"
              v-memo="[batch, row, cureScale.dayWidth, faceOf(batch)]"
              :style="{ '--at': batch.cut, '--row': row }"
              :src="faceOf(batch) || blankPicture"
              width="22"
              height="15"
              alt=""
            />
          </div>
          <BoardPours
            class="layer"
            :drag="drag"
            :from="from"
            :placed="inMoulds"
            :window="sight"
            :day-width="dayWidth"
            :is-printing="isPrinting"
          />
        </div>
      </div>
    </div>
    <p class="d-sr-only" aria-live="polite">
      {{ told ? `${told.batch.name} on ${formatDay(told.days.pourDay, season.today)}` : '' }}
    </p>
  </section>
</template>

<style scoped>
.board {
  padding: 10px 14px 12px;
}

.frame {
  display: flex;
}

.labels {
  position: relative;
  flex: none;
  width: 104px;
  font-size: 0.86rem;
}

.labels span {
  position: absolute;
  max-width: 100px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.scroller {
  flex: 1;
  min-width: 0;
  overflow: auto hidden;
}

.wall {
  position: relative;
  contain: layout paint style;
}

.paper {
  position: absolute;
  inset: 0;
  display: block;
}

.today {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2;
}

.flag {
  stroke: rgb(var(--v-theme-primary));
  stroke-dasharray: 2 3;
  opacity: 0.6;
}

.flagname {
  position: absolute;
  z-index: 1;
  padding: 0 9px 1px 5px;
  font-size: 0.72rem;
  line-height: 17px;
  white-space: nowrap;
  color: rgb(var(--v-theme-background));
  background: rgb(var(--v-theme-primary));
  clip-path: polygon(0 0, 100% 0, calc(100% - 5px) 50%, 100% 100%, 0 100%);
}

.cure {
  fill: rgb(var(--v-theme-vine), 0.28);
}

.cured {
  fill: rgb(var(--v-theme-vine));
}

.cure.late {
  fill: rgb(var(--v-theme-must), 0.4);
}

.wait {
  stroke: rgb(var(--v-theme-quiet));
  stroke-dasharray: 2 3;
}

.pennant {
  fill: rgb(var(--v-theme-slate));
  stroke: rgb(var(--v-theme-slate));
}

.pennant.late {
  fill: rgb(var(--v-theme-must));
  stroke: rgb(var(--v-theme-must));
}

.layer,
.curefaces {
  position: absolute;
  top: 30px;
  left: 0;
}

.curefaces img {
  position: absolute;
  top: calc(var(--row) * 18px + 1px);
  left: max(calc(var(--at) * var(--day)), var(--scrolled));
  border-radius: 3px;
  object-fit: cover;
}

.hidden {
  display: none;
}

@media print {
  .board {
    zoom: 0.9;
  }

  .scroller {
    overflow: hidden;
  }

  .flagname {
    color: rgb(var(--v-theme-primary));
    background: none;
    clip-path: none;
  }
}
</style>
