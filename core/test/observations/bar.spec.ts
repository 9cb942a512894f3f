import { expect } from 'chai'
import { fatTable } from '../../src/fats'
import type { BarObservationKey } from '../../src/observations'
import { barConditions, barObservationKeys, modelOf } from '../../src/observations'
import type { RecipeAdditive } from '../../src/recipe'

const plain = { superfat: 0.05, lyeConcentration: 0.33 } as const
const of = (...fats: readonly (readonly [string, number])[]) =>
  barConditions({ ...plain, fats: fats.map(([fatKey, share]) => ({ fatKey, share })) })
const additive = (name: string, rate: number): RecipeAdditive => ({
  name,
  rate,
  basis: 'fats',
  place: 'lye',
  wetting: null,
  contains: [],
})

describe('barConditions', () => {
  it('counts shares of fatty acids', () => {
    // Coconut oil: 47.5 lauric, 18.5 myristic, 7.5 caprylic, 6.3 capric; half of the fats.
    const half = of(['olive', 0.5], ['coconut', 0.5])
    expect(half.stripping).to.be.closeTo(0.399, 0.002)
    expect(half.quick).to.be.closeTo(0.33, 0.002)
    expect(half.saturated).to.be.closeTo(half.stripping + half.firm, 1e-12)
  })

  it('knows salt, lactate, sugar and what scours by their names, and lactate is no salt', () => {
    const fats = [{ fatKey: 'coconut', share: 1 }]
    const salted = barConditions({ ...plain, fats, additives: [additive('Sea salt', 0.5)] })
    expect(salted.salt).to.equal(0.5)
    const helped = barConditions({
      ...plain,
      fats,
      additives: [additive('Sodium lactate', 0.02), additive('Honey', 0.01), additive('White clay', 0.01)],
    })
    expect([helped.salt, helped.hasLactate, helped.hasSugar, helped.scours]).to.deep.equal([0, true, true, true])
  })
})

describe('what the model says of bars', () => {
  const median = (key: BarObservationKey, ...fats: readonly (readonly [string, number])[]): number =>
    modelOf(key, of(...fats))

  it('is what makers know of simple soaps', () => {
    expect(median('cuts', ['coconut', 1])).to.be.below(10)
    expect(median('cuts', ['olive', 1])).to.be.within(36, 72)
    expect(median('rubs', ['coconut', 1])).to.be.below(median('rubs', ['olive', 1]) / 3)
    expect(median('keeps', ['grapeseed', 1])).to.be.below(6)
    expect(median('keeps', ['coconut', 1])).to.be.above(20)
    expect(median('lasts', ['coconut', 1])).to.be.below(median('lasts', ['cocoa_butter', 1]) / 2)
    expect(median('strips', ['coconut', 1])).to.be.above(0.25)
    expect(median('strips', ['olive', 1])).to.be.below(0.12)
  })

  it('moves the way a maker moves it: superfat is gentler, foams and keeps less; an oven and strong lye set sooner', () => {
    const fats = [
      { fatKey: 'olive', share: 0.6 },
      { fatKey: 'coconut', share: 0.4 },
    ]
    const lean = barConditions({ ...plain, fats })
    const rich = barConditions({ ...plain, fats, superfat: 0.2 })
    expect(modelOf('strips', rich)).to.be.below(modelOf('strips', lean) * 0.6)
    expect(modelOf('foam', rich)).to.be.below(modelOf('foam', lean))
    expect(modelOf('keeps', rich)).to.be.below(modelOf('keeps', lean))
    const oven = barConditions({ ...plain, fats, oven: true, lyeConcentration: 0.4 })
    expect(modelOf('cuts', oven)).to.be.below(modelOf('cuts', lean) * 0.5)
  })

  it('is above nothing for every fat of the table alone', () => {
    for (const { key } of fatTable)
      for (const observation of barObservationKeys) expect(median(observation, [key, 1]), key).to.be.above(0)
  })
})
