import { expect } from 'chai'
import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import type { Placement, SeasonProblem, SolverProgress } from '../../../src/season'
import { checkPlan, dayOptions, solveSeason } from '../../../src/season'
import { costByDays } from '../../../src/season/problem/planCost'
import { OptionTable } from '../../../src/season/solver/optionTable'
import { Workload } from '../../../src/season/solver/workload'
import { aBatch, aSeason, leastCost, smallSeasons } from '../smallSeason'

const instance = (name: string): SeasonProblem =>
  JSON.parse(readFileSync(`bench/seasons/${name}.json`, 'utf8')) as SeasonProblem
const quick = { effort: 0.05 }

describe('solveSeason', () => {
  it('finds what looking at every plan finds', function () {
    this.timeout(60_000)
    fc.assert(
      fc.property(smallSeasons(3), (problem) => {
        const possible = {
          ...problem,
          batches: problem.batches.filter((batch) => dayOptions(problem, batch).length > 0),
        }
        const least = leastCost(possible)
        const { check } = solveSeason(possible, quick)
        expect(check.isFeasible).to.equal(least !== undefined)
        if (least !== undefined) expect(check.cost).to.be.closeTo(least, 1e-6)
      }),
      { numRuns: 150 },
    )
  })

  it('meets the proven optimum of a public season', () => {
    const { check, impossible } = solveSeason(instance('season-08'), { effort: 0.3 })
    expect(check.isFeasible).to.equal(true)
    expect(check.cost).to.equal(51)
    expect(impossible).to.deep.equal([])
  })

  it('gives the same plan for the same seed', () => {
    const problem = instance('season-12')
    const first = solveSeason(problem, { seed: 7, ...quick })
    expect(solveSeason(problem, { seed: 7, ...quick }).plan).to.deep.equal(first.plan)
  })

  it('leaves pinned batches where they are, whatever that costs', () => {
    const problem = instance('season-12')
    const { plan } = solveSeason(problem, quick)
    const pinned = plan.pours.slice(0, 3).map(({ id, pour, cut }) => ({ id, pour: pour + 1, cut: cut + 1 }))
    const again = solveSeason(problem, { pinned, ...quick })
    for (const pin of pinned) expect(again.plan.pours).to.deep.include(pin)
  })

  it('pours one soap in several batches, on one day where its moulds allow it, else day by day', () => {
    // Poured in 1.5 h with half an hour of set-up a day; cut within an hour a day or two later.
    const pours = (loaf: number, hours: number): readonly number[] => {
      const batches = ['a', 'b', 'c'].map((id) => ({ ...aBatch, id, prepHours: 0, due: 13, trays: 1 }))
      const season = { ...aSeason, hours: aSeason.hours.map((there) => (there > 0 ? hours : 0)), batches }
      const { plan, check } = solveSeason({ ...season, mouldKinds: { loaf } })
      expect(check.isFeasible).to.equal(true)
      return plan.pours.map(({ pour }) => pour)
    }
    expect(new Set(pours(3, 6)).size).to.equal(1)
    // Two moulds: two on one day, the third when one of them is free again.
    expect(new Set(pours(2, 6)).size).to.equal(2)
    // A day too short for two.
    expect(new Set(pours(3, 3)).size).to.equal(3)
  })

  it('changes little when little has to change', () => {
    const problem = instance('season-12')
    const before = solveSeason(problem, quick).plan.pours
    // The day with the most pours is lost.
    const day =
      before
        .map(({ pour }) => pour)
        .sort((a, b) => before.filter((p) => p.pour === b).length - before.filter((p) => p.pour === a).length)[0] ?? 0
    const lost = { ...problem, hours: problem.hours.map((hours, at) => (at === day ? 0 : hours)) }
    const moved = (after: readonly Placement[]): number =>
      after.filter(
        (placement) =>
          !before.some((was) => was.id === placement.id && was.pour === placement.pour && was.cut === placement.cut),
      ).length
    const few = solveSeason(lost, { current: before, ...quick })
    expect(few.check.isFeasible).to.equal(true)
    expect(moved(few.plan.pours))
      .to.be.at.least(1)
      .and.at.most(moved(solveSeason(lost, quick).plan.pours))
    expect(moved(few.plan.pours)).to.be.at.most(5)
  })

  it('names a batch for which there is no day, and plans the others', () => {
    const { plan, impossible } = solveSeason(
      {
        ...aSeason,
        batches: [aBatch, { ...aBatch, id: 'huge', pourHours: 23 }, { ...aBatch, id: 'none', moulds: { loaf: 3 } }],
      },
      quick,
    )
    expect(impossible).to.deep.equal(['huge', 'none'])
    expect(plan.pours.map(({ id }) => id)).to.deep.equal(['a'])
  })

  it('tells how far it is and stops with the best so far', () => {
    const told: SolverProgress[] = []
    const { wasStopped, plan } = solveSeason(instance('season-08'), {
      effort: 0.2,
      onProgress: (progress) => {
        told.push(progress)
        return told.length < 3
      },
    })
    expect(wasStopped).to.equal(true)
    expect(told).to.have.length(3)
    expect(told.map(({ done }) => done)).to.deep.equal([...told.map(({ done }) => done)].sort((a, b) => a - b))
    expect(plan.pours).to.have.length(8)
  })

  it('plans nothing in a season without batches', () => {
    expect(solveSeason({ ...aSeason, batches: [] }).plan.pours).to.deep.equal([])
  })

  it('throws on a season that is none, and on a pin outside it', () => {
    expect(() => solveSeason({ ...aSeason, days: 3 })).to.throw(RangeError, 'got season_hours')
    expect(() => solveSeason(aSeason, { pinned: [{ id: 'a', pour: 13, cut: 14 }] })).to.throw(RangeError, 'pinned days')
  })
})

describe('Workload', () => {
  it('knows the cost of where its batches stand, and nothing is left of a move that is taken back', () => {
    fc.assert(
      fc.property(
        smallSeasons(5),
        fc.array(fc.tuple(fc.nat(), fc.nat()), { minLength: 1, maxLength: 30 }),
        (problem, moves) => {
          const batches = problem.batches.filter((batch) => dayOptions(problem, batch).length > 0)
          fc.pre(batches.length > 0)
          const options = batches.map((batch) => dayOptions(problem, batch))
          const load = new Workload(
            { ...problem, batches },
            new OptionTable({ ...problem, batches }, batches, options, costByDays(problem)),
          )
          const standing = () => batches.map(({ id }, index) => ({ id, ...load.daysOf(load.place[index]!) }))
          for (const [which, where] of moves) {
            const batch = which % batches.length
            const from = load.place[batch]!
            const to = load.firstOption[batch]! + (where % options[batch]!.length)
            const before = { cost: load.cost, excess: load.excess }
            load.move(batch, to)
            const check = checkPlan({ ...problem, batches }, { pours: standing() })
            expect(load.cost).to.be.closeTo(check.cost, 1e-5)
            expect(load.excess < 1e-6).to.equal(check.isFeasible)
            load.move(batch, from)
            expect(load.cost).to.be.closeTo(before.cost, 1e-9)
            expect(load.excess).to.be.closeTo(before.excess, 1e-6)
            load.move(batch, to)
          }
        },
      ),
      { numRuns: 60 },
    )
  })

  it('never claims more excess for a move than the move brings', () => {
    fc.assert(
      fc.property(smallSeasons(4), fc.nat(), fc.nat(), (problem, which, where) => {
        const batches = problem.batches.filter((batch) => dayOptions(problem, batch).length > 0)
        fc.pre(batches.length > 0)
        const options = batches.map((batch) => dayOptions(problem, batch))
        const load = new Workload(
          { ...problem, batches },
          new OptionTable({ ...problem, batches }, batches, options, costByDays(problem)),
        )
        const batch = which % batches.length
        const to = load.firstOption[batch]! + (where % options[batch]!.length)
        const least = load.leastExcess(batch, to) - load.excess
        const before = load.excess
        load.move(batch, to)
        expect(load.excess - before).to.be.at.least(least - 1e-6)
      }),
    )
  })
})
