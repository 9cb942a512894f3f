import { expect } from 'chai'
import fc from 'fast-check'
import { randomFrom } from '../../../src/random'
import type { SeasonProblem } from '../../../src/season'
import { checkPlan, dayOptions } from '../../../src/season'
import { costByDays } from '../../../src/season/problem/planCost'
import type { AnnealingSchedule, Best } from '../../../src/season/solver/annealing'
import { anneal, keepIfBetter } from '../../../src/season/solver/annealing'
import { OptionTable } from '../../../src/season/solver/optionTable'
import { Workload } from '../../../src/season/solver/workload'
import { leastCost, smallSeasons } from '../smallSeason'

const usual: AnnealingSchedule = { moves: 1500, hot: 20, cold: 0.2, startWeight: 0.5 }
const bestOf = (load: Workload): Best => ({ place: load.place.slice(), cost: load.cost, excess: load.excess })

/** A search over a small season; the first batch stays where it is where there are others. */
function searched(problem: SeasonProblem, seed: number, schedule: AnnealingSchedule) {
  const batches = problem.batches.filter((batch) => dayOptions(problem, batch).length > 0)
  const season = { ...problem, batches }
  const options = batches.map((batch) => dayOptions(problem, batch))
  const load = new Workload(season, new OptionTable(season, batches, options, costByDays(season)))
  const begun = bestOf(load)
  const [best, coldBest] = [bestOf(load), { ...bestOf(load), cost: Infinity, excess: Infinity }]
  const active = Int32Array.from(batches.keys()).slice(batches.length > 1 ? 1 : 0)
  anneal(load, active, { from: 0, to: problem.days }, schedule, randomFrom(seed), best, coldBest)
  const planOf = (place: Int32Array) => ({
    pours: batches.map(({ id }, index) => ({ id, ...load.daysOf(place[index]!) })),
  })
  return { season, load, begun, best, coldBest, active, planOf }
}

const seasons = smallSeasons(5).filter((problem) =>
  problem.batches.some((batch) => dayOptions(problem, batch).length > 0),
)

describe('anneal', () => {
  it('ends where its sums say, keeps the best it met, and leaves what does not take part', () => {
    fc.assert(
      fc.property(seasons, fc.nat(1000), (problem, seed) => {
        const { season, load, begun, best, active, planOf } = searched(problem, seed, usual)
        expect(load.cost).to.be.closeTo(checkPlan(season, planOf(load.place)).cost, 1e-4)
        expect(best.cost).to.be.closeTo(checkPlan(season, planOf(best.place)).cost, 1e-4)
        expect(checkPlan(season, planOf(best.place)).isFeasible).to.equal(best.excess < 1e-6)
        expect(best.excess).to.be.at.most(begun.excess + 1e-6)
        if (Math.abs(best.excess - begun.excess) < 1e-6) expect(best.cost).to.be.at.most(begun.cost + 1e-6)
        expect(best.excess < load.excess + 1e-6).to.equal(true)
        season.batches.forEach((_, index) => {
          if (!active.includes(index)) expect(load.place[index]).to.equal(begun.place[index])
        })
      }),
      { numRuns: 60 },
    )
  })

  it('takes no dearer plan for one that breaks as much, but for the tolerance of an overfull day', () => {
    const batch = {
      prepHours: 0,
      cureDays: 1,
      trays: 1,
      earliest: 0,
      weight: 1,
      oven: false,
      setDays: { min: 1, max: 2 },
    }
    const problem: SeasonProblem = {
      ...{
        hours: [0, 5, 2, 1, 5, 0, 0, 0, 0],
        setupHours: 0,
        ovenSlots: 0,
        trays: 3,
        bufferDays: 0,
        prepAhead: 1,
        days: 9,
      },
      mouldKinds: { loaf: 1, slab: 1 },
      batches: [
        { ...batch, id: 'b0', moulds: { loaf: 1 }, pourHours: 0.75, cutHours: 0.25, due: 5 },
        { ...batch, id: 'b1', moulds: { slab: 1 }, pourHours: 0.5, cutHours: 0.5, due: 5 },
        {
          ...batch,
          id: 'b2',
          moulds: { loaf: 1 },
          pourHours: 1.5,
          cutHours: 1,
          due: 4,
          earliest: 2,
          setDays: { min: 1, max: 1 },
        },
        {
          ...batch,
          id: 'b3',
          moulds: { loaf: 1 },
          pourHours: 0.5,
          cutHours: 0.25,
          due: 4,
          oven: true,
          setDays: { min: 1, max: 1 },
        },
      ],
    }
    const { begun, best } = searched(problem, 0, usual)
    expect(best.excess).to.be.closeTo(begun.excess, 1e-6)
    expect(best.cost).to.be.at.most(begun.cost + 1e-6)
  })

  it('finds the best days of a batch that stands alone', () => {
    fc.assert(
      fc.property(smallSeasons(1), fc.nat(1000), (problem, seed) => {
        const least = leastCost(problem)
        fc.pre(least !== undefined)
        const { best } = searched(problem, seed, usual)
        expect(best.excess).to.be.below(1e-6)
        expect(best.cost).to.be.closeTo(least!, 1e-4)
      }),
      { numRuns: 60 },
    )
  })

  it('takes nothing worse once it is cold', () => {
    fc.assert(
      fc.property(seasons, fc.nat(1000), (problem, seed) => {
        const cold = { moves: 400, hot: 1e-9, cold: 1e-9, startWeight: 20 }
        const { load, begun, best } = searched(problem, seed, cold)
        const worth = ({ cost, excess }: Pick<Best, 'cost' | 'excess'>): number => cost + 20 * excess
        expect(worth(load)).to.be.at.most(worth(begun) + 1e-4)
        expect(worth(load)).to.be.at.most(worth(best) + 1e-4)
      }),
      { numRuns: 60 },
    )
  })

  it('tells the best of its cold end apart from that of its hot one', () => {
    fc.assert(
      fc.property(seasons, fc.nat(1000), (problem, seed) => {
        const hot = searched(problem, seed, { ...usual, moves: 200, hot: 9, cold: 8 })
        expect(hot.coldBest.cost).to.equal(Infinity)
        const cold = searched(problem, seed, { ...usual, moves: 200, hot: 0.9, cold: 0.8 })
        expect(cold.coldBest.excess).to.be.at.least(cold.best.excess - 1e-6)
        if (cold.load.place.some((option, index) => option !== cold.begun.place[index]))
          expect(cold.coldBest.cost).to.be.below(Infinity)
      }),
      { numRuns: 60 },
    )
  })
})

describe('keepIfBetter', () => {
  it('puts breaking less before costing less, and takes nothing that is only as good', () => {
    const of = (cost: number, excess: number): Best => ({ place: new Int32Array(1), cost, excess })
    const isKept = (cost: number, excess: number, best: Best): boolean =>
      keepIfBetter({ ...of(cost, excess) } as Workload, best)
    expect(isKept(90, 0, of(50, 1))).to.equal(true)
    expect(isKept(10, 2, of(50, 1))).to.equal(false)
    expect(isKept(49, 1, of(50, 1))).to.equal(true)
    expect(isKept(50, 1, of(50, 1))).to.equal(false)
    const best = of(50, 1)
    isKept(49, 0, best)
    expect(best).to.deep.include({ cost: 49, excess: 0 })
  })
})
