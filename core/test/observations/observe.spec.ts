import { expect } from 'chai'
import type { LoafEvent } from '../../src/loaf'
import { checkLoafEvent, loafState } from '../../src/loaf'
import { barConditions, learnFromBars, observationsOf, seenBars } from '../../src/observations'
import { batterConditions, estimateWorking } from '../../src/pour'
import type { Recipe } from '../../src/recipe'

const recipe: Recipe = {
  fats: [
    { fatKey: 'olive', share: 0.5 },
    { fatKey: 'coconut', share: 0.3 },
    { fatKey: 'shea', share: 0.2 },
  ],
  superfat: 0.05,
  lyeConcentration: 0.33,
  naohPurity: 1,
}
const nothing = { rubs: null, foam: null, feel: null, smell: null, lasted: null } as const
const tried = (day: string, noticed: object): LoafEvent => ({ type: 'tried', day, ...nothing, ...noticed })
const poured: readonly LoafEvent[] = [
  { type: 'poured', day: '2027-01-04', batterG: 1500 },
  { type: 'unmoulded', day: '2027-01-06' },
  { type: 'cut', day: '2027-01-06', bars: 12, ends: 2, firstBarG: 115, bevelled: false },
]
const loafOf = (events: readonly LoafEvent[], batchId = 'one') => ({
  batchId,
  recipeId: 'a',
  recipe,
  state: loafState([...poured, ...events]),
})

describe('seenBars', () => {
  it('tells a clean cut as “by then”, a smeared one as “not yet”', () => {
    const [clean] = seenBars([loafOf([])])
    expect(clean).to.include({ key: 'cuts', atMost: 48, recipeId: 'a' })
    const [soft] = seenBars([loafOf([{ type: 'fault_found', day: '2027-01-06', fault: 'too_soft', text: '' }])])
    expect(soft).to.include({ key: 'cuts', atLeast: 48 })
    expect(soft?.atMost).to.equal(undefined)
  })

  it('takes loaves of one batch that were cut alike once, and those of another batch again', () => {
    expect(seenBars([loafOf([]), loafOf([]), loafOf([], 'two')]).length).to.equal(2)
  })

  it('tells what was noticed of a bar in use, washes by the bar’s own mass', () => {
    const seen = seenBars([
      loafOf([tried('2027-03-01', { rubs: 9, foam: 'rich', feel: 'strips', lasted: { washes: 95, barG: 50 } })]),
    ])
    const of = Object.fromEntries(seen.map((one) => [one.key, one]))
    expect(of['rubs']?.atMost).to.be.closeTo(9.9, 1e-9)
    expect(of['foam']).to.include({ atLeast: 0.24 })
    expect(of['strips']).to.include({ atLeast: 0.25 })
    // 95 washes of 50 g are 190 of 100 g.
    expect(of['lasts']?.atMost).to.be.closeTo(209, 1e-9)
  })

  it('tells how long it kept: sound until the last look, off at the first', () => {
    const keeps = (...events: readonly LoafEvent[]) => seenBars([loafOf(events)]).find(({ key }) => key === 'keeps')
    expect(keeps()).to.equal(undefined)
    const sound = keeps(tried('2027-07-05', { smell: 'sound' }))
    expect(sound?.atLeast).to.be.closeTo(182 / (365.25 / 12), 1e-9)
    expect(sound?.atMost).to.equal(undefined)
    const off = keeps(
      tried('2027-07-05', { smell: 'sound' }),
      tried('2028-01-04', { smell: 'off' }),
      tried('2028-02-04', { smell: 'off' }),
    )
    expect(off?.atMost).to.be.closeTo(365 / (365.25 / 12), 1e-9)
    expect(off?.atLeast).to.be.closeTo(182 / (365.25 / 12), 1e-9)
    expect(keeps({ type: 'fault_found', day: '2027-02-03', fault: 'orange_spots', text: '' })?.atMost).to.be.closeTo(
      30 / (365.25 / 12),
      1e-9,
    )
  })

  it('passes over a loaf whose fat is not known any more', () => {
    const lost = { ...loafOf([]), recipe: { ...recipe, fats: [{ fatKey: 'own:gone', share: 1 }] } }
    expect(seenBars([lost])).to.deep.equal([])
  })
})

describe('a bar that was tried', () => {
  const state = loafState(poured)
  it('goes on record when something was noticed, from the cut on and after the release too', () => {
    expect(checkLoafEvent(state, tried('2027-02-01', { rubs: 4 }), '2027-03-08')).to.deep.equal([])
    const [none] = checkLoafEvent(state, tried('2027-02-01', {}), '2027-03-08')
    expect(none?.code).to.equal('nothing_noticed')
    const [early] = checkLoafEvent(loafState(poured.slice(0, 1)), tried('2027-02-01', { rubs: 4 }), '2027-03-08')
    expect(early?.code).to.equal('event_out_of_order')
    const released = loafState([
      ...poured,
      { type: 'released', day: '2027-02-10', bars: 12, ph: 9, lookIsSound: true, labelIsComplete: true },
    ])
    expect(checkLoafEvent(released, tried('2027-03-01', { smell: 'sound' }), '2027-03-08')).to.deep.equal([])
  })
})

describe('observationsOf', () => {
  const conditions = batterConditions({ recipe, scent: null, colours: [], soapingTemperatureC: 43 })
  const batter = { estimate: estimateWorking(conditions, []), batter: conditions }
  const told = (learned = learnFromBars([])) =>
    Object.fromEntries(observationsOf(barConditions(recipe), 'a', learned, batter).map((one) => [one.key, one]))

  it('tells each in the order of a soap’s life, all of them estimates at first', () => {
    const all = observationsOf(barConditions(recipe), 'a', learnFromBars([]), batter)
    expect(all.map(({ key }) => key)).to.deep.equal(['thin', 'thick', 'cuts', 'foam', 'strips', 'lasts', 'keeps'])
    expect(all.every(({ seen }) => seen === 0)).to.equal(true)
  })

  it('tells hours to two digits, with a band around what is likely', () => {
    const { answer, band } = told()['cuts']!
    const hours = (of: unknown): number => (of as { readonly h: number }).h
    const [low, likely, high] = [band.params?.['low'], answer.params?.['likely'], band.params?.['high']].map(hours)
    expect(low).to.be.below(likely!)
    expect(likely).to.be.below(high!)
    expect(Number.isInteger(likely)).to.equal(true)
  })

  it('changes its word when a workshop’s bars were felt otherwise', () => {
    expect(told()['strips']?.answer.params).to.deep.equal({ feel: 'usual' })
    const felt = seenBars(
      Array.from({ length: 8 }, (_, at) => loafOf([tried('2027-03-01', { feel: 'strips' })], `${at}`)),
    )
    const after = told(learnFromBars(felt))['strips']
    expect(after?.answer.params).to.deep.equal({ feel: 'strips' })
    expect(after?.seenOfRecipe).to.equal(8)
  })
})
