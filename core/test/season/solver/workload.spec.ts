import { expect } from 'chai'
import fc from 'fast-check'
import type { Placement, ProblemBatch, SeasonProblem } from '../../../src/season'
import { dayOptions } from '../../../src/season'
import { batchCost, costByDays, costOf } from '../../../src/season/problem/planCost'
import { OptionTable } from '../../../src/season/solver/optionTable'
import { Workload } from '../../../src/season/solver/workload'
import { smallSeasons } from '../smallSeason'

/** The weights of what is too much, as they stand in the workload. */
const penalty = { hour: 100, mould: 60, ovenSlot: 60 }

/** The last day before a pour, within the days ahead, that has the hours to prepare; the very day before where none has. */
function eveOf({ hours, prepAhead = 1 }: SeasonProblem, { prepHours }: ProblemBatch, pour: number): number {
  const days = Array.from({ length: prepAhead }, (_, back) => pour - 1 - back)
  return days.find((day) => day >= 0 && hours[day]! >= prepHours) ?? pour - 1
}

/** What days hold, reckoned from the placements anew and without any of the workload's shortcuts. */
function heldBy(problem: SeasonProblem, batches: readonly ProblemBatch[], placements: readonly Placement[]) {
  const hours = problem.hours.map(() => 0)
  const pours = problem.hours.map(() => 0)
  const oven = problem.hours.map(() => 0)
  const moulds = new Map<string, number>()
  batches.forEach((batch, index) => {
    const { pour, cut } = placements[index]!
    if (batch.prepHours > 0) hours[eveOf(problem, batch, pour)]! += batch.prepHours
    hours[pour]! += batch.pourHours + (pours[pour] === 0 ? problem.setupHours : 0)
    pours[pour]! += 1
    hours[cut]! += batch.cutHours
    for (const [kind, count] of Object.entries(batch.moulds)) {
      if (batch.oven) oven[pour]! += count
      for (let day = pour; day < cut; day++) moulds.set(`${kind} ${day}`, (moulds.get(`${kind} ${day}`) ?? 0) + count)
    }
  })
  return { hours, pours, oven, mouldsOn: (kind: string, day: number) => moulds.get(`${kind} ${day}`) ?? 0 }
}

/** A season whose batches were moved about, and one of its moves to be looked at. */
const seasonsWithMoves = fc
  .tuple(smallSeasons(4), fc.array(fc.tuple(fc.nat(), fc.nat()), { minLength: 1, maxLength: 8 }))
  .map(([problem, moves]) => {
    const batches = problem.batches.filter((batch) => dayOptions(problem, batch).length > 0)
    return { problem: { ...problem, batches }, batches, moves }
  })
  .filter(({ batches }) => batches.length > 0)
  .map(({ problem, batches, moves }) => {
    const options = batches.map((batch) => dayOptions(problem, batch))
    const load = new Workload(problem, new OptionTable(problem, batches, options, costByDays(problem)))
    const optionOf = ([which, where]: readonly [number, number]) => {
      const batch = which % batches.length
      return { batch, to: load.firstOption[batch]! + (where % options[batch]!.length) }
    }
    const last = optionOf(moves.at(-1)!)
    for (const move of moves.slice(0, -1)) {
      const { batch, to } = optionOf(move)
      load.move(batch, to)
    }
    const placements = batches.map(({ id }, index): Placement => ({ id, ...load.daysOf(load.place[index]!) }))
    return { problem, batches, options, load, placements, ...last }
  })

describe('a look before a move', () => {
  it('knows what stands over on the new days, by hours, moulds and oven', () => {
    fc.assert(
      fc.property(seasonsWithMoves, ({ problem, batches, load, placements, batch: index, to }) => {
        const batch = batches[index]!
        const before = placements[index]!
        const { pour, cut } = load.daysOf(to)
        const held = heldBy(problem, batches, placements)
        const ownHours = (day: number): number =>
          (day === eveOf(problem, batch, before.pour) ? batch.prepHours : 0) +
          (day === before.pour ? batch.pourHours : 0) +
          (day === before.cut ? batch.cutHours : 0)
        const hoursOver = (day: number, asked: number): number =>
          Math.max(0, held.hours[day]! + asked - ownHours(day) - problem.hours[day]!)
        let expected =
          penalty.hour *
          (hoursOver(pour, batch.pourHours) +
            hoursOver(cut, batch.cutHours) +
            (batch.prepHours > 0 ? hoursOver(eveOf(problem, batch, pour), batch.prepHours) : 0))
        for (const [kind, count] of Object.entries(batch.moulds))
          for (let day = pour; day < cut; day++)
            if (day < before.pour || day >= before.cut)
              expected += penalty.mould * Math.max(0, held.mouldsOn(kind, day) + count - problem.mouldKinds[kind]!)
        if (batch.oven && pour !== before.pour)
          expected += penalty.ovenSlot * Math.max(0, held.oven[pour]! + 1 - problem.ovenSlots)
        expect(load.leastAfter(index, to)).to.be.closeTo(expected, 1e-4)
      }),
      { numRuns: 400 },
    )
  })

  it('knows quickly what far days bring in hours, and says nothing of near ones', () => {
    fc.assert(
      fc.property(seasonsWithMoves, ({ problem, batches, options, load, placements, batch: index, to }) => {
        const batch = batches[index]!
        const { pour, cut } = load.daysOf(to)
        const held = heldBy(problem, batches, placements)
        const broughtOver = (day: number, asked: number, opens = 0): number =>
          Math.min(asked, Math.max(0, held.hours[day]! + asked + opens - problem.hours[day]!))
        const opens = held.pours[pour] === 0 ? problem.setupHours : 0
        const mostAhead = batches.flatMap((one, at) =>
          options[at]!.map((option) => option.pour - eveOf(problem, one, option.pour)),
        )
        const reach = cut - eveOf(problem, batch, pour) + 2 + Math.max(1, ...mostAhead)
        const isNear = Math.abs(pour - placements[index]!.pour) < reach
        const expected = isNear
          ? 0
          : penalty.hour *
            (broughtOver(pour, batch.pourHours, opens) +
              broughtOver(cut, batch.cutHours) +
              (batch.prepHours > 0 ? broughtOver(eveOf(problem, batch, pour), batch.prepHours) : 0))
        expect(load.leastExcess(index, to)).to.be.closeTo(expected, 1e-4)
      }),
      { numRuns: 400 },
    )
  })

  it('knows what its own days save, and the pour day that may close besides', () => {
    fc.assert(
      fc.property(seasonsWithMoves, ({ problem, batches, load, placements, batch: index, to }) => {
        const batch = batches[index]!
        const costAt = (cut: number): number => batchCost(batch, cut, problem.bufferDays)
        const saved = costAt(placements[index]!.cut) - costAt(load.daysOf(to).cut) + costOf.pourDay
        expect(load.mostSaved(index, to)).to.be.closeTo(saved, 1e-9)
        const before = load.cost
        load.move(index, to)
        expect(before - load.cost).to.be.at.most(saved + 1e-6)
      }),
    )
  })

  it('finds the options of a batch on a day, each of its cut days by chance', () => {
    fc.assert(
      fc.property(seasonsWithMoves, ({ batches, options, load }) => {
        batches.forEach((_, index) => {
          for (let day = 0; day < 9; day++) {
            const onDay = options[index]!.filter(({ pour }) => pour === day)
            const found = [0, 0.5, 0.999].map((chance) => load.optionOn(index, day, () => chance))
            const picked = [0, Math.floor(onDay.length / 2), onDay.length - 1].map((at) => onDay[at])
            if (onDay.length === 0) expect(found).to.deep.equal([-1, -1, -1])
            else expect(found.map((option) => load.daysOf(option))).to.deep.equal(picked)
          }
        })
      }),
    )
  })
})
