import { expect } from 'chai'
import fc from 'fast-check'
import type { LoafEvent, TakerEvent } from '../../src/loaf'
import { checkLoafEvent, loafState, saleChannels, takersOf, unsoldBars } from '../../src/loaf'

const day = '2027-04-12'
const begun: readonly LoafEvent[] = [
  { type: 'poured', day: '2027-03-08', batterG: 1500 },
  { type: 'cut', day: '2027-03-10', bars: 12, ends: 0, firstBarG: 119, bevelled: false },
  { type: 'released', day, bars: 12, ph: 9.5, lookIsSound: true, labelIsComplete: true },
]
const given = (who: string, bars: number, orderId: string | null = null): TakerEvent => ({
  type: 'allotted',
  day,
  allotmentId: who,
  bars,
  channel: 'Shops',
  who,
  orderId,
})
const sold = (buyer: string, bars: number, orderId?: string): TakerEvent => ({
  type: 'sold',
  day,
  saleId: `${buyer}${bars}`,
  bars,
  channel: 'Shops',
  buyer,
  priceCents: null,
  ...(orderId === undefined ? {} : { orderId }),
})
const back = (bars: number, who?: string): TakerEvent => ({
  type: 'given_back',
  day,
  bars,
  channel: 'Shops',
  reason: '',
  ...(who === undefined ? {} : { who }),
})
const told = (events: readonly TakerEvent[]) =>
  takersOf(loafState([...begun, ...events]), events).map(
    ({ who, orderId, aside, sold: gone }) => `${who}${orderId === null ? '' : ` (${orderId})`}: ${aside}, ${gone} sold`,
  )

describe('who has what of a loaf', () => {
  it('is told by name, with what was sold and came back', () => {
    expect(told([given('Quay', 6), given('Lamp', 4), sold('Quay', 2), back(3, 'Quay')])).to.deep.equal([
      'Quay: 1, 2 sold',
      'Lamp: 4, 0 sold',
    ])
  })

  it('keeps orders of one client apart', () => {
    expect(told([given('Inn', 3, 'a'), given('Inn', 2, 'b'), sold('Inn', 3, 'a')])).to.deep.equal([
      'Inn (a): 0, 3 sold',
      'Inn (b): 2, 0 sold',
    ])
  })

  it('lets nobody have bars that are gone without a name', () => {
    expect(told([given('Quay', 6), given('Lamp', 4), back(8)])).to.deep.equal(['Lamp: 2, 0 sold'])
    expect(told([given('Quay', 6), sold('Somebody', 5)])).to.deep.equal(['Quay: 1, 0 sold', 'Somebody: 0, 5 sold'])
  })

  it('never comes to more bars than are set aside', () => {
    const names = fc.constantFrom('Quay', 'Lamp', '')
    const bars = fc.integer({ min: 1, max: 6 })
    const event = fc.oneof(
      fc.tuple(names, bars).map(([who, count]) => given(who, count)),
      fc.tuple(names, bars).map(([who, count]) => sold(who, count)),
      fc.tuple(fc.option(names, { nil: undefined }), bars).map(([who, count]) => back(count, who)),
    )
    fc.assert(
      fc.property(fc.array(event, { maxLength: 20 }), (wished) => {
        const events: TakerEvent[] = []
        for (const one of wished)
          if (checkLoafEvent(loafState([...begun, ...events]), one, day).length === 0) events.push(one)
        const state = loafState([...begun, ...events])
        const takers = takersOf(state, events)
        for (const channel of saleChannels) {
          const own = takers.filter((taker) => taker.channel === channel)
          const aside = own.reduce((sum, taker) => sum + taker.aside, 0)
          expect(aside).to.be.at.most(unsoldBars(state, channel))
          for (const taker of own) expect(taker.aside).to.be.at.least(0)
        }
      }),
    )
  })
})
