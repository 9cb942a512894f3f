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

/**
 * Bars that the moulds of a batch give when they are filled; undefined where one of them is not known.
 *
 * @param moulds by id
 * @param barThicknessMm how thick the bars are cut, mm. @default as each mould is usually cut
 * @throws {RangeError} if a mould or its cut is out of range
 */
export function barsOfBatch(
  batch: FillsMoulds,
  moulds: ReadonlyMap<string, Mould & BarCut>,
  barThicknessMm?: number,
): number | undefined {
  let bars = 0
  for (const [id, count] of mouldsOfBatch(batch)) {
    const mould = moulds.get(id)
    if (!mould) return undefined
    bars += count * barsOfMould(barThicknessMm === undefined ? mould : { ...mould, barThicknessMm }).bars
  }
  return bars
}
