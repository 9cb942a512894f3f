/** How one soap sold through one channel after one release, as its maker wrote it down. */
export interface SalesResult {
  readonly channel: string
  readonly offered: number
  readonly sold: number
  /** Days until it was sold out, or on sale when it was not. */
  readonly days: number
}

/** How one soap sold through one channel after one release, as far as it is known. */
export interface ReleaseSales {
  readonly channel: string
  readonly offered: number
  /** Bars that had gone by the end of so many days on sale, in their order; early moments count from when they began. */
  readonly soldBy: readonly { readonly day: number; readonly bars: number }[]
  /** Whether none was left at the last of these days: more would have gone. */
  readonly isSoldOut: boolean
}

/** A result that was written down by hand: all of it is known at its end alone. */
export const releaseOfResult = ({ channel, offered, sold, days }: SalesResult): ReleaseSales => ({
  channel,
  offered,
  soldBy: [{ day: days, bars: sold }],
  isSoldOut: sold >= offered,
})
