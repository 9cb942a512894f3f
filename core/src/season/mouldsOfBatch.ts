import type { BarCut } from '../cutting'
import { barsOfMould } from '../cutting'
import type { Mould } from '../mould'

/** A batch with the moulds it fills. */
export interface FillsMoulds {
  readonly mouldId: string
  readonly mouldCount: number
  /** Moulds of other kinds that are filled from the same batch. */
  readonly moreMoulds?: readonly { readonly mouldId: string; readonly count: number }[]
}

/** Every kind of mould that a batch fills with how many of it, each kind once, the first as wished first. */
export function mouldsOfBatch({ mouldId, mouldCount, moreMoulds = [] }: FillsMoulds): ReadonlyMap<string, number> {
  const counts = new Map([[mouldId, mouldCount]])
  for (const more of moreMoulds) counts.set(more.mouldId, (counts.get(more.mouldId) ?? 0) + more.count)
  return counts
}

/** Bars of one mould; undefined where it cannot be filled or cut: one bad mould does not take the calendar with it. */
function barsOrNone(mould: Mould & BarCut): number | undefined {
  try {
    return barsOfMould(mould).bars
  } catch (error) {
    if (error instanceof RangeError) return undefined
    throw error
  }
}

/**
 * Bars that the moulds of a batch give when they are filled; undefined where one of them is not known, or cannot be
 * filled or cut.
 *
 * @param moulds by id
 * @param barThicknessMm how thick the bars are cut, mm. @default as each mould is usually cut
 */
export function barsOfBatch(
  batch: FillsMoulds,
  moulds: ReadonlyMap<string, Mould & BarCut>,
  barThicknessMm?: number,
): number | undefined {
  let bars = 0
  for (const [id, count] of mouldsOfBatch(batch)) {
    const mould = moulds.get(id)
    const each = mould && barsOrNone(barThicknessMm === undefined ? mould : { ...mould, barThicknessMm })
    if (each === undefined) return undefined
    bars += count * each
  }
  return bars
}
