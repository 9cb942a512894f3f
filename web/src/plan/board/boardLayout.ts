import type { BatchSummary } from '@vendange/contract'
import type { Day } from '@vendange/core/calendar'
import { daysBetween } from '@vendange/core/calendar'
import { mouldsOfBatch } from '@vendange/core/season'

/** A batch on the board, its days as numbers counted from the board's first day. */
export interface BoardBatch {
  readonly id: string
  readonly designId: string
  readonly name: string
  /** How many it fills of each kind. */
  readonly moulds: ReadonlyMap<string, number>
  /** Undefined where it needs no preparation. */
  readonly prep: number | undefined
  readonly pour: number
  readonly cut: number
  readonly ready: number
  /** Day its bars are needed; undefined when nothing waits for them. */
  readonly needed: number | undefined
  readonly isPlanned: boolean
  readonly isPinned: boolean
}

/** A batch with its days counted from the board's first. @throws {RangeError} if a day is no day */
export function boardBatch(batch: BatchSummary, from: Day, neededDay: Day | undefined): BoardBatch {
  const { prepDay, pourDay, cutDay, readyDay } = batch.days
  return {
    id: batch.id,
    designId: batch.designId,
    name: batch.name,
    moulds: mouldsOfBatch(batch),
    prep: prepDay === null ? undefined : daysBetween(from, prepDay),
    pour: daysBetween(from, pourDay),
    cut: daysBetween(from, cutDay),
    ready: daysBetween(from, readyDay),
    needed: neededDay === undefined ? undefined : daysBetween(from, neededDay),
    isPlanned: batch.status === 'planned',
    isPinned: batch.isPinned,
  }
}

/** A row of the board: one mould of a kind. */
export interface MouldRow {
  readonly key: string
  readonly mouldId: string
  readonly label: string
}

/** One row for each mould the workshop has; a kind with one mould goes by its own name. */
export function mouldRows(
  moulds: readonly { readonly id: string; readonly name: string; readonly count: number }[],
): readonly MouldRow[] {
  return moulds.flatMap(({ id, name, count }) =>
    Array.from({ length: count }, (_, index) => ({
      key: `${id}:${index}`,
      mouldId: id,
      label: count === 1 ? name : `${name} ${index + 1}`,
    })),
  )
}

/** A batch in a row. `isOver`: there was no free mould, so that it stands over another batch. */
export interface Placed {
  readonly batch: BoardBatch
  /** Batch and number of its mould: the same while the batch moves from row to row. */
  readonly key: string
  readonly row: number
  /** Whether it is the first of the rows that the batch takes. */
  readonly isFirst: boolean
  readonly isOver: boolean
}

/** Gives every batch its moulds, by pour day: the first that are free. */
export function placeInMoulds(batches: readonly BoardBatch[], rows: readonly MouldRow[]): readonly Placed[] {
  const rowsOf = new Map<string, number[]>()
  rows.forEach(({ mouldId }, row) => rowsOf.set(mouldId, [...(rowsOf.get(mouldId) ?? []), row]))
  const freeFrom = new Array<number>(rows.length).fill(-Infinity)
  const placed: Placed[] = []
  const ordered = [...batches].sort((a, b) => a.pour - b.pour || (a.id < b.id ? -1 : 1))
  for (const batch of ordered) {
    let number = 0
    for (const [mouldId, count] of batch.moulds) {
      const own = rowsOf.get(mouldId) ?? []
      const taken: number[] = []
      for (const row of own) if (taken.length < count && (freeFrom[row] ?? 0) <= batch.pour) taken.push(row)
      const free = taken.length
      for (const row of own) if (taken.length < count && (freeFrom[row] ?? 0) > batch.pour) taken.push(row)
      for (const [at, row] of taken.entries()) {
        placed.push({ batch, key: `${batch.id}:${number}`, row, isFirst: number === 0, isOver: at >= free })
        freeFrom[row] = Math.max(freeFrom[row] ?? 0, batch.cut)
        number += 1
      }
    }
  }
  return placed
}

/** Days from each pour to the next of its mould, by key; the last of a row has none. */
export function roomAfter(placed: readonly Placed[]): ReadonlyMap<string, number> {
  const rooms = new Map<string, number>()
  const nextOf = new Map<number, number>()
  for (const { batch, key, row } of [...placed].sort((a, b) => b.batch.pour - a.batch.pour)) {
    const next = nextOf.get(row)
    if (next !== undefined) rooms.set(key, next - batch.pour)
    nextOf.set(row, batch.pour)
  }
  return rooms
}

/** A cure in a row of its own or after another. */
export interface PlacedCure {
  readonly batch: BoardBatch
  readonly row: number
}

/** Packs cures into as few rows as their days allow, with some days between two for a name. */
export function packCures(batches: readonly BoardBatch[], gapDays: number): readonly PlacedCure[] {
  const freeFrom: number[] = []
  return [...batches]
    .sort((a, b) => a.cut - b.cut || (a.id < b.id ? -1 : 1))
    .map((batch) => {
      const end = Math.max(batch.ready, batch.needed ?? batch.ready) + gapDays
      const free = freeFrom.findIndex((day) => day <= batch.cut)
      const row = free < 0 ? freeFrom.length : free
      freeFrom[row] = end
      return { batch, row }
    })
}

/** Those of the placed that reach into a window of days: what lies outside is not drawn. */
export function inWindow<T extends { readonly batch: BoardBatch }>(
  placed: readonly T[],
  window: { readonly from: number; readonly to: number },
  startOf: (batch: BoardBatch) => number,
  endOf: (batch: BoardBatch) => number,
): readonly T[] {
  return placed.filter(({ batch }) => endOf(batch) >= window.from && startOf(batch) <= window.to)
}

/** A length across the wall as path data tells it: a few decimals of a day are less than a pixel. */
export const rounded = (days: number): number => Math.round(days * 1e4) / 1e4

/** Everything drawn of the cures, as a few outlines in SVG path data, in days across and pixels down: one for each dress. */
export interface CureOutlines {
  readonly cure: string
  readonly lateCure: string
  /** What is over of the cures. */
  readonly cured: string
  /** From the end of a cure to the day its bars are needed. */
  readonly wait: string
  readonly pennant: string
  readonly latePennant: string
}

const barHeight = 7

/**
 * Outlines of all cures together: hundreds of them cost the page no more than one.
 *
 * @param dayWidth pixels a day, for what is as wide at any zoom
 * @param rowHeight pixels a row
 * @param today number of today on the board
 */
export function cureOutlines(
  cures: readonly PlacedCure[],
  { dayWidth, rowHeight, today }: { readonly dayWidth: number; readonly rowHeight: number; readonly today: number },
): CureOutlines {
  const lines = { cure: '', lateCure: '', cured: '', wait: '', pennant: '', latePennant: '' }
  const pixels = (count: number): number => rounded(count / dayWidth)
  const pennant = `v-14h${pixels(9)}l${pixels(-3)} 4 ${pixels(3)} 4h${pixels(-9)}`
  const bar = (from: number, to: number, y: number): string => {
    const width = Math.max(pixels(1), to - from)
    return `M${from} ${y}h${width}v${barHeight}h${-width}z`
  }
  for (const { batch, row } of cures) {
    const y = row * rowHeight + 5
    const isLate = batch.needed !== undefined && batch.ready > batch.needed
    lines[isLate ? 'lateCure' : 'cure'] += bar(batch.cut, batch.ready, y)
    if (batch.cut < today) lines.cured += bar(batch.cut, Math.min(today, batch.ready), y)
    if (batch.needed === undefined) continue
    lines.wait += `M${batch.ready} ${y + 3.5}H${batch.needed}`
    lines[isLate ? 'latePennant' : 'pennant'] += `M${batch.needed} ${y + 11}${pennant}`
  }
  return lines
}
