import { expect } from 'chai'
import fc from 'fast-check'
import type { Placement, SeasonProblem } from '../../src/season'
import { checkPlan, deliveryDate, deliveryHolds, slackOf, solveSeason } from '../../src/season'
import { aBatch, aSeason, everyPlan, smallSeasons } from './smallSeason'

/**
 * The earliest due day of a wished batch by looking at every plan of the whole season: nobody may be later than they
 * are, and those in `fixed` stay where they stand.
 */
function byFullPlan(
  problem: SeasonProblem,
  standing: readonly Placement[],
  wished: string,
  fixed: (id: string) => boolean,
): number | undefined {
  const lateOf = ({ id, cut }: Placement): number =>
    Math.max(
      0,
      -slackOf(
        problem.batches.find((batch) => batch.id === id)!,
        cut,
      ),
    )
  const was = new Map(standing.map((placement) => [placement.id, placement]))
  let earliest: number | undefined
  for (const pours of everyPlan(problem)) {
    const mine = pours.find(({ id }) => id === wished)
    const batch = problem.batches.find(({ id }) => id === wished)
    if (!mine || !batch) continue
    const due = mine.cut + batch.cureDays
    if (earliest !== undefined && due >= earliest) continue
    const keeps = pours.every((placement) => {
      const before = was.get(placement.id)
      if (!before) return true
      if (fixed(placement.id)) return before.pour === placement.pour && before.cut === placement.cut
      return lateOf(placement) <= lateOf(before)
    })
    if (!keeps) continue
    const season = { ...problem, batches: problem.batches.map((one) => (one.id === wished ? { ...one, due } : one)) }
    if (checkPlan(season, { pours }).isFeasible) earliest = due
  }
  return earliest
}

/** A season of up to three batches of which the first is asked for and the others stand on their days. */
const asked = smallSeasons(3)
  .map((problem) => {
    const others = { ...problem, batches: problem.batches.slice(1) }
    const { plan, check, impossible } = solveSeason(others, { effort: 0.05 })
    return { problem, standing: plan.pours, isSound: check.isFeasible && impossible.length === 0 }
  })
  .filter(({ problem, isSound }) => isSound && problem.batches.length > 1)

describe('deliveryDate', () => {
  it('promises what a full re-plan gives when nothing else may move, and when all may', function () {
    this.timeout(60_000)
    fc.assert(
      fc.property(asked, ({ problem, standing }) => {
        const found = deliveryDate(problem, standing, ['b0'], { mostMoved: 2 })
        const fixed = byFullPlan(problem, standing, 'b0', () => true)
        const free = byFullPlan(problem, standing, 'b0', () => false)
        expect(found.isExact).to.equal(true)
        expect(found.asPlanned?.due).to.equal(fixed)
        expect(found.withMoves?.due ?? found.asPlanned?.due).to.equal(free)
        for (const promised of [found.asPlanned, found.withMoves])
          if (promised) expect(deliveryHolds(problem, standing, promised)).to.equal(true)
      }),
      { numRuns: 20 },
    )
  })

  it('says what has to move for an earlier day', () => {
    // One loaf mould, and only Saturdays (day 5 and 12) have the hours: the other batch stands on the first.
    const hours = [1, 0, 0, 0, 1, 4, 1, 0, 0, 0, 0, 1, 4, 1, 0]
    const other = { ...aBatch, due: 30 }
    const problem = { ...aSeason, days: 15, hours, trays: 20, batches: [other, { ...aBatch, id: 'new' }] }
    const { asPlanned, withMoves } = deliveryDate(problem, [{ id: 'a', pour: 5, cut: 6 }], ['new'])
    expect(asPlanned).to.deep.equal({ due: 18, pours: [{ id: 'new', pour: 12, cut: 13 }], moved: [] })
    expect(withMoves).to.deep.equal({
      due: 11,
      pours: [{ id: 'new', pour: 5, cut: 6 }],
      moved: [{ id: 'a', pour: 12, cut: 13 }],
    })
    const kept = deliveryDate(problem, [{ id: 'a', pour: 5, cut: 6 }], ['new'], {
      pinned: [{ id: 'a', pour: 5, cut: 6 }],
    })
    expect(kept.withMoves).to.equal(undefined)
  })

  it('finds by a whole re-plan what a search that is cut short does not, and moves nobody who is pinned', () => {
    const hours = [1, 0, 0, 0, 1, 4, 1, 0, 0, 0, 0, 1, 4, 1, 0]
    const problem = {
      ...aSeason,
      days: 15,
      hours,
      trays: 20,
      batches: [
        { ...aBatch, due: 30 },
        { ...aBatch, id: 'new' },
      ],
    }
    const standing = [{ id: 'a', pour: 5, cut: 6 }]
    // A single step sees no way to move anybody.
    const hasty = deliveryDate(problem, standing, ['new'], { steps: 1 })
    expect(hasty.withMoves?.due).to.equal(11)
    expect(hasty.withMoves?.moved).to.deep.equal([{ id: 'a', pour: 12, cut: 13 }])
    expect(deliveryDate(problem, standing, ['new'], { steps: 1, pinned: standing }).withMoves).to.equal(undefined)
  })

  it('keeps every promise, however short the search', () => {
    fc.assert(
      fc.property(asked, fc.integer({ min: 1, max: 40 }), ({ problem, standing }, steps) => {
        const { asPlanned, withMoves } = deliveryDate(problem, standing, ['b0'], { steps })
        for (const promised of [asPlanned, withMoves])
          if (promised) expect(deliveryHolds(problem, standing, promised)).to.equal(true)
        if (asPlanned && withMoves) expect(withMoves.due).to.be.below(asPlanned.due)
      }),
      { numRuns: 20 },
    )
  })

  it('promises several batches for one day, and keeps their trays until then', () => {
    const wished = ['x', 'y'].map((id) => ({ ...aBatch, id, prepHours: 0 }))
    const problem = { ...aSeason, trays: 4, batches: wished }
    const found = deliveryDate(problem, [], ['x', 'y'])
    const due = found.asPlanned?.due ?? 0
    expect(found.asPlanned?.pours.every(({ cut }) => cut + 5 <= due)).to.equal(true)
    expect(deliveryHolds(problem, [], found.asPlanned!)).to.equal(true)
    // One mould: the second is poured after the first is cut.
    const [first, second] = [...(found.asPlanned?.pours ?? [])].sort((a, b) => a.pour - b.pour)
    expect(second?.pour).to.be.at.least(first?.cut ?? Infinity)
  })

  it('promises nothing when there is no room, or nothing is asked', () => {
    const huge = { ...aSeason, batches: [{ ...aBatch, pourHours: 20 }] }
    expect(deliveryDate(huge, [], ['a']).asPlanned).to.equal(undefined)
    expect(deliveryDate(aSeason, [], []).asPlanned).to.equal(undefined)
  })
})
