import { expect } from 'chai'
import fc from 'fast-check'
import { leastLateDays, planCost, solveSeason } from '../../src/season'
import { aBatch, aSeason, smallSeasons } from './smallSeason'

describe('the least days of lateness', () => {
  it('are those of each batch on the first days that it could take alone', () => {
    const due = (...days: readonly number[]) =>
      leastLateDays({ ...aSeason, batches: days.map((day, at) => ({ ...aBatch, id: `b${at}`, due: day })) })
    // Prepared on day 0, poured on day 1, cut on day 2, ready five days later.
    expect(due(0)).to.equal(7)
    expect(due(3)).to.equal(4)
    expect(due(7)).to.equal(0)
    // There is one mould: the second is later than this, and the bound does not know.
    expect(due(0, 3, 9)).to.equal(11)
    const { plan } = solveSeason({ ...aSeason, batches: [{ ...aBatch, due: 3 }] })
    expect(plan.pours).to.deep.equal([{ id: 'a', pour: 1, cut: 2 }])
  })

  it('leave out what has no day at all', () => {
    expect(leastLateDays({ ...aSeason, batches: [{ ...aBatch, due: 0, earliest: 13 }] })).to.equal(0)
  })

  it('are never more than those of a plan', () => {
    fc.assert(
      fc.property(smallSeasons(5), (season) => {
        const { plan } = solveSeason(season, { effort: 0.05 })
        const planned = new Set(plan.pours.map(({ id }) => id))
        const batches = season.batches.filter(({ id }) => planned.has(id))
        expect(leastLateDays({ ...season, batches })).to.be.at.most(planCost(season, plan.pours).lateDays)
      }),
      { numRuns: 60 },
    )
  })
})
