<script setup lang="ts">
import { usePours } from '@/parts/pourActions'
import { useSeason } from '@/parts/seasonStore'
import { mdiPin } from '@mdi/js'
import { addDays, formatDay } from '@vendange/core/calendar'
import type { ComputedRef } from 'vue'
import { computed, nextTick, ref } from 'vue'
import type { BoardBatch, Placed } from './boardLayout'
import { inWindow } from './boardLayout'
import type { useBoardDrag } from './useBoardDrag'
import type { BoardWall, Layers } from './useBoardWall'
import { useGradually } from './useGradually'

/**
 * The pours in their moulds at one width of a day, moved by hand or by keys. A layer that is not seen stays as it was,
 * and costs nothing until it is seen again.
 */
const props = defineProps<{
  drag: ReturnType<typeof useBoardDrag>
  wall: BoardWall
  dayWidth: number
  /** Which layer is seen. Told by what all layers share: a prop that changes would draw each of them anew. */
  layers: Layers
}>()
const season = useSeason()
const { setPinned } = usePours()
const { trial, tryOn, tryDay, cancel, drop } = props.drag
const { from, atOnce } = props.wall

const isSeen = (): boolean => props.layers.current === props.dayWidth
/** Follows something while the layer is seen. */
const whileSeen = <T,>(source: () => T): ComputedRef<T> =>
  computed<T>((known) => (isSeen() || known === undefined ? source() : known))
const sight = whileSeen(() => props.wall.sight.value)
const placed = whileSeen(() => props.wall.placed.value)
const rooms = whileSeen(() => props.wall.rooms.value)
const blamed = whileSeen(() => props.drag.blamed.value)
const faces = whileSeen(() => props.wall.faces.value)
const movingId = whileSeen(() => trial.value?.batch.id ?? '')
const faceOf = (batch: BoardBatch): string => faces.value.get(batch.designId) ?? ''

const keyOf = ({ key }: Placed): string => key
const inSight = computed(
  () =>
    new Set(
      inWindow(
        placed.value,
        sight.value,
        ({ pour }) => pour - 1,
        ({ pour, cut }) => Math.max(cut, pour + 150 / props.dayWidth),
      ).map(keyOf),
    ),
)
/** Room for the name is up to the next pour of the mould; with less than a few letters there is none. */
function hasRoom(key: string): boolean {
  return (rooms.value.get(key) ?? Infinity) * props.dayWidth > 74
}
const shown = useGradually(() => placed.value, keyOf, {
  comeAtOnce: 4,
  isWanted: (key) => inSight.value.has(key),
  isAtOnce: () => isSeen() && atOnce(),
  isPaused: () => props.wall.isZooming() || props.layers.leaving !== undefined || !isSeen(),
})

const isLate = (batch: BoardBatch): boolean => batch.needed !== undefined && batch.ready > batch.needed
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
  const by = Math.round((event.clientX - grabbed.startX) / props.dayWidth)
  if (by !== 0) grabbed.hasMoved = true
  if (batch && grabbed.hasMoved) tryDay(batch, addDays(grabbed.startDay, by))
}
async function letGo(): Promise<void> {
  const was = grabbed
  grabbed = undefined
  if (was?.hasMoved) await drop()
}

const layer = ref<HTMLElement>()
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
  layer.value?.querySelector<HTMLElement>(`[data-batch="${id}"]`)?.focus({ preventScroll: true })
}
</script>

<template>
  <div ref="layer" class="layer" :style="`--day: ${dayWidth}px`">
    <button
      v-for="{ batch, key, row, isFirst, isOver } in shown"
      :key="key"
      v-memo="[
        batch,
        row,
        isFirst,
        isOver || blamed.has(batch.id),
        movingId === batch.id,
        rooms.get(key),
        isFirst && hasRoom(key),
        faceOf(batch),
      ]"
      class="pour"
      :class="{
        planned: batch.isPlanned,
        late: isLate(batch),
        over: isOver || blamed.has(batch.id),
        moving: movingId === batch.id,
      }"
      :style="{
        '--at': batch.pour,
        '--days': batch.cut - batch.pour,
        '--row': row,
        '--room': rooms.get(key) ?? 99,
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
      <img v-if="faceOf(batch)" class="face" :src="faceOf(batch)" width="30" height="24" alt="" draggable="false" />
      <span v-if="isFirst && hasRoom(key)" class="name">{{ batch.name }}</span>
      <svg v-if="batch.isPinned" class="pin" viewBox="0 0 24 24" width="13" height="13" aria-hidden="true">
        <path :d="mdiPin" />
      </svg>
    </button>
  </div>
</template>

<style scoped>
/* Nothing of the wall, such as its width, has a hand in how the pours are laid out. */
.layer {
  position: absolute;
  width: 0;
  height: 0;
  contain: layout size style;
}

.pour {
  position: absolute;
  top: calc(var(--row) * 28px + 2px);
  left: calc(var(--at) * var(--day));
  width: max(30px, calc(var(--days) * var(--day)));
  height: 24px;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 4px;
  background: rgb(var(--v-theme-surface));
  white-space: nowrap;
  touch-action: none;
}

.face {
  position: absolute;
  top: -1px;
  left: -1px;
  border-radius: 4px;
  object-fit: cover;
}

.pour .name {
  position: absolute;
  top: 0;
  left: 29px;
  max-width: calc(min(var(--room) * var(--day), 190px) - 34px);
  overflow: hidden;
  text-indent: 6px;
  text-overflow: ellipsis;
  font-size: 0.8rem;
  font-weight: 600;
  line-height: 22px;
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
  fill: rgb(var(--v-theme-primary));
}
</style>
