import type { Day } from '../../calendar'
import { daysBetween } from '../../calendar'
import type { ReleaseSales } from './salesResult'

/** Bars of a release that were sold through one channel on a day. */
export interface LedgerSale {
  readonly day: Day
  readonly bars: number
}

/** One release of a soap through one channel, as the ledger has it. */
export interface LedgerRelease {
  readonly channel: string
  /** When it came out; what was sold before went to early moments. */
  readonly releaseDay: Day
  /** Set aside for the channel, what came back left out. */
  readonly offered: number
  readonly sales: readonly LedgerSale[]
}

const week = 7

/**
 * A release as its demand is learned from: what had gone by the end of each week on sale. It is on sale from its first
 * sale or its release, whichever was first; until it sold out, or until today.
 *
 * @returns undefined where it has not been on sale for a day yet, or nothing was offered
 */
export function releaseOfLedger(
  { channel, releaseDay, offered, sales }: LedgerRelease,
  today: Day,
): ReleaseSales | undefined {
  const ordered = [...sales].sort((a, b) => a.day.localeCompare(b.day))
  const from = ordered[0] && ordered[0].day < releaseDay ? ordered[0].day : releaseDay
  const sold = ordered.reduce((sum, { bars }) => sum + bars, 0)
  const isSoldOut = sold >= offered
  const lastDay = ordered.at(-1)?.day ?? today
  // A day on sale is over at its end.
  const days = daysBetween(from, isSoldOut ? lastDay : today) + 1
  if (offered <= 0 || days < 1 || from > today) return undefined
  const ends = [...Array.from({ length: Math.floor((days - 1) / week) }, (_, at) => (at + 1) * week), days]
  return {
    channel,
    offered,
    isSoldOut,
    soldBy: ends.map((day) => ({
      day,
      bars: ordered.reduce((sum, one) => (daysBetween(from, one.day) < day ? sum + one.bars : sum), 0),
    })),
  }
}
