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

/** The layers of pours: the width of a day in the one that is seen, if any, and whether a zoom is still being followed. */
export interface Layers {
  current: number | undefined
  isSettling: boolean
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
 * the one that is moved. Each part asks for what it shows, so that a frame draws anew only what has changed in it.
 */
export function useBoardWall(drag: ReturnType<typeof useBoardDrag>) {
  const season = useSeason()
  const zoom = ref(seasonZoom)
  // On paper the whole season stands on one sheet.
  const isPrinting = ref(false)
  const scrolled = ref({ left: 0, width: 900 })
  const atOnce = (): boolean => isPrinting.value

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
    isPrinting.value ? widestOnPaper / daysOnPaper.value : (zooms[zoom.value]?.dayWidth ?? zooms[seasonZoom].dayWidth),
  )
  /** How wide the whole wall is at a scale, px. */
  const widthAt = (at: { readonly dayWidth: number }): number =>
    (isPrinting.value ? daysOnPaper.value : dayCount.value) * at.dayWidth
  const width = computed(() => widthAt({ dayWidth: dayWidth.value }))
  /** Where a day stands, px. */
  const x = computed(() => scaleLinear([0, dayCount.value], [0, dayCount.value * dayWidth.value]))
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
  /** What was drawn at another scale is stretched until it is drawn anew. */
  const stretch = (of: { readonly dayWidth: number }): string =>
    of.dayWidth === dayWidth.value ? 'none' : `scaleX(${dayWidth.value / of.dayWidth})`

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
    isPrinting,
    scrolled,
    atOnce,
    from,
    todayAt,
    dayCount,
    daysOnPaper,
    dayWidth,
    width,
    widthAt,
    x,
    sight,
    scaleLater,
    stretch,
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
