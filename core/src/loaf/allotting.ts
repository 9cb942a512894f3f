import type { LoafState } from './loafState'
import { freeBars, unsoldBars } from './loafState'

/** A loaf as far as its bars can be given out. */
export interface GivenOut {
  readonly id: string
  readonly lotCode: string
  readonly state: LoafState
}

/** Bars of some loaves that may still be allotted. */
export const freeBarsOf = (loaves: readonly Pick<GivenOut, 'state'>[]): number =>
  loaves.reduce((sum, { state }) => sum + freeBars(state), 0)

/** What the web shop was given of a soap, and what of it is in the records as sold; bars. */
export interface InShop {
  readonly offered: number
  /** Reported by the shop and taken over. */
  readonly reported: number
}

/** Bars of some loaves that were set aside for the web, less those that the shop has: what it sold and did not report is gone. */
export function barsToOffer(loaves: readonly Pick<GivenOut, 'state'>[], offer: InShop | undefined): number {
  const aside = loaves.reduce((sum, { state }) => sum + unsoldBars(state, 'Web'), 0)
  return aside - ((offer?.offered ?? 0) - (offer?.reported ?? 0))
}

/**
 * From which loaves so many bars are taken: the one released first first, then by lot code. Undefined where there are
 * not enough.
 *
 * @throws {RangeError} if the number is not a whole one from 1
 */
export function allot<T extends GivenOut>(
  loaves: readonly T[],
  bars: number,
): readonly { readonly loaf: T; readonly bars: number }[] | undefined {
  if (!Number.isInteger(bars) || bars < 1) throw new RangeError(`Expected a whole number of bars from 1, got ${bars}`)
  const order = ({ state, lotCode }: T): string => `${state.release?.day ?? '9999-12-31'} ${lotCode}`
  let left = bars
  const taken = [...loaves]
    .sort((a, b) => (order(a) < order(b) ? -1 : 1))
    .flatMap((loaf) => {
      const some = Math.min(left, freeBars(loaf.state))
      left -= some
      return some > 0 ? [{ loaf, bars: some }] : []
    })
  return left === 0 ? taken : undefined
}
