/** A loaf that waits for the knife. */
export interface LoafToCut {
  readonly lotCode: string
  readonly batchId: string
  readonly mouldName: string
}

/** Loaves of one batch in one kind of mould, which are taken out and cut alike. */
export interface CuttingGroup<T extends LoafToCut> {
  readonly batchId: string
  readonly mouldName: string
  readonly loaves: readonly T[]
}

/** As a reader orders names: shelf 2 before shelf 10. */
export const inOrderOfNames = (a: string, b: string): number => a.localeCompare(b, 'en', { numeric: true })

/**
 * Loaves in the order in which they are unmoulded and cut: mould by mould, so that splitter and cutter are set once for
 * each; in a mould batch by batch, the loaves of a batch together.
 */
export function cuttingRound<T extends LoafToCut>(loaves: readonly T[]): readonly CuttingGroup<T>[] {
  const groups = new Map<string, T[]>()
  const ordered = [...loaves].sort(
    (a, b) => inOrderOfNames(a.mouldName, b.mouldName) || inOrderOfNames(a.lotCode, b.lotCode),
  )
  for (const loaf of ordered) {
    const key = JSON.stringify([loaf.mouldName, loaf.batchId])
    groups.set(key, [...(groups.get(key) ?? []), loaf])
  }
  return [...groups.values()].map((own) => ({
    batchId: own[0]!.batchId,
    mouldName: own[0]!.mouldName,
    loaves: own,
  }))
}

/** What a cut gave, as far as twins are compared. */
export interface TwinCut {
  readonly bars: number
  readonly firstBarG: number
}

/** First bars of loaves of one batch lie as close as this to each other, as a share of them: batter is shared by eye. An estimate. */
export const twinSpread = 0.06

/** In what a cut differs from that of the loaves beside it: bars fewer or more than most of them, and a first bar off theirs. */
export function differsFromTwins(
  cut: TwinCut,
  twins: readonly TwinCut[],
): { readonly bars: number; readonly isMassOff: boolean } {
  if (twins.length === 0) return { bars: 0, isMassOff: false }
  const counts = twins.map(({ bars }) => bars).sort((a, b) => a - b)
  const masses = twins.map(({ firstBarG }) => firstBarG).sort((a, b) => a - b)
  const middle = (sorted: readonly number[]): number => sorted[Math.floor(sorted.length / 2)]!
  return {
    bars: cut.bars - middle(counts),
    isMassOff: Math.abs(cut.firstBarG / middle(masses) - 1) > twinSpread,
  }
}
