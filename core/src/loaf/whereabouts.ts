import type { Day } from '../calendar'
import type { LoafEvent, SaleChannel } from './loafEvents'
import type { LoafState } from './loafState'
import { unsoldBars } from './loafState'

/** Bars of a loaf that went one way, and whose they are. */
export interface Whereabouts {
  readonly day: Day
  readonly channel: SaleChannel
  readonly who: string
  readonly bars: number
  readonly isSold: boolean
}

/** What of a loaf's record says where its bars went. */
export type GoneOut = Extract<LoafEvent, { type: 'allotted' | 'sold' }>

/** Where bars of a loaf are: each sale with its buyer, and by channel what is set aside and not sold. */
export function whereabouts(state: LoafState, events: readonly GoneOut[]): readonly Whereabouts[] {
  const sold = events.flatMap((event): readonly Whereabouts[] =>
    event.type === 'sold'
      ? [{ day: event.day, channel: event.channel, who: event.buyer, bars: event.bars, isSold: true }]
      : [],
  )
  const aside = state.channels.flatMap(({ channel }): readonly Whereabouts[] => {
    const bars = unsoldBars(state, channel)
    const given = events.filter((event) => event.type === 'allotted' && event.channel === channel)
    const last = given.at(-1)
    if (bars <= 0 || !last) return []
    const who = given.flatMap((event) => (event.type === 'allotted' && event.who !== '' ? [event.who] : []))
    return [{ day: last.day, channel, who: who.join(', '), bars, isSold: false }]
  })
  return [...sold, ...aside]
}

/** What of some loaves is with buyers, and what can still be kept back. */
export interface OutAndIn {
  readonly soldBars: number
  readonly buyers: number
  readonly freeBars: number
}

/** Adds up where the bars of some loaves are. A buyer who is known by the same name is counted once. */
export function outAndIn(
  loaves: readonly { readonly free: number; readonly whereabouts: readonly Whereabouts[] }[],
): OutAndIn {
  const sold = loaves.flatMap((loaf) => loaf.whereabouts.filter(({ isSold }) => isSold))
  return {
    soldBars: sold.reduce((sum, { bars }) => sum + bars, 0),
    buyers: new Set(sold.map(({ who }) => who)).size,
    freeBars: loaves.reduce((sum, { free }) => sum + free, 0),
  }
}
