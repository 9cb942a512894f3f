import { expect } from 'chai'
import fc from 'fast-check'
import { batchPlan, scaleDesign, weightRows, wettingOf } from '../../src/batch'
import { workedSource } from '../blends'

const added = { name: 'White clay', basis: 'fats', place: 'emulsion', contains: [] } as const
const sourceOf = (rate: number, ratio: number, kohShare: number) => ({
  ...workedSource,
  recipe: {
    ...workedSource.recipe,
    kohShare,
    liquids: [{ name: 'Milk', waterShare: 0.88, partOfWater: 0.2, place: 'lye' as const, contains: [] }],
    additives: [
      { ...added, rate, wetting: { with: 'water' as const, ratio } },
      { ...added, name: 'Oats', rate, wetting: { with: 'fat' as const, ratio } },
    ],
  },
  design: {
    ...workedSource.design,
    colours: [
      { name: 'amber', hex: '#D99A3C', share: 0.6, rateGPerKg: 7, wetting: { with: 'water' as const, ratio: 3 } },
      { name: 'glass', hex: '#F1E2BE', share: 0.4, rateGPerKg: 5, wetting: { with: 'fat' as const, ratio: 2 } },
    ],
  },
})

describe('weightRows', () => {
  it('lists all that is weighed, the water for wetting by itself', () => {
    const { weights } = batchPlan(sourceOf(0.02, 2, 0.1))
    expect(weightRows(weights).map(({ part }) => part)).to.deep.equal([
      ...['fat', 'fat', 'fat', 'water', 'wetting_water', 'naoh', 'koh', 'liquid', 'additive', 'additive', 'scent'],
    ])
    const [clay] = weights.additives ?? []
    const [amber] = weights.pots
    // Twice the clay, to the gram of the scale, and three times the amber powder; the fat for the others is among the fats.
    expect(wettingOf(weights).waterG).to.be.closeTo(
      Math.round(2 * (clay?.massG ?? 0)) + 3 * (amber?.colourantG ?? 0),
      1e-6,
    )
    expect(weights.fats.map(({ name }) => name)).to.deep.equal(
      weightRows(weights).flatMap(({ part, name }) => (part === 'fat' ? [name] : [])),
    )
  })

  it('adds up to the batter, whatever is wetted', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.03, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        fc.constantFrom(0, 0.15),
        (rate, ratio, kohShare) => {
          const source = sourceOf(rate, ratio, kohShare)
          for (const weights of [scaleDesign(source).weights, batchPlan(source).weights]) {
            const sum = weightRows(weights).reduce((total, { massG }) => total + massG, 0)
            expect(sum).to.be.closeTo(weights.batterG, 1e-6)
          }
        },
      ),
    )
  })
})
