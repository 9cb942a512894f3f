import { useSeason } from '@/parts/seasonStore'
import { designFaceAddress } from '@/parts/faces'
import { addDays, daysBetween, mondayOf } from '@vendange/core/calendar'
import { scaleLinear } from 'd3-scale'
import { computed, ref } from 'vue'
import type { BoardBatch } from './boardLayout'
import { boardBatch, mouldRows, packCures, placeInMoulds, roomAfter } from './boardLayout'
import type { useBoardDrag } from './useBoardDrag'
import { useLater } from './useLater'

export const zooms = [
  { label: 'Week', dayWidth: 120 },
  { label: 'Month', dayWidth: 32 },
  { label: 'Season', dayWidth: 15 },
  { label: 'Half a year', dayWidth: 5.2 },
] as const
const seasonZoom = 2
const daysBefore = 14
const daysAfterAll = 14
const widestOnPaper = 900
/** A cure and the next in its row leave room for a face between them, px. */
const cureGap = 34

/** The layers of pours, each by the width of a day in it. */
export interface Layers {
  /** The one that is seen, if any. */
  current: number | undefined
  /** The one that was seen before, while a zoom is still being followed. */
  leaving: number | undefined
}

/** Days of the wall, from and to. */
export interface DaysInSight {
  readonly from: number
  readonly to: number
}

/** Height of a mould's row and of a row of cures, and what stands above the moulds, px. */
export const rowHeight = 28
export const cureHeight = 18
export const headHeight = 30

/**
 * The wall as its parts share it: days as numbers from its first, how wide a day is, what is in sight, and the pours with
 * the one that is moved. Each part asks for what it shows, so that a frame draws anew only what has changed in it. Where
 * the parts stand hangs on the wall's width alone, so that a zoom begins with one change of one element.
 */
export function useBoardWall(drag: ReturnType<typeof useBoardDrag>) {
  const season = useSeason()
  /** The zoom that was asked for. */
  const zoom = ref(seasonZoom)
  // On paper the whole season stands on one sheet.
  const isPrinting = ref(false)
  const scrolled = ref({ left: 0, width: 900 })
  const atOnce = (): boolean => isPrinting.value
  // Its button is drawn anew in one frame, and the wall in the next. A press is heard before the callbacks of its own frame:
  // the next is the second.
  const zoomThere = useLater(() => zoom.value, 2, atOnce)
  const isZooming = (): boolean => zoom.value !== zoomThere.value

  const from = computed(() => addDays(mondayOf(season.today), -daysBefore))
  const todayAt = computed(() => daysBetween(from.value, season.today))
  const dayCount = computed(() => todayAt.value + (season.dated?.problem.days ?? 120))

  const neededOf = (designId: string): string | undefined => {
    const collection = season.collection(season.design(designId)?.collectionId)
    return collection && season.neededDay(collection)
  }
  const standing = computed<readonly BoardBatch[]>(() =>
    season.batches.map((batch) => boardBatch(batch, from.value, neededOf(batch.designId))),
  )
  const shown = computed<readonly BoardBatch[]>(() => {
    const moving = drag.trial.value
    if (!moving) return standing.value
    return standing.value.map((batch) => {
      if (batch.id !== moving.batch.id) return batch
      return { ...boardBatch({ ...moving.batch, days: moving.days }, from.value, undefined), needed: batch.needed }
    })
  })
  const rows = computed(() => mouldRows(season.moulds))
  const placed = computed(() => placeInMoulds(shown.value, rows.value))
  const rooms = computed(() => roomAfter(placed.value))

  /** The paper ends some days after the last thing on it. */
  const daysOnPaper = computed(() =>
    Math.min(
      dayCount.value,
      standing.value.reduce((so, { ready, needed }) => Math.max(so, ready, needed ?? ready), todayAt.value + 28) +
        daysAfterAll,
    ),
  )
  const dayWidth = computed(() =>
    isPrinting.value
      ? widestOnPaper / daysOnPaper.value
      : (zooms[zoomThere.value]?.dayWidth ?? zooms[seasonZoom].dayWidth),
  )
  /** How many days the wall is wide. */
  const daysAcross = computed(() => (isPrinting.value ? daysOnPaper.value : dayCount.value))
  const width = computed(() => daysAcross.value * dayWidth.value)
  const percent = computed(() => scaleLinear([0, daysAcross.value], [0, 100]))
  /** Where a day stands, as a share of the wall's width: it stays right at any zoom. */
  const x = (at: number): string => `${percent.value(at)}%`
  /** Draws in days across and pixels down: it is as wide as the wall at any zoom. */
  const viewBox = (heightPx: number): string => `0 0 ${daysAcross.value} ${heightPx}`
  const sight = computed<DaysInSight>((known) => {
    const { left, width: wide } = scrolled.value
    const now = isPrinting.value
      ? { from: 0, to: daysOnPaper.value }
      : {
          from: Math.floor(left / dayWidth.value) - 2,
          to: Math.min(dayCount.value, Math.ceil((left + wide) / dayWidth.value) + 2),
        }
    // The same while it is the same: nothing that hangs on it is then drawn anew.
    return known?.from === now.from && known.to === now.to ? known : now
  })
  /** How wide a day is, and which days are in sight. */
  const scale = computed(() => ({ dayWidth: dayWidth.value, sight: sight.value }))
  /** The scale some frames later: not all that hangs on it is drawn in one frame. */
  const scaleLater = (frames: number) => useLater(() => scale.value, frames, atOnce)
  // While a pour is dragged its cure follows some frames after; what it breaks and asks for in those between.
  const curing = useLater(() => shown.value, 5, atOnce)
  const cureScale = scaleLater(5)
  const cures = computed(() =>
    packCures(
      curing.value.filter(({ ready, needed }) => Math.max(ready, needed ?? ready) >= 0),
      Math.ceil(cureGap / cureScale.value.dayWidth),
    ),
  )
  const cureRows = computed(() => Math.max(0, ...cures.value.map(({ row }) => row + 1)))

  /** Asked for at every frame of a drag: found once. */
  const faces = computed(
    () => new Map(season.designs.map((design) => [design.id, designFaceAddress(design, (id) => season.mould(id))])),
  )
  const faceOf = (batch: BoardBatch): string => faces.value.get(batch.designId) ?? ''

  return {
    zoom,
    zoomThere,
    isZooming,
    isPrinting,
    scrolled,
    atOnce,
    from,
    todayAt,
    daysAcross,
    dayWidth,
    width,
    x,
    viewBox,
    sight,
    scaleLater,
    placed,
    rooms,
    rows,
    cures,
    cureRows,
    cureScale,
    faces,
    faceOf,
  }
}

export type BoardWall = ReturnType<typeof useBoardWall>
