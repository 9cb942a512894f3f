import { expect } from 'chai'
import fc from 'fast-check'
import { randomFrom } from '../../../src/random'
import type { SeasonProblem } from '../../../src/season'
import { dayOptions } from '../../../src/season'
import { batchCost, costByDays } from '../../../src/season/problem/planCost'
import { layAll } from '../../../src/season/solver/firstPlan'
import { LiftedBatches } from '../../../src/season/solver/liftedBatches'
import { OptionTable } from '../../../src/season/solver/optionTable'
import { PutBack } from '../../../src/season/solver/putBack'
import { SoundPlan } from '../../../src/season/solver/soundPlan'
import { smallSeasons } from '../smallSeason'

/** A plan in which all batches lie that have a day, or undefined. */
function someRun(season: SeasonProblem) {
  const batches = season.batches.filter((batch) => dayOptions(season, batch).length > 0)
  const problem = { ...season, batches }
  const costOf = (batch: (typeof batches)[number], cut: number): number => batchCost(batch, cut, problem.bufferDays)
  const options = batches.map((batch) =>
    dayOptions(problem, batch).toSorted((a, b) => costOf(batch, a.cut) - costOf(batch, b.cut)),
  )
  const plan = new SoundPlan(problem, new OptionTable(problem, batches, options, costByDays(problem)))
  const isLaid = batches.length > 0 && layAll(plan, Int32Array.from(batches.keys()), randomFrom(3))
  return isLaid ? { plan, lifted: new LiftedBatches(plan) } : undefined
}

/** The least that the plan can cost with the lifted on their days, though not all where they lay, by looking at every way. */
function leastOfAll(plan: SoundPlan, lifted: readonly number[], before: readonly number[]): number {
  const { firstOption } = plan.table
  let least = Infinity
  const go = (at: number, isOther: boolean): void => {
    if (at === lifted.length) {
      if (isOther) least = Math.min(least, plan.cost)
      return
    }
    const batch = lifted[at]!
    for (let option = firstOption[batch]!; option < firstOption[batch + 1]!; option++) {
      if (!plan.fits(batch, option)) continue
      plan.lay(batch, option)
      go(at + 1, isOther || option !== before[at])
      plan.lift(batch)
    }
  }
  go(0, false)
  return least
}

describe('putting lifted batches back', () => {
  it('finds the cheapest other way there is, and none where none is cheap enough', () => {
    let found = 0
    fc.assert(
      fc.property(smallSeasons(4), fc.nat(), (season, chosen) => {
        const run = someRun(season)
        if (!run) return
        const { plan, lifted } = run
        const costBefore = plan.cost
        const placeBefore = [...plan.place]
        lifted.begin()
        plan.place.forEach((_, batch) => {
          if (((chosen >> batch) & 1) === 1 || lifted.count === 0) lifted.lift(batch)
        })
        const batches = [...lifted.batches.slice(0, lifted.count)]
        const before = batches.map((_, at) => lifted.optionBefore(at))
        const least = leastOfAll(plan, batches, before)
        const putBack = new PutBack(plan, lifted)
        expect(putBack.lay(least - 0.01, Infinity, false)).to.equal(false)
        expect(batches.map((batch) => plan.place[batch])).to.deep.equal(batches.map(() => -1))
        expect(putBack.lay(Infinity, Infinity, false)).to.equal(least < Infinity)
        if (least < Infinity) {
          found += 1
          expect(plan.cost).to.be.closeTo(least, 1e-6)
          expect(batches.some((batch, at) => plan.place[batch] !== before[at])).to.equal(true)
        }
        lifted.undo()
        expect([...plan.place]).to.deep.equal(placeBefore)
        expect(plan.cost).to.equal(costBefore)
      }),
      { numRuns: 150 },
    )
    expect(found).to.be.above(50)
  })

  it('takes the first within the limit when that will do, and gives up after so many looks', () => {
    fc.assert(
      fc.property(smallSeasons(4), fc.nat(), (season, chosen) => {
        const run = someRun(season)
        if (!run) return
        const { plan, lifted } = run
        const limit = plan.cost + (chosen % 40)
        lifted.begin()
        plan.place.forEach((_, batch) => lifted.lift(batch))
        const putBack = new PutBack(plan, lifted)
        const isFound = putBack.lay(limit, 5000, true)
        if (isFound) expect(plan.cost).to.be.at.most(limit + 1e-6)
        expect(plan.place.every((option) => option >= 0)).to.equal(isFound)
        lifted.undo()
        lifted.begin()
        plan.place.forEach((_, batch) => lifted.lift(batch))
        expect(putBack.lay(Infinity, 0, false)).to.equal(false)
        lifted.undo()
      }),
      { numRuns: 60 },
    )
  })
})
