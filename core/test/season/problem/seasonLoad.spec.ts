import { expect } from 'chai'
import fc from 'fast-check'
import { checkPlan, costOf, planCost, seasonLoad } from '../../../src/season'
import { aBatch, aSeason, seasonsWithPours } from '../smallSeason'

const sum = (figures: readonly number[]): number => figures.reduce((so, one) => so + one, 0)

describe('what placements ask of each day', () => {
  it('is work on three days, a mould until the cut, trays until the day it is needed', () => {
    const load = seasonLoad(aSeason, [{ batch: { ...aBatch, oven: true }, pour: 4, cut: 6 }])
    expect(load.hours.slice(3, 7)).to.deep.equal([0.5, 1.5 + 0.5, 0, 1])
    expect(load.moulds['loaf']?.slice(3, 7)).to.deep.equal([0, 1, 1, 0])
    expect(sum(load.moulds['slab'] ?? [])).to.equal(0)
    expect(load.oven.slice(3, 7)).to.deep.equal([0, 1, 0, 0])
    // Ready on day 11 and needed on day 12: on the rack from the cut through day 11.
    expect(load.trays).to.deep.equal([0, 0, 0, 0, 0, 0, 2, 2, 2, 2, 2, 2, 0, 0])
  })

  it('goes on top of what the past holds', () => {
    const taken = { trays: new Array<number>(14).fill(1), moulds: { slab: new Array<number>(14).fill(1) } }
    const load = seasonLoad({ ...aSeason, taken }, [{ batch: aBatch, pour: 4, cut: 5 }])
    expect([load.trays[4], load.trays[5]]).to.deep.equal([1, 3])
    expect([load.moulds['slab']?.[4], load.moulds['loaf']?.[4]]).to.deep.equal([1, 1])
  })

  it('counts days outside of the season nowhere, and kinds of moulds that nobody has neither', () => {
    const load = seasonLoad(aSeason, [{ batch: { ...aBatch, moulds: { loaf: 1, cube: 3 } }, pour: 0, cut: 20 }])
    expect(load.hours).to.have.length(14)
    // No day before to prepare on, and no day for the cut: the pour and its set-up are left.
    expect(sum(load.hours)).to.equal(2)
    expect(Object.keys(load.moulds)).to.deep.equal(['loaf', 'slab'])
  })

  it('adds up: it is the same in whatever order batches stand, and no hour is lost', () => {
    fc.assert(
      fc.property(seasonsWithPours(5), ({ problem, pours }) => {
        const placed = problem.batches.map((batch, index) => ({ ...pours[index]!, batch }))
        const load = seasonLoad(problem, placed)
        expect(seasonLoad(problem, [...placed].reverse())).to.deep.equal(load)
        const own = placed.map(({ batch }) => batch.prepHours + batch.pourHours + batch.cutHours)
        const setups = new Set(placed.map(({ pour }) => pour)).size * problem.setupHours
        expect(sum(load.hours)).to.be.closeTo(sum(own) + setups, 1e-9)
        const parts = placed.map((one) => sum(seasonLoad(problem, [one]).trays))
        expect(sum(load.trays)).to.equal(sum(parts))
      }),
    )
  })
})

describe('the cost of a plan', () => {
  it('is that of each batch and of its soaping days', () => {
    fc.assert(
      fc.property(seasonsWithPours(5), ({ problem, pours }) => {
        const { cost, parts, pourDays } = planCost(problem, pours)
        expect(cost).to.be.closeTo(parts.late + parts.pourDays + parts.shortfall + parts.age, 1e-6)
        expect(parts.pourDays).to.equal(costOf.pourDay * pourDays)
        expect(pourDays).to.equal(new Set(pours.map(({ pour }) => pour)).size)
        const alone = pours.map((one) => planCost(problem, [one]).cost - costOf.pourDay)
        expect(cost).to.be.closeTo(sum(alone) + costOf.pourDay * pourDays, 1e-5)
        expect(checkPlan(problem, { pours }).cost).to.equal(cost)
      }),
    )
  })
})
