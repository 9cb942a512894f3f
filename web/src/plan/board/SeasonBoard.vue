<script setup lang="ts">
import { usePours } from '@/parts/pourActions'
import { useSeason } from '@/parts/seasonStore'
import { mdiPin } from '@mdi/js'
import { addDays, daysBetween, formatDay, mondayOf } from '@vendange/core/calendar'
import { scaleLinear } from 'd3-scale'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import BoardLoads from './BoardLoads.vue'
import type { BoardBatch } from './boardLayout'
import { boardBatch, cureOutlines, inWindow, mouldRows, packCures, placeInMoulds } from './boardLayout'
import { facePicture } from './facePicture'
import type { useBoardDrag } from './useBoardDrag'

/** The maker's wall: moulds, cures, racks and hours over time. Pours are moved by hand or by keys. */
const props = defineProps<{ drag: ReturnType<typeof useBoardDrag> }>()
const season = useSeason()
const { setPinned } = usePours()
const { trial, tryOn, tryDay, cancel, drop, checked } = props.drag

const zooms = [
  { label: 'Week', dayWidth: 120 },
  { label: 'Month', dayWidth: 32 },
  { label: 'Season', dayWidth: 15 },
  { label: 'Half a year', dayWidth: 5.2 },
] as const
const zoom = ref(2)
// On paper the whole season stands on one sheet.
const isPrinting = ref(false)
const widestOnPaper = 930
const dayWidth = computed(() =>
  isPrinting.value ? widestOnPaper / dayCount.value : (zooms[zoom.value]?.dayWidth ?? 15),
)
const rowHeight = 28
const cureHeight = 18
/** The two charts of a day's load, with a line between them. */
const loadsHeight = 144
const daysBefore = 14

const from = computed(() => addDays(mondayOf(season.today), -daysBefore))
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
    ? { from: 0, to: dayCount.value }
    : {
        from: Math.floor(scrolled.value.left / dayWidth.value) - 2,
        to: Math.min(dayCount.value, Math.ceil((scrolled.value.left + scrolled.value.width) / dayWidth.value) + 2),
      },
)

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
  const moved = boardBatch({ ...moving.batch, days: moving.days }, from.value, neededOf(moving.batch.designId))
  return standing.value.map((batch) => (batch.id === moved.id ? moved : batch))
})
const rows = computed(() => mouldRows(season.moulds))
const inMoulds = computed(() => placeInMoulds(shown.value, rows.value))
const seen = computed(() =>
  inWindow(inMoulds.value, sight.value, ({ pour, cut }) => [pour - 1, Math.max(cut, pour + 150 / dayWidth.value)]),
)
const cures = computed(() =>
  packCures(
    shown.value.filter(({ ready, needed }) => Math.max(ready, needed ?? ready) >= 0),
    Math.ceil(34 / dayWidth.value),
  ),
)
const cureRows = computed(() => Math.max(0, ...cures.value.map(({ row }) => row + 1)))
const seenCures = computed(() =>
  inWindow(cures.value, sight.value, ({ cut, ready, needed }) => [cut, Math.max(ready, needed ?? ready)]),
)
const outlines = computed(() =>
  cureOutlines(seenCures.value, { dayWidth: dayWidth.value, rowHeight: cureHeight, today: todayAt.value }),
)
// Where days are narrow, faces would hide the cures; those of the pours are enough.
const facedCures = computed(() => (dayWidth.value < 8 ? [] : seenCures.value))
const nextInRow = computed(() => {
  const next = new Map<string, number>()
  const byRow = new Map<number, { pour: number; id: string }[]>()
  for (const { batch, row } of inMoulds.value) byRow.set(row, [...(byRow.get(row) ?? []), batch])
  for (const [row, batches] of byRow) {
    const sorted = [...batches].sort((a, b) => a.pour - b.pour)
    sorted.forEach((batch, index) => next.set(`${row}:${batch.id}`, sorted[index + 1]?.pour ?? Infinity))
  }
  return next
})
/** Room for the name, up to the next batch of the mould. */
function nameWidth(row: number, batch: BoardBatch): number {
  const end = Math.min(nextInRow.value.get(`${row}:${batch.id}`) ?? Infinity, batch.pour + 190 / dayWidth.value)
  return Math.max(0, (end - batch.pour) * dayWidth.value - 34)
}

const weeks = computed(() => {
  const first = Math.max(0, Math.floor(sight.value.from / 7))
  const last = Math.min(Math.ceil(dayCount.value / 7), Math.ceil(sight.value.to / 7) + 1)
  return Array.from({ length: Math.max(0, last - first) }, (_, index) => {
    const at = (first + index) * 7
    const day = addDays(from.value, at)
    return {
      at,
      day,
      label: dayWidth.value < 10 && (first + index) % 2 === 1 ? '' : formatDay(day, season.today).replace('Mon ', ''),
    }
  })
})
const days = computed(() =>
  dayWidth.value < 60
    ? []
    : Array.from({ length: Math.max(0, sight.value.to - Math.max(0, sight.value.from)) }, (_, index) => {
        const at = Math.max(0, sight.value.from) + index
        return { at, label: formatDay(addDays(from.value, at), season.today) }
      }),
)
const flags = computed(() =>
  season.collections
    .map((collection) => ({
      id: collection.id,
      name: collection.name,
      at: daysBetween(from.value, season.neededDay(collection)),
    }))
    .filter(({ at }) => at >= sight.value.from - 30 && at <= sight.value.to),
)

const mouldsHeight = computed(() => rows.value.length * rowHeight)
const loadsTop = computed(() => mouldsHeight.value + 30)
const curesTop = computed(() => loadsTop.value + loadsHeight + 16)
const boardHeight = computed(() => curesTop.value + cureRows.value * cureHeight + 8)
const blamed = computed(() => {
  const ids = new Set<string>()
  for (const violation of checked.value?.violations ?? []) if ('id' in violation) ids.add(violation.id)
  return ids
})
const isLate = (batch: BoardBatch): boolean => batch.needed !== undefined && batch.ready > batch.needed
const faceOf = (batch: BoardBatch): string => facePicture(batch.name, season.design(batch.designId)?.colours ?? [])
const on = (at: number): string => formatDay(addDays(from.value, at), season.today)
const tell = (batch: BoardBatch): string =>
  `${batch.name}: pour ${on(batch.pour)}, cut ${on(batch.cut)}, cured ${on(batch.ready)}` +
  (batch.needed === undefined ? '' : `, needed ${on(batch.needed)}`) +
  (isLate(batch) ? ', late' : '') +
  (batch.isPinned ? ', pinned' : '')

// Moving by hand: a whole day is a step.
let grabbed: { readonly id: string; readonly startX: number; readonly startDay: string; hasMoved: boolean } | undefined
function grab(event: PointerEvent, id: string): void {
  const batch = season.batches.find((one) => one.id === id)
  if (!batch || batch.status !== 'planned' || event.button !== 0) return
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  grabbed = {
    id,
    startX: event.clientX,
    startDay: trial.value?.batch.id === id ? trial.value.days.pourDay : batch.days.pourDay,
    hasMoved: false,
  }
}
function pull(event: PointerEvent): void {
  if (!grabbed) return
  const batch = season.batches.find(({ id }) => id === grabbed?.id)
  const by = Math.round((event.clientX - grabbed.startX) / dayWidth.value)
  if (by !== 0) grabbed.hasMoved = true
  if (batch && grabbed.hasMoved) tryDay(batch, addDays(grabbed.startDay, by))
}
async function letGo(): Promise<void> {
  const was = grabbed
  grabbed = undefined
  if (was?.hasMoved) await drop()
}

async function press(event: KeyboardEvent, id: string): Promise<void> {
  const batch = season.batches.find((one) => one.id === id)
  if (!batch) return
  const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key]
  const isMine = step !== undefined || ['Enter', 'Escape', 'p'].includes(event.key)
  if (!isMine || event.ctrlKey || event.metaKey) return
  event.preventDefault()
  event.stopPropagation()
  if (step !== undefined) tryOn(batch, event.shiftKey ? step * 7 : step)
  else if (event.key === 'Escape') cancel()
  else if (event.key === 'p') await setPinned(batch, !batch.isPinned)
  else await drop()
  await nextTick()
  scroller.value?.querySelector<HTMLElement>(`[data-batch="${id}"]`)?.focus({ preventScroll: true })
}

function goToToday(): void {
  scroller.value?.scrollTo({ left: Math.max(0, (todayAt.value - 4) * dayWidth.value) })
  measure()
}
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
watch(zoom, async () => {
  await nextTick()
  goToToday()
})
</script>

<template>
  <section class="board sheet" aria-label="The season board">
    <div class="top no-print">
      <p class="quiet help">
        Drag a pour, or focus it: <kbd>←</kbd> <kbd>→</kbd> a day, <kbd>Shift</kbd> a week, <kbd>Enter</kbd> keeps,
        <kbd>Esc</kbd> lets go, <kbd>p</kbd> pins.
      </p>
      <div class="row zooms" role="group" aria-label="Zoom">
        <v-btn size="small" variant="text" @click="goToToday">Today</v-btn>
        <v-btn
          v-for="(one, index) in zooms"
          :key="one.label"
          size="small"
          :variant="zoom === index ? 'flat' : 'text'"
          :color="zoom === index ? 'primary' : undefined"
          :aria-pressed="zoom === index"
          @click="zoom = index"
          >{{ one.label }}</v-btn
        >
      </div>
    </div>
    <div class="frame">
      <div class="labels" :style="{ height: `${boardHeight + 30}px` }">
        <span class="eyebrow" style="top: 8px">Moulds</span>
        <span v-for="(row, index) in rows" :key="row.key" :style="{ top: `${30 + index * rowHeight + 4}px` }">{{
          row.label
        }}</span>
        <span class="eyebrow" :style="{ top: `${30 + curesTop - 4}px` }">Curing</span>
        <span class="eyebrow" :style="{ top: `${30 + loadsTop - 22}px` }">Racks</span>
        <span :style="{ top: `${30 + loadsTop + 2}px` }">{{ season.dated?.problem.trays }} trays</span>
        <span class="eyebrow" :style="{ top: `${30 + loadsTop + 58}px` }">Hours</span>
        <span :style="{ top: `${30 + loadsTop + 82}px` }">{{ season.makers.map(({ name }) => name).join(', ') }}</span>
      </div>
      <div ref="scroller" class="scroller" tabindex="-1" @scroll.passive="measure">
        <div class="wall" :style="{ width: `${x(dayCount)}px`, height: `${boardHeight + 30}px` }">
          <svg class="paper" :width="x(dayCount)" :height="boardHeight + 30" aria-hidden="true">
            <g v-for="week in weeks" :key="week.at">
              <rect class="weekend" :x="x(week.at + 5)" :width="2 * dayWidth" y="26" :height="boardHeight" />
              <line class="week" :x1="x(week.at)" :x2="x(week.at)" y1="14" :y2="boardHeight + 26" />
              <text v-if="days.length === 0" :x="x(week.at) + 3" y="20">{{ week.label }}</text>
            </g>
            <text v-for="day in days" :key="`d${day.at}`" :x="x(day.at) + 3" y="20">{{ day.label }}</text>
            <line
              v-for="(row, index) in rows"
              :key="row.key"
              class="hair"
              x1="0"
              :x2="x(dayCount)"
              :y1="30 + (index + 1) * rowHeight"
              :y2="30 + (index + 1) * rowHeight"
            />
            <g v-for="flag in flags" :key="flag.id" class="flag">
              <line :x1="x(flag.at)" :x2="x(flag.at)" y1="26" :y2="boardHeight + 26" />
            </g>
            <g :transform="`translate(0 ${30 + curesTop})`">
              <path class="cure" :d="outlines.cure" />
              <path class="cure late" :d="outlines.lateCure" />
              <path class="cured" :d="outlines.cured" />
              <path class="wait" :d="outlines.wait" />
              <path class="pennant" :d="outlines.pennant" />
              <path class="pennant late" :d="outlines.latePennant" />
            </g>
            <line class="today" :x1="x(todayAt)" :x2="x(todayAt)" y1="6" :y2="boardHeight + 26" />
            <g v-if="checked && season.dated" :transform="`translate(0 ${30 + loadsTop})`">
              <BoardLoads
                :day-width="dayWidth"
                :window="sight"
                :today="todayAt"
                :trays="checked.load.trays"
                :tray-count="season.dated.problem.trays"
                :hours="checked.load.hours"
                :hours-there="season.dated.problem.hours"
              />
            </g>
          </svg>
          <span
            v-for="flag in flags"
            :key="`f${flag.id}`"
            class="flagname"
            :style="{ left: `${x(flag.at)}px`, top: `${30 + mouldsHeight + 5}px` }"
            >{{ flag.name }}</span
          >
          <span
            v-for="{ batch, row } in facedCures"
            :key="`c${batch.id}`"
            class="cureface"
            :style="{
              left: `${Math.max(x(batch.cut), scrolled.left)}px`,
              top: `${30 + curesTop + row * cureHeight + 1}px`,
            }"
            aria-hidden="true"
          >
            <img :src="faceOf(batch)" width="22" height="15" alt="" />
          </span>
          <button
            v-for="{ batch, row, isFirst, isOver } in seen"
            :key="`${row}:${batch.id}`"
            class="pour"
            :class="{
              planned: batch.isPlanned,
              late: isLate(batch),
              over: isOver || blamed.has(batch.id),
              moving: trial?.batch.id === batch.id,
            }"
            :style="{
              left: `${x(batch.pour)}px`,
              top: `${30 + row * rowHeight + 2}px`,
              width: `${Math.max(30, (batch.cut - batch.pour) * dayWidth)}px`,
            }"
            :tabindex="isFirst ? 0 : -1"
            :data-batch="isFirst ? batch.id : undefined"
            :aria-label="tell(batch)"
            :title="tell(batch)"
            @pointerdown="grab($event, batch.id)"
            @pointermove="pull"
            @pointerup="letGo"
            @pointercancel="cancel"
            @keydown="press($event, batch.id)"
          >
            <img class="face" :src="faceOf(batch)" width="30" height="24" alt="" draggable="false" />
            <span
              v-if="isFirst && nameWidth(row, batch) > 40"
              class="name"
              :style="{ maxWidth: `${nameWidth(row, batch)}px` }"
              >{{ batch.name }}</span
            >
            <v-icon v-if="batch.isPinned" :icon="mdiPin" size="13" class="pin" aria-hidden="true" />
          </button>
        </div>
      </div>
    </div>
    <p class="d-sr-only" aria-live="polite">
      {{ trial ? `${trial.batch.name} on ${formatDay(trial.days.pourDay, season.today)}` : '' }}
    </p>
  </section>
</template>

<style scoped>
.board {
  padding: 10px 14px 12px;
}

.top {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
}

.help {
  font-size: 0.82rem;
}

kbd {
  padding: 0 4px;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 3px;
  font-family: inherit;
}

.zooms {
  flex: none;
  gap: 2px;
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

.paper text {
  fill: rgb(var(--v-theme-quiet));
  font-size: 12px;
}

.weekend {
  fill: rgb(var(--v-theme-weekend));
}

.week,
.hair {
  stroke: rgb(var(--v-theme-hairline));
}

.today {
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2;
}

.flag line {
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

.cureface {
  position: absolute;
  line-height: 0;
}

.cureface img {
  border-radius: 3px;
}

.pour {
  position: absolute;
  display: flex;
  align-items: center;
  height: 24px;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 4px;
  background: rgb(var(--v-theme-surface));
  white-space: nowrap;
  touch-action: none;
}

.pour .face {
  flex: none;
  margin: -1px;
  border-radius: 4px;
}

.pour .name {
  flex: none;
  overflow: hidden;
  padding: 0 6px;
  text-overflow: ellipsis;
  font-size: 0.8rem;
  font-weight: 600;
}

.planned {
  cursor: grab;
}

.pour:not(.planned) {
  border-style: dashed;
}

.pour.late {
  border: 2px solid rgb(var(--v-theme-must));
}

.pour.over {
  outline: 2px solid rgb(var(--v-theme-must));
  outline-offset: 1px;
}

.pour.moving {
  z-index: 3;
  border-color: rgb(var(--v-theme-primary));
  box-shadow: 0 0 0 2px rgb(var(--v-theme-primary), 0.35);
  cursor: grabbing;
}

.pour:focus-visible {
  z-index: 4;
  outline: 3px solid rgb(var(--v-theme-primary));
  outline-offset: 2px;
}

.pin {
  position: absolute;
  top: -6px;
  left: 22px;
  color: rgb(var(--v-theme-primary));
}

@media print {
  .scroller {
    overflow: visible;
  }
}
</style>
