import { expect } from 'chai'
import type { SeasonPlan, SeasonProblem } from '../../../src/season'
import { batchCost, checkPlan, checkProblem, planCost } from '../../../src/season'
import { aBatch, aSeason } from '../smallSeason'

const plan = (...pours: (readonly [string, number, number])[]): SeasonPlan => ({
  pours: pours.map(([id, pour, cut]) => ({ id, pour, cut })),
})
const rules = (problem: SeasonProblem, of: SeasonPlan) => checkPlan(problem, of).violations.map(({ rule }) => rule)
const two: SeasonProblem = { ...aSeason, batches: [aBatch, { ...aBatch, id: 'b', moulds: { slab: 1 } }] }

describe('checkPlan', () => {
  it('takes a plan that breaks nothing and counts what each day is asked', () => {
    // Prepared on day 4, poured on 5 with the set-up, cut on 7; on the rack until it is due on day 12.
    const check = checkPlan(aSeason, plan(['a', 5, 7]))
    expect(check.isFeasible).to.equal(true)
    expect(check.load.hours.slice(4, 8)).to.deep.equal([0.5, 2, 0, 1])
    expect(check.load.moulds['loaf']?.slice(4, 8)).to.deep.equal([0, 1, 1, 0])
    expect(check.load.trays.slice(6, 13)).to.deep.equal([0, 2, 2, 2, 2, 2, 0])
  })

  it('charges slack, pour days and lateness as the problem says', () => {
    // Cut on 7, ready on 12, due on 12: no slack of the 2 wished, one pour day.
    expect(checkPlan(aSeason, plan(['a', 5, 7])).parts).to.deep.equal({ late: 0, pourDays: 8, shortfall: 2, age: 0 })
    // Cut on 2, ready on 7: 5 days of slack, 3 of them beyond the wish.
    expect(checkPlan(aSeason, plan(['a', 1, 2])).cost).to.equal(8.3)
    // Cut on 9, ready on 14: 2 days late at 100 each, and the whole wished slack missing.
    expect(planCost(aSeason, plan(['a', 8, 9]).pours)).to.deep.include({ cost: 210, lateDays: 2, pourDays: 1 })
    expect(batchCost({ ...aBatch, weight: 1.5 }, 9, 2)).to.equal(302)
  })

  it('charges the set-up once on a day with two pours', () => {
    const check = checkPlan(two, plan(['a', 5, 7], ['b', 5, 7]))
    expect(check.load.hours[5]).to.equal(3.5)
    expect(check.parts.pourDays).to.equal(8)
  })

  it('names each rule that is broken, with its numbers', () => {
    expect(checkPlan(aSeason, plan(['a', 2, 4])).violations).to.deep.equal([])
    expect(checkPlan({ ...aSeason, hours: aSeason.hours.map(() => 1.75) }, plan(['a', 5, 7])).violations).to.deep.equal(
      [{ rule: 'hours', day: 5, asked: 2, there: 1.75 }],
    )
    expect(rules({ ...aSeason, trays: 1 }, plan(['a', 5, 7]))).to.deep.equal(Array(5).fill('trays'))
    expect(
      rules({ ...two, trays: 9, batches: [aBatch, { ...aBatch, id: 'b' }] }, plan(['a', 5, 7], ['b', 5, 7])),
    ).to.deep.equal(['moulds', 'moulds'])
    const oven = { ...two, batches: two.batches.map((batch) => ({ ...batch, oven: true })) }
    expect(checkPlan(oven, plan(['a', 5, 7], ['b', 5, 7])).violations).to.deep.equal([
      { rule: 'oven', day: 5, asked: 2, there: 1 },
    ])
    expect(rules({ ...aSeason, batches: [{ ...aBatch, earliest: 6 }] }, plan(['a', 5, 7]))).to.deep.equal(['too_early'])
    expect(rules(aSeason, plan(['a', 5, 8]))).to.include('set_days')
    expect(rules({ ...aSeason, hours: aSeason.hours.map(() => 9) }, plan(['a', 0, 1]))).to.deep.equal([
      'no_day_to_prepare',
    ])
    expect(rules(aSeason, plan(['a', 13, 14]))).to.deep.equal(['outside'])
    expect(rules(aSeason, plan(['x', 5, 7]))).to.deep.equal(['unknown', 'missing'])
    expect(rules(aSeason, plan(['a', 5, 7], ['a', 5, 7]))).to.deep.equal(['twice'])
  })

  it('counts what batches of the past hold', () => {
    const taken = { moulds: { loaf: aSeason.hours.map(() => 1) }, trays: aSeason.hours.map(() => 3) }
    expect(new Set(rules({ ...aSeason, taken }, plan(['a', 5, 7])))).to.deep.equal(new Set(['moulds', 'trays']))
  })
})

describe('checkProblem', () => {
  it('takes a season that is sound', () => expect(checkProblem(aSeason)).to.deep.equal([]))

  for (const [what, change] of [
    ['no day', { days: 0, hours: [] }],
    ['hours for too few days', { hours: [1] }],
    ['hours below 0', { hours: aSeason.hours.map(() => -1) }],
    ['half a tray', { trays: 1.5 }],
    ['a batch without a mould', { batches: [{ ...aBatch, moulds: {} }] }],
    ['a mould the workshop has not', { batches: [{ ...aBatch, moulds: { bucket: 1 } }] }],
    ['two batches of one name', { batches: [aBatch, aBatch] }],
    ['a longest setting below the shortest', { batches: [{ ...aBatch, setDays: { min: 3, max: 2 } }] }],
    ['a cure of no number', { batches: [{ ...aBatch, cureDays: NaN }] }],
    ['hours of no number', { batches: [{ ...aBatch, pourHours: NaN }] }],
  ] as const)
    it(`refuses ${what}`, () =>
      expect(checkProblem({ ...aSeason, ...change } as SeasonProblem)).to.have.length.above(0))
})
