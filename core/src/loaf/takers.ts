import type { LoafEvent, SaleChannel } from './loafEvents'
import type { LoafState } from './loafState'
import { unsoldBars } from './loafState'

/** What somebody has of a loaf, or had; bars. */
export interface TakerBars {
  readonly who: string
  readonly channel: SaleChannel
  /** The order it is for. */
  readonly orderId: string | null
  /** Set aside, and neither sold nor given back. */
  readonly aside: number
  readonly sold: number
}

/** What of a loaf's record says whose bars are whose. */
export type TakerEvent = Extract<LoafEvent, { type: 'allotted' | 'sold' | 'given_back' }>

/**
 * Whose bars of a loaf are whose, by who got them, through which channel and for which order. What was sold to somebody
 * for whom nothing was set aside, or came back without a name, is taken off those who were given theirs first: nobody is
 * told to have bars that are gone.
 */
export function takersOf(state: LoafState, events: readonly TakerEvent[]): readonly TakerBars[] {
  const takers = new Map<string, TakerBars>()
  const keyOf = (channel: SaleChannel, who: string, orderId: string | null): string =>
    JSON.stringify([channel, who, orderId])
  const add = (event: TakerEvent, who: string, more: { readonly aside: number; readonly sold: number }): void => {
    const orderId = event.orderId ?? null
    const key = keyOf(event.channel, who, orderId)
    const before = takers.get(key) ?? { who, channel: event.channel, orderId, aside: 0, sold: 0 }
    takers.set(key, { ...before, aside: before.aside + more.aside, sold: before.sold + more.sold })
  }
  for (const event of events) {
    if (event.type === 'allotted') add(event, event.who, { aside: event.bars, sold: 0 })
    else if (event.type === 'sold') add(event, event.buyer, { aside: -event.bars, sold: event.bars })
    else add(event, event.who ?? '', { aside: -event.bars, sold: 0 })
  }
  // What goes below nothing for one was another's.
  const left = new Map<SaleChannel, number>()
  return [...takers.values()]
    .reverse()
    .map((taker) => {
      const there = left.get(taker.channel) ?? unsoldBars(state, taker.channel)
      const aside = Math.max(0, Math.min(taker.aside, there))
      left.set(taker.channel, there - aside)
      return { ...taker, aside }
    })
    .reverse()
    .filter(({ aside, sold }) => aside > 0 || sold > 0)
}
