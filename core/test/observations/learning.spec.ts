import { expect } from 'chai'
import fc from 'fast-check'
import type { SeenBar } from '../../src/observations'
import { barConditions, barsBelow, learnFromBars, modelOf, shareOfBarsBelow, spreadOf } from '../../src/observations'
import { normalFrom, randomFrom } from '../../src/random'

const bar = barConditions({
  fats: [
    { fatKey: 'olive', share: 0.5 },
    { fatKey: 'coconut', share: 0.3 },
    { fatKey: 'shea', share: 0.2 },
  ],
  superfat: 0.05,
  lyeConcentration: 0.33,
})
const model = modelOf('cuts', bar)
const cut = (hours: Pick<SeenBar, 'atLeast' | 'atMost'>, recipeId = 'a'): SeenBar => ({
  key: 'cuts',
  recipeId,
  model,
  ...hours,
})
const times = (n: number, one: SeenBar): readonly SeenBar[] => Array.from({ length: n }, () => one)

describe('learning from bars', () => {
  it('says what the model says before anything was seen, within its spreads', () => {
    const belief = learnFromBars([])('cuts', bar, 'a')
    const { workshop, recipe, each } = spreadOf('cuts')
    const all = Math.hypot(workshop, recipe, each)
    expect(barsBelow(belief, 0.5)).to.be.closeTo(model, model * 0.001)
    // A tenth lies below 1.2816 standard deviations.
    expect(barsBelow(belief, 0.1)).to.be.closeTo(model * Math.exp(-1.2816 * all), model * 0.01)
    expect(belief.seen).to.equal(0)
  })

  it('believes a recipe’s own bars most, others of the workshop in part, and an empty span not at all', () => {
    const seen = times(12, cut({ atLeast: model * 1.45, atMost: model * 1.55 }))
    const learned = learnFromBars(seen)
    const own = barsBelow(learned('cuts', bar, 'a'), 0.5)
    const other = barsBelow(learned('cuts', bar, 'b'), 0.5)
    expect(own).to.be.closeTo(model * 1.5, model * 0.08)
    expect(other).to.be.within(model * 1.15, model * 1.45)
    expect(learned('cuts', bar, 'a').seenOfRecipe).to.equal(12)
    expect(learned('cuts', bar, 'b').seenOfRecipe).to.equal(0)
    expect(barsBelow(learnFromBars(times(9, cut({})))('cuts', bar, 'a'), 0.5)).to.be.closeTo(model, model * 0.001)
  })

  it('takes “clean by then” as no more than that, and “too soft” as more', () => {
    const median = (...seen: readonly SeenBar[]): number => barsBelow(learnFromBars(seen)('cuts', bar, 'a'), 0.5)
    expect(median(...times(20, cut({ atMost: model * 4 })))).to.be.closeTo(model, model * 0.02)
    expect(median(...times(5, cut({ atMost: model * 0.7 })))).to.be.below(model * 0.75)
    expect(median(...times(5, cut({ atLeast: model * 1.3 })))).to.be.above(model * 1.3)
  })

  it('keeps the share below a value and the value below a share each other’s turning round', () => {
    const span = fc.record({
      atLeast: fc.double({ min: 0.2, max: 1, noNaN: true }),
      wide: fc.double({ min: 1.05, max: 3, noNaN: true }),
    })
    fc.assert(
      fc.property(
        fc.array(span, { maxLength: 6 }),
        fc.double({ min: 0.02, max: 0.98, noNaN: true }),
        (spans, share) => {
          const seen = spans.map(({ atLeast, wide }) =>
            cut({ atLeast: model * atLeast, atMost: model * atLeast * wide }),
          )
          const belief = learnFromBars(seen)('cuts', bar, 'a')
          expect(shareOfBarsBelow(belief, barsBelow(belief, share))).to.be.closeTo(share, 1e-6)
          expect(belief.offsets.reduce((sum, { chance }) => sum + chance, 0)).to.be.closeTo(1, 1e-9)
        },
      ),
      { numRuns: 40 },
    )
  })

  it('keeps eight of ten in its band over drawn workshops, whatever they wrote down', () => {
    const random = randomFrom(20270308)
    const { workshop, recipe, each } = spreadOf('cuts')
    let [within, all] = [0, 0]
    for (let one = 0; one < 300; one++) {
      const ofWorkshop = workshop * normalFrom(random)
      const ofRecipe = new Map(['a', 'b', 'c'].map((id) => [id, recipe * normalFrom(random)]))
      const draw = (id: string): number => model * Math.exp(ofWorkshop + ofRecipe.get(id)! + each * normalFrom(random))
      const seen = Array.from({ length: Math.floor(random() * 12) }, (): SeenBar => {
        const id = ['a', 'b', 'c'][Math.floor(random() * 3)]!
        const [real, lookedAt] = [draw(id), model * Math.exp(0.6 * normalFrom(random))]
        return cut(real <= lookedAt ? { atMost: lookedAt } : { atLeast: lookedAt }, id)
      })
      const belief = learnFromBars(seen)('cuts', bar, 'a')
      const [low, high, next] = [barsBelow(belief, 0.1), barsBelow(belief, 0.9), draw('a')]
      within += next >= low && next <= high ? 1 : 0
      all += 1
    }
    expect(within / all).to.be.within(0.74, 0.86)
  })
})
