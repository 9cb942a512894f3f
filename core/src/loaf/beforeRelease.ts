import type { Day } from '../calendar'
import { dayInZone, instantOf } from '../calendar'
import type { SaleChannel } from './loafEvents'

/** A moment before the release from which some may buy already, on the clock of the release's zone. */
export interface EarlyMoment {
  /** Who they are; of shops and stalls the name of one, or the channel for all of them. */
  readonly audience: string
  readonly local: string
  /** Through which channel they buy. @default that of their audience, see {@link channelOfMoment} */
  readonly channel?: SaleChannel | undefined
  /** So many bars, of all soaps together, and no more: with the last of them the moment is over. @default no limit */
  readonly bars?: number | null | undefined
}

/** When a collection comes out, and who may buy before; wall times in one zone. */
export interface ReleaseTimes {
  readonly releaseLocal: string
  readonly releaseZone: string
  readonly early: readonly EarlyMoment[]
}

/** Through which channel those of a moment buy: the mailing list gets the address of the web shop. */
export const channelOfMoment = ({ audience, channel }: EarlyMoment): SaleChannel =>
  channel ?? (audience === 'Subscribers' ? 'Subscribers' : 'Web')

/** Channels that no release opens: an order is its client’s, and a sample is nobody’s. */
const withoutRelease: readonly SaleChannel[] = ['Orders', 'Kept']
/** Channels of which a moment may name one seller. */
const withNames: readonly SaleChannel[] = ['Shops', 'Stalls']

/** Whether a moment is for a sale: by its channel, and where it names a shop or a stall by that. */
const isFor = (moment: EarlyMoment, { channel, buyer }: { readonly channel: SaleChannel; readonly buyer: string }) =>
  channelOfMoment(moment) === channel &&
  (!withNames.includes(channel) || moment.audience === channel || moment.audience === buyer)

/** Bars of a moment that are left, by what was sold in it; null: it has no limit. */
export const leftOfMoment = ({ bars }: Pick<EarlyMoment, 'bars'>, soldBars: number): number | null =>
  bars === null || bars === undefined ? null : Math.max(0, bars - soldBars)

/**
 * Whether bars are sold before their collection is out for the channel that sells them; early moments count, as long as
 * there are bars left of them. Of a sale on the day itself only one of today tells its time.
 *
 * @param sale with the bars that were sold through its channel, or to its shop or stall, before it
 * @param now the moment at which it is told, ISO 8601
 * @throws {RangeError} if a time or a zone is not valid
 */
export function isBeforeRelease(
  { releaseLocal, releaseZone, early }: ReleaseTimes,
  sale: {
    readonly channel: SaleChannel
    readonly day: Day
    readonly buyer: string
    readonly bars: number
    readonly soldBars: number
  },
  { now, today, zone }: { readonly now: string; readonly today: Day; readonly zone: string },
): boolean {
  if (withoutRelease.includes(sale.channel)) return false
  const isStillShut = (local: string): boolean => {
    const opens = dayInZone(local, releaseZone, zone)
    if (sale.day !== opens) return sale.day < opens
    return sale.day === today && now < instantOf(local, releaseZone)
  }
  if (!isStillShut(releaseLocal)) return false
  const open = early.filter((moment) => isFor(moment, sale) && !isStillShut(moment.local))
  if (open.some((moment) => leftOfMoment(moment, 0) === null)) return false
  return open.reduce((sum, { bars }) => sum + (bars ?? 0), 0) < sale.soldBars + sale.bars
}
