import { expect } from 'chai'
import fc from 'fast-check'
import type { GoneOut, LoafEvent } from '../../src/loaf'
import {
  allot,
  barsToOffer,
  checkLoafEvent,
  freeBars,
  isDoneWith,
  keptBars,
  loafState,
  outAndIn,
  unreleasedBars,
  unsoldBars,
  whereabouts,
  saleChannels,
} from '../../src/loaf'

const day = '2027-04-12'
const cut: LoafEvent = { type: 'cut', day: '2027-03-10', bars: 10, ends: 2, firstBarG: 119, bevelled: false }
const release = (bars: number): LoafEvent => ({
  type: 'released',
  day,
  bars,
  ph: 9.5,
  lookIsSound: true,
  labelIsComplete: true,
})
const allotted = (bars: number): LoafEvent => ({
  type: 'allotted',
  day,
  allotmentId: 'a',
  bars,
  channel: 'Web',
  who: '',
  orderId: null,
})
const sold = (bars: number): LoafEvent => ({
  type: 'sold',
  day,
  saleId: 's',
  bars,
  channel: 'Web',
  buyer: '',
  priceCents: null,
})
const codes = (story: readonly LoafEvent[], next: LoafEvent) =>
  checkLoafEvent(loafState([cut, ...story]), next, day).map(({ code }) => code)

describe('the channels of a sale', () => {
  it('are called in every record as they always were: a name that is stored is not renamed', () => {
    expect(saleChannels).to.deep.equal(['Web', 'Stalls', 'Shops', 'Subscribers', 'Orders', 'Kept'])
  })
})

describe('a released loaf', () => {
  it('goes out bar by bar until nothing is left', () => {
    const story = [cut, release(6), allotted(6), sold(4), release(4), allotted(4), sold(6)]
    const free = story.map((_, at) => freeBars(loafState(story.slice(0, at + 1))))
    expect(free).to.deep.equal([0, 6, 0, 0, 4, 0, 0])
    expect(isDoneWith(loafState(story.slice(0, -1)))).to.equal(false)
    expect(isDoneWith(loafState(story))).to.equal(true)
  })

  it('is done with when what is not kept is sold', () => {
    const kept: LoafEvent = { ...allotted(2), channel: 'Kept' } as LoafEvent
    const story = [cut, release(10), allotted(8), kept]
    expect(keptBars(loafState(story))).to.equal(2)
    expect(isDoneWith(loafState(story))).to.equal(false)
    expect(isDoneWith(loafState([...story, sold(8)]))).to.equal(true)
  })

  it('never gives more than it has', () => {
    expect(codes([release(6)], allotted(7))).to.deep.equal(['not_enough_bars'])
    expect(codes([release(6), allotted(3)], sold(4))).to.deep.equal(['not_allotted'])
    expect(codes([release(6)], release(5))).to.deep.equal(['more_than_unreleased'])
    expect(codes([release(6), { type: 'recalled', day, reason: 'x' }], allotted(1))).to.deep.equal(['loaf_is_recalled'])
    expect(codes([release(6)], { type: 'downgraded', day, bars: 7, to: 'scrap', reason: 'x' })).to.deep.equal([
      'more_than_there_are',
    ])
    const back: LoafEvent = { type: 'given_back', day, bars: 2, channel: 'Web', reason: '' }
    expect(unsoldBars(loafState([cut, release(6), allotted(3), back]), 'Web')).to.equal(1)
  })

  it('counts what was taken out before its release neither as released nor as still to go', () => {
    const down: LoafEvent = { type: 'downgraded', day, bars: 3, to: 'samples', reason: 'chipped' }
    expect(codes([down], release(8))).to.deep.equal(['more_than_cut'])
    const state = loafState([cut, down, release(7)])
    expect([freeBars(state), unreleasedBars(state)]).to.deep.equal([7, 0])
    const later = loafState([cut, release(7), down])
    expect([freeBars(later), unreleasedBars(later)]).to.deep.equal([4, 3])
  })

  it('tells where its bars are, those given back left out', () => {
    const back: LoafEvent = { type: 'given_back', day, bars: 2, channel: 'Web', reason: '' }
    const gone = [allotted(6), { ...sold(1), buyer: 'A. Buyer' }] as readonly GoneOut[]
    expect(whereabouts(loafState([cut, release(10), ...gone, back]), gone)).to.deep.equal([
      { day, channel: 'Web', who: 'A. Buyer', bars: 1, isSold: true },
      { day, channel: 'Web', who: '', bars: 3, isSold: false },
    ])
  })

  it('asks again where a bar became heavier, unless the maker is sure', () => {
    const weigh = (barG: number, isSure?: boolean): LoafEvent => ({ type: 'weighed', day, barG, isSure })
    expect(codes([], weigh(124))).to.deep.equal(['heavier_than_before'])
    expect(codes([], weigh(124, true))).to.deep.equal([])
    expect(codes([], weigh(119.9))).to.deep.equal([])
  })

  it('keeps its scrap by colour, and gives no more of it than there is', () => {
    const scrap: LoafEvent = { type: 'scrapped', day, massG: 80, colour: 'amber', hex: '#D99A3C' }
    const use = (massG: number): LoafEvent => ({ type: 'scrap_used', day, massG, colour: 'amber', use: 'confetti' })
    expect(loafState([cut, scrap, scrap, use(100)]).scrap).to.deep.equal([
      { colour: 'amber', hex: '#D99A3C', massG: 60 },
    ])
    expect(loafState([cut, scrap, use(80)]).scrap).to.deep.equal([])
    expect(codes([scrap], use(81))).to.deep.equal(['scrap_is_gone'])
  })

  it('opens and closes faults', () => {
    const found: LoafEvent = { type: 'fault_found', day, fault: 'ash', text: '' }
    const closed: LoafEvent = { type: 'fault_closed', day, fault: 'ash', text: 'planed' }
    expect(loafState([cut, found, found]).openFaults).to.deep.equal(['ash'])
    expect(loafState([cut, found, closed]).openFaults).to.deep.equal([])
    expect(loafState([cut, found, closed, found]).foundFaults).to.deep.equal(['ash'])
    expect(codes([], closed)).to.deep.equal(['fault_is_not_open'])
  })
})

describe('what a loaf can hold', () => {
  const poured: LoafEvent = { type: 'poured', day: '2027-03-08', batterG: 1208 }
  const unmoulded: LoafEvent = { type: 'unmoulded', day: '2027-03-10' }
  const codesAfter = (story: readonly LoafEvent[], next: LoafEvent) =>
    checkLoafEvent(loafState(story), next, '2027-06-01').map(({ code }) => code)
  const scrapped = (massG: number): LoafEvent => ({ type: 'scrapped', day, massG, colour: 'amber', hex: '#D99A3C' })

  it('bounds bars, ends and other pieces together by its batter', () => {
    const pieces = (count: number): LoafEvent => ({ ...cut, others: [{ name: 'Guest', count }] }) as LoafEvent
    expect(codesAfter([poured, unmoulded], pieces(12))).to.deep.equal([])
    expect(codesAfter([poured, unmoulded], pieces(50))).to.deep.equal(['pieces_outweigh_loaf'])
    expect(codesAfter([poured, unmoulded], { ...cut, bars: 11 } as LoafEvent)).to.deep.equal(['bars_outweigh_loaf'])
  })

  it('bounds scrap beside the bars, and scrap that came off them by the batter alone', () => {
    const story = [poured, unmoulded, cut]
    expect(codesAfter(story, scrapped(30))).to.deep.equal([])
    expect(codesAfter(story, scrapped(60))).to.deep.equal(['scrap_beside_bars'])
    const finished: LoafEvent = { type: 'finished', day, finish: 'bevelled', bars: 10, minutes: 10, removedG: 60 }
    expect(codesAfter([...story, finished], scrapped(60))).to.deep.equal([])
    expect(codesAfter([...story, finished], scrapped(1300))).to.deep.equal(['scrap_outweighs_loaf'])
  })

  it('lets nothing of a cut or a released loaf be told of a day before', () => {
    const story = [poured, unmoulded, cut]
    const early = { day: '2027-03-09' }
    expect(codesAfter(story, { ...release(5), ...early } as LoafEvent)).to.deep.equal(['day_before_cause'])
    expect(codesAfter(story, { ...scrapped(5), ...early } as LoafEvent)).to.deep.equal(['day_before_cause'])
    expect(codesAfter([...story, release(5)], { type: 'amended', ...early, subject: 'a', text: 'b' })).to.deep.equal([
      'day_before_cause',
    ])
    const recalled: LoafEvent = { type: 'recalled', day, reason: 'Lye heavy' }
    expect(codesAfter([...story, release(5), allotted(3), recalled], sold(1))).to.deep.equal(['loaf_is_recalled'])
  })
})

describe('outAndIn', () => {
  it('counts each buyer once, and what is set aside as neither', () => {
    const one = { day, channel: 'Web' as const, bars: 2, isSold: true }
    const loaves = [
      {
        free: 3,
        whereabouts: [
          { ...one, who: 'Ana' },
          { ...one, who: 'Rui' },
        ],
      },
      {
        free: 0,
        whereabouts: [
          { ...one, who: 'Ana' },
          { ...one, who: 'the stall', isSold: false },
        ],
      },
    ]
    expect(outAndIn(loaves)).to.deep.equal({ soldBars: 6, buyers: 2, freeBars: 3 })
    expect(outAndIn([])).to.deep.equal({ soldBars: 0, buyers: 0, freeBars: 0 })
  })
})

describe('barsToOffer', () => {
  const web = (bars: number, soldBars = 0): { state: ReturnType<typeof loafState> } => ({
    state: loafState([cut, release(8), allotted(bars), ...(soldBars > 0 ? [sold(soldBars)] : [])]),
  })

  it('is what was set aside for the web, less what the shop was given and has not reported as sold', () => {
    expect(barsToOffer([web(5, 1), web(3)], undefined)).to.equal(7)
    // Six are offered and one sale is in the records: five of the seven are in the shop, sold there or not.
    expect(barsToOffer([web(5, 1), web(3)], { offered: 6, reported: 1 })).to.equal(2)
    expect(barsToOffer([web(4)], { offered: 4, reported: 0 })).to.equal(0)
    expect(barsToOffer([], undefined)).to.equal(0)
  })
})

describe('allot', () => {
  const someLoaves = fc.array(
    fc.record({ bars: fc.integer({ min: 0, max: 12 }), day: fc.integer({ min: 10, max: 28 }) }),
    {
      maxLength: 8,
    },
  )
  it('takes exactly as many as are asked for, of the ones released first, or none', () => {
    fc.assert(
      fc.property(someLoaves, fc.integer({ min: 1, max: 60 }), (made, bars) => {
        const loaves = made.map((one, at) => ({
          id: String(at),
          lotCode: String(at),
          state: loafState([cut, { ...release(one.bars), day: `2027-04-${one.day}` }]),
        }))
        const free = made.reduce((sum, one) => sum + one.bars, 0)
        const taken = allot(loaves, bars)
        expect(taken === undefined).to.equal(free < bars)
        if (!taken) return
        expect(taken.reduce((sum, one) => sum + one.bars, 0)).to.equal(bars)
        // All that was released before the last loaf touched is gone.
        const days = taken.map(({ loaf }) => loaf.state.release?.day ?? '')
        expect(days).to.deep.equal([...days].sort())
        taken.slice(0, -1).forEach(({ loaf, bars: some }) => expect(some).to.equal(freeBars(loaf.state)))
      }),
    )
  })

  it('throws on what is no number of bars', () => {
    expect(() => allot([], 0)).to.throw('whole number of bars from 1')
  })
})
