import { expect } from 'chai'
import fc from 'fast-check'
import type { Violation } from '../../src/season'
import { checkPlan, newViolations, planFigures, violationFinding, withoutRepeats } from '../../src/season'
import { aBatch, aSeason, seasonsWithPours } from './smallSeason'
import { plainly } from '../plainly'

const trays = (day: number, asked: number): Violation => ({ rule: 'trays', day, asked, there: 4 })
const hours = (day: number, asked: number): Violation => ({ rule: 'hours', day, asked, there: 4 })
const moulds = (kind: string, day: number, asked = 2): Violation => ({ rule: 'moulds', kind, day, asked, there: 1 })

describe('a broken rule, told', () => {
  // Day 0 is Monday 8 March 2027.
  const season = { firstDay: '2027-03-08', nameOf: { a: 'Lantern Glass' } }
  const told = (violation: Violation): string => plainly(violationFinding(violation, season, { loaf: 'long loaf' }))
  const cases: readonly (readonly [Violation, string])[] = [
    [hours(10, 5.5), 'hours, day 2027-03-18, asked 5.5 h, there 4 h'],
    [moulds('loaf', 2), 'moulds, day 2027-03-10, asked 2, mould long loaf, there 1'],
    [moulds('slab', 2), 'moulds, day 2027-03-10, asked 2, mould slab, there 1'],
    [{ rule: 'oven', day: 0, asked: 1, there: 0 }, 'oven, day 2027-03-08, asked 1, there 0'],
    [trays(1, 6), 'trays, day 2027-03-09, asked 6, there 4'],
    [{ rule: 'too_early', id: 'a', earliest: 4 }, 'too_early, soap Lantern Glass, earliest 2027-03-12'],
    [{ rule: 'set_days', id: 'a', set: 1, min: 2, max: 3 }, 'set_days, soap Lantern Glass, set 1 d, least 2, most 3'],
    [{ rule: 'no_day_to_prepare', id: 'a' }, 'no_day_to_prepare, soap Lantern Glass'],
    [{ rule: 'outside', id: 'a' }, 'outside, soap Lantern Glass'],
    [{ rule: 'missing', id: 'a' }, 'missing, soap Lantern Glass'],
    [{ rule: 'twice', id: 'b' }, 'impossible_placement, soap b'],
  ]
  for (const [violation, said] of cases) it(said, () => expect(told(violation)).to.equal(said))
})

describe('withoutRepeats', () => {
  it('tells a run of days once, as the worst of them', () => {
    expect(withoutRepeats([trays(3, 5), trays(4, 7), trays(5, 6)])).to.deep.equal([trays(4, 7)])
  })

  it('begins a run anew after a day on which the rule holds', () => {
    expect(withoutRepeats([trays(3, 5), trays(5, 5), trays(6, 6)])).to.deep.equal([trays(3, 5), trays(6, 6)])
  })

  it('keeps the kinds of moulds apart, and each day of too few hours', () => {
    const all = [moulds('loaf', 3), moulds('slab', 4), hours(3, 5), hours(4, 5)]
    expect(withoutRepeats(all)).to.deep.equal(all)
  })
})

describe('newViolations', () => {
  it('tells what a move breaks besides what was broken', () => {
    expect(newViolations([hours(3, 5)], [hours(3, 5), hours(6, 4.5)])).to.deep.equal([hours(6, 4.5)])
  })

  it('tells what it makes worse, and nothing that it mends', () => {
    expect(newViolations([hours(3, 5)], [hours(3, 6)])).to.deep.equal([hours(3, 6)])
    expect(newViolations([hours(3, 5), trays(2, 6)], [hours(3, 5)])).to.deep.equal([])
  })

  it('finds nothing new in a plan that is as it was, and in none that breaks nothing', () => {
    fc.assert(
      fc.property(seasonsWithPours(4, { min: 0, max: 8 }), ({ problem, pours }) => {
        const { violations } = checkPlan(problem, { pours })
        expect(newViolations(violations, violations)).to.deep.equal([])
        expect(newViolations(violations, [])).to.deep.equal([])
        expect(newViolations([], violations)).to.deep.equal(withoutRepeats(violations))
      }),
    )
  })
})

describe('planFigures', () => {
  it('counts late days and batches, soaping days, hours with set-up, and the fullest day', () => {
    const problem = { ...aSeason, batches: [aBatch, { ...aBatch, id: 'b', moulds: { slab: 1 }, due: 8 }] }
    const plan = {
      pours: [
        { id: 'a', pour: 5, cut: 6 },
        { id: 'b', pour: 5, cut: 7 },
      ],
    }
    const check = checkPlan(problem, plan)
    // Cured on days 11 and 12: the second is four days late. 3 h each and one set-up of half an hour.
    expect(planFigures(problem, plan, check)).to.deep.include({
      lateDays: 4,
      lateBatches: 1,
      soapingDays: 1,
      hours: 6.5,
      mostTrays: 4,
    })
  })
})
