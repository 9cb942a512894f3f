import { expect } from 'chai'
import fc from 'fast-check'
import type { Placement, SeasonProblem } from '../../../src/season'
import { checkPlan, deliveryDate, deliveryHolds, slackOf, solveSeason } from '../../../src/season'
import { AskedSeason } from '../../../src/season/delivery/askedSeason'
import { DeliverySearch } from '../../../src/season/delivery/deliverySearch'
import { aBatch, aSeason, everyPlan, smallSeasons } from '../smallSeason'

interface FullPlan {
  readonly due: number
  /** How many of those that stand have to move for it at the least. */
  readonly moved: number
}

/**
 * The earliest due day of wished batches by looking at every plan of the whole season: nobody may be later than they
 * are, and those in `fixed` stay where they stand.
 */
function byFullPlan(
  problem: SeasonProblem,
  standing: readonly Placement[],
  wished: readonly string[],
  fixed: (id: string) => boolean,
): FullPlan | undefined {
  const batchOf = new Map(problem.batches.map((batch) => [batch.id, batch]))
  const lateOf = ({ id, cut }: Placement): number => Math.max(0, -slackOf(batchOf.get(id)!, cut))
  const was = new Map(standing.map((placement) => [placement.id, placement]))
  let best: FullPlan | undefined
  for (const pours of everyPlan(problem)) {
    const mine = pours.filter(({ id }) => wished.includes(id))
    if (mine.length < wished.length) continue
    const due = Math.max(...mine.map(({ id, cut }) => cut + batchOf.get(id)!.cureDays))
    const others = pours.filter(({ id }) => was.has(id))
    const moved = others.filter(({ id, pour, cut }) => was.get(id)!.pour !== pour || was.get(id)!.cut !== cut)
    if (best && (due > best.due || (due === best.due && moved.length >= best.moved))) continue
    if (moved.some(({ id }) => fixed(id))) continue
    if (others.some((placement) => lateOf(placement) > lateOf(was.get(placement.id)!))) continue
    const season = {
      ...problem,
      batches: problem.batches.map((one) => (wished.includes(one.id) ? { ...one, due } : one)),
    }
    if (checkPlan(season, { pours }).isFeasible) best = { due, moved: moved.length }
  }
  return best
}

/** A season of up to `most` batches of which the first `wished` are asked for and the others stand on their days. */
const asked = (most: number, wished: number) =>
  smallSeasons(most)
    .filter(({ batches }) => batches.length > wished)
    .map((problem) => {
      const others = { ...problem, batches: problem.batches.slice(wished) }
      const { plan, check, impossible } = solveSeason(others, { effort: 0.05 })
      return { problem, standing: plan.pours, isSound: check.isFeasible && impossible.length === 0 }
    })
    .filter(({ isSound }) => isSound)

describe('deliveryDate', () => {
  for (const { wished, most, numRuns } of [
    { wished: ['b0'], most: 3, numRuns: 150 },
    { wished: ['b0', 'b1'], most: 4, numRuns: 60 },
  ])
    it(`promises ${wished.length} as a full re-plan does when nothing else may move, and when all may`, function () {
      this.timeout(60_000)
      fc.assert(
        fc.property(asked(most, wished.length), ({ problem, standing }) => {
          // Steps enough to look at everything: what is cut short says so, and may promise later.
          const found = deliveryDate(problem, standing, wished, { mostMoved: 2, steps: 300_000 })
          const fixed = byFullPlan(problem, standing, wished, () => true)
          const free = byFullPlan(problem, standing, wished, () => false)
          expect(found.isExact).to.equal(true)
          expect(found.asPlanned?.due).to.equal(fixed?.due)
          expect(found.withMoves?.due ?? found.asPlanned?.due).to.equal(free?.due)
          if (found.withMoves) expect(found.withMoves.moved).to.have.length(free!.moved)
          for (const promised of [found.asPlanned, found.withMoves])
            if (promised) expect(deliveryHolds(problem, standing, promised)).to.equal(true)
        }),
        { numRuns },
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
      fc.property(asked(3, 1), fc.integer({ min: 1, max: 40 }), ({ problem, standing }, steps) => {
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

describe('DeliverySearch', () => {
  it('leaves every batch where it stood, whatever it has tried', () => {
    fc.assert(
      fc.property(asked(4, 1), fc.nat(12), ({ problem, standing }, first) => {
        const season = new AskedSeason(problem, standing, ['b0'], [])
        const search = new DeliverySearch(season)
        const look = (due: number) => [search.asPlannedBy(due, 500), search.withMovesBy(due, 2, 500)]
        const dues = [first, ...Array.from({ length: season.latest + 1 }, (_, due) => due)]
        const found = dues.map(look)
        const fresh = dues.map((due) => {
          const other = new DeliverySearch(new AskedSeason(problem, standing, ['b0'], []))
          return [other.asPlannedBy(due, 500), other.withMovesBy(due, 2, 500)]
        })
        expect(found).to.deep.equal(fresh)
      }),
      { numRuns: 60 },
    )
  })
})
