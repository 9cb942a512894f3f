import type { Day } from '../calendar'
import { dayInZone, instantOf } from '../calendar'
import type { SaleChannel } from './loafEvents'

/** When a collection comes out, and who may buy before; wall times in one zone. */
export interface ReleaseTimes {
  readonly releaseLocal: string
  readonly releaseZone: string
  readonly early: readonly { readonly audience: string; readonly local: string }[]
}

/** Through which channel those buy that may buy early: the mailing list gets the address of the web shop. */
const channelOfAudience: Readonly<Record<string, SaleChannel>> = { Subscribers: 'Subscribers', 'Mailing list': 'Web' }
/** Channels that no release opens: an order is its client’s, and a sample is nobody’s. */
const withoutRelease: readonly SaleChannel[] = ['Orders', 'Kept']

/**
 * Whether bars are sold before their collection is out for the channel that sells them; early moments count. Of a sale
 * on the day itself only one of today tells its time.
 *
 * @param now the moment at which it is told, ISO 8601
 * @throws {RangeError} if a time or a zone is not valid
 */
export function isBeforeRelease(
  { releaseLocal, releaseZone, early }: ReleaseTimes,
  sale: { readonly channel: SaleChannel; readonly day: Day },
  { now, today, zone }: { readonly now: string; readonly today: Day; readonly zone: string },
): boolean {
  if (withoutRelease.includes(sale.channel)) return false
  const locals = early.flatMap(({ audience, local }) => (channelOfAudience[audience] === sale.channel ? [local] : []))
  return [releaseLocal, ...locals].every((local) => {
    const opens = dayInZone(local, releaseZone, zone)
    if (sale.day !== opens) return sale.day < opens
    return sale.day === today && now < instantOf(local, releaseZone)
  })
}
