import type { PourPart } from './designYield'

/** A soap that is poured in several, by what each of its loaves gives. */
export interface SplitWish {
  readonly mouldId: string
  /** Moulds of the kind that the workshop has: so many loaves one pour fills at the most. */
  readonly mouldsAtHand: number
  readonly barsWanted: number
  /** Bars that one mould gives at this cut. */
  readonly barsPerLoaf: number
  readonly barThicknessMm: number
}

/**
 * Splits the bars wanted into pours: as few as the moulds at hand allow, each as full as the next but for one loaf, the
 * fuller first. Five loaves in two moulds are 2, 2 and 1; four loaves in three are 2 and 2.
 *
 * @returns none where no bars are wanted
 * @throws {RangeError} if a loaf gives no bar, there is no mould, or a count is no whole number
 */
export function pourParts(wish: SplitWish): readonly PourPart[] {
  const { mouldId, mouldsAtHand, barsWanted, barsPerLoaf, barThicknessMm } = wish
  for (const [name, value, least] of [
    ['mouldsAtHand', mouldsAtHand, 1],
    ['barsPerLoaf', barsPerLoaf, 1],
    ['barsWanted', barsWanted, 0],
  ] as const)
    if (!Number.isInteger(value) || value < least)
      throw new RangeError(`Expected ${name} to be a whole number from ${least}, got ${value}`)
  const loaves = Math.ceil(barsWanted / barsPerLoaf)
  const pours = Math.ceil(loaves / mouldsAtHand)
  let left = barsWanted
  return Array.from({ length: pours }, (_, at) => {
    const mouldCount = Math.floor(loaves / pours) + (at < loaves % pours ? 1 : 0)
    const bars = Math.min(left, mouldCount * barsPerLoaf)
    left -= bars
    return { mouldId, mouldCount, barsWanted: bars, barThicknessMm }
  })
}
