/** Bars of a line-up against what its channels want. */
export interface BarsAgainstChannels {
  readonly wanted: number
  readonly given: number
  /** That the channels want and the line-up does not give; 0 where there are enough. */
  readonly missing: number
}

/** @param given the bars that each soap of the line-up gives */
export function barsAgainstChannels(
  channels: readonly { readonly bars: number }[],
  given: readonly number[],
): BarsAgainstChannels {
  const wanted = channels.reduce((sum, { bars }) => sum + bars, 0)
  const all = given.reduce((sum, bars) => sum + bars, 0)
  return { wanted, given: all, missing: Math.max(0, wanted - all) }
}
