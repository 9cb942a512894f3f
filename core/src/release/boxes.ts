/** A subscriber as far as the monthly box goes. */
export interface Subscriber {
  readonly name: string
  readonly address: string
  readonly wish: string
  readonly monthlyBars: number
  readonly isPaused: boolean
}

/** Who gets how many bars of an order that is for several. */
export interface Recipient {
  readonly who: string
  readonly address: string
  readonly wish: string
  readonly bars: number
}

/** Who is sent a box this month, and how many bars are in it; by name. */
export const boxesOf = (subscribers: readonly Subscriber[]): readonly Recipient[] =>
  subscribers
    .filter(({ isPaused }) => !isPaused)
    .map(({ name, address, wish, monthlyBars }) => ({ who: name, address, wish, bars: monthlyBars }))
    .sort((a, b) => a.who.localeCompare(b.who))

/** Bars of all boxes together. */
export const barsOfBoxes = (recipients: readonly Pick<Recipient, 'bars'>[]): number =>
  recipients.reduce((sum, { bars }) => sum + bars, 0)

/** Some bars at one price. */
export interface PricedBars {
  readonly bars: number
  readonly priceCents: number
}

/**
 * What each of some bars of an order comes to when its price is shared over all of them: whole cents, which add up to the
 * price once all are sent. The first ones carry what does not divide.
 *
 * @param totalCents price of all bars, whole cents from 0
 * @param allBars bars that the price is for, from 1
 * @param sentBefore bars of them that have a price already, from 0
 * @param bars bars to price now; those beyond `allBars` cost nothing more
 * @throws {RangeError} if a number is not whole or below its range
 */
export function pricesOfBars(
  totalCents: number,
  allBars: number,
  sentBefore: number,
  bars: number,
): readonly PricedBars[] {
  const isWhole = [totalCents, allBars - 1, sentBefore, bars].every((one) => Number.isInteger(one) && one >= 0)
  if (!isWhole) throw new RangeError(`Expected whole numbers, got ${totalCents}, ${allBars}, ${sentBefore}, ${bars}`)
  const each = Math.floor(totalCents / allBars)
  const dearer = totalCents - each * allBars
  const upTo = (end: number, start: number): number => Math.max(0, Math.min(end, sentBefore + bars) - start)
  const first = upTo(dearer, Math.min(sentBefore, dearer))
  const rest = upTo(allBars, Math.max(sentBefore, dearer))
  return [
    { bars: first, priceCents: each + 1 },
    { bars: rest, priceCents: each },
    { bars: bars - first - rest, priceCents: 0 },
  ].filter((some) => some.bars > 0)
}
