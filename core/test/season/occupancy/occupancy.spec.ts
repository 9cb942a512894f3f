import { expect } from 'chai'
import fc from 'fast-check'
import type { PlacedBatch, Violation } from '../../../src/season'
import { checkPlan, dayOptions, Occupancy } from '../../../src/season'
import { costByDays } from '../../../src/season/problem/planCost'
import { OptionTable } from '../../../src/season/solver/optionTable'
import { Workload } from '../../../src/season/solver/workload'
import { aBatch, aSeason, seasonsWithPours, smallSeasons } from '../smallSeason'

const at = (pour: number, cut: number, more: Partial<typeof aBatch> = {}): PlacedBatch => ({
  batch: { ...aBatch, ...more },
  pour,
  cut,
})

/** How much a rule is broken by; what a plan breaks anew is broken by more than before. */
const keyOf = (violation: Violation): string =>
  'day' in violation
    ? `${violation.rule}|${violation.day}|${'kind' in violation ? violation.kind : ''}|${violation.asked.toFixed(6)}`
    : `${violation.rule}|${violation.id}`

describe('what a season still has', () => {
  it('says what a batch lacks on its days, by how much, and nothing where it fits', () => {
    const occupancy = new Occupancy(aSeason)
    expect(occupancy.fits(at(5, 7))).to.equal(true)
    expect(occupancy.violations(at(5, 7))).to.deep.equal([])
    // Day 4 has 2 h, 0.5 of them to prepare; day 3 has none: the pour asks for 1.5 h and the set-up there.
    expect(occupancy.violations(at(3, 5))).to.deep.equal([{ rule: 'hours', day: 3, asked: 2, there: 0 }])
    occupancy.take(at(5, 7))
    expect(occupancy.violations(at(5, 7, { id: 'b', trays: 3 }))).to.deep.equal(
      [
        { rule: 'hours', day: 7, asked: 2, there: 2 },
        ...[5, 6].map((day) => ({ rule: 'moulds', kind: 'loaf', day, asked: 2, there: 1 })),
        ...[7, 8, 9, 10, 11].map((day) => ({ rule: 'trays', day, asked: 5, there: 4 })),
      ].slice(1),
    )
  })

  it('charges the set-up to the first pour of a day, and gives it back with the last', () => {
    const occupancy = new Occupancy(aSeason)
    occupancy.take(at(5, 7))
    occupancy.take(at(5, 7, { id: 'b' }))
    expect(occupancy.load.hours[5]).to.equal(2 * 1.5 + 0.5)
    occupancy.giveBack(at(5, 7))
    expect(occupancy.load.hours[5]).to.equal(1.5 + 0.5)
    occupancy.giveBack(at(5, 7, { id: 'b' }))
    expect(occupancy.load.hours[5]).to.equal(0)
  })

  it('counts a batch’s own rules: its first day, a day to prepare on, its time in the mould, the season’s ends', () => {
    const occupancy = new Occupancy({ ...aSeason, hours: aSeason.hours.map(() => 9) })
    const rules = (placed: PlacedBatch) => occupancy.violations(placed).map(({ rule }) => rule)
    expect(rules(at(5, 7, { earliest: 6 }))).to.deep.equal(['too_early'])
    expect(rules(at(0, 1))).to.deep.equal(['no_day_to_prepare'])
    expect(rules(at(0, 1, { prepHours: 0 }))).to.deep.equal([])
    expect(rules(at(5, 8))).to.deep.equal(['set_days'])
    expect(rules(at(5, 5))).to.deep.equal(['set_days'])
    for (const outside of [at(-1, 1), at(13, 14), at(5.5, 7), at(Number.NaN, 7)])
      expect(rules(outside)).to.deep.equal(['outside'])
  })

  it('holds the oven on the night of the pour alone, and counts every mould in it', () => {
    const occupancy = new Occupancy({ ...aSeason, hours: aSeason.hours.map(() => 9), mouldKinds: { loaf: 4, slab: 1 } })
    const baked = { oven: true, moulds: { loaf: 2 } }
    expect(occupancy.violations(at(5, 7, baked))).to.deep.equal([{ rule: 'oven', day: 5, asked: 2, there: 1 }])
    occupancy.take(at(5, 7, { ...baked, moulds: { loaf: 1 } }))
    expect(occupancy.fits(at(6, 7, { ...baked, moulds: { loaf: 1 } }))).to.equal(true)
    expect(occupancy.fits(at(5, 7, { ...baked, moulds: { slab: 1 } }))).to.equal(false)
  })

  it('keeps trays until the due day it is asked for', () => {
    const occupancy = new Occupancy({ ...aSeason, trays: 2 })
    occupancy.take(at(5, 7, { id: 'b' }), 13)
    // Ready on day 6 and gone: the racks are free again before the other comes.
    expect(occupancy.fits(at(1, 2, { cureDays: 4, moulds: { slab: 1 } }), 6)).to.equal(true)
    expect(occupancy.fits(at(1, 2, { cureDays: 4, moulds: { slab: 1 } }), 12)).to.equal(false)
    occupancy.giveBack(at(5, 7, { id: 'b' }), 13)
    expect(occupancy.load.trays.every((trays) => trays === 0)).to.equal(true)
  })

  it('does not blame a batch for what is overfull without it', () => {
    const occupancy = new Occupancy({ ...aSeason, hours: aSeason.hours.map((hours, day) => (day === 5 ? 0.5 : hours)) })
    occupancy.take(at(5, 7))
    expect(occupancy.overfull()).to.deep.equal([{ rule: 'hours', day: 5, asked: 2, there: 0.5 }])
    // Cut on day 5 with nothing to do there it is not blamed; with an hour of work it is.
    const light = { prepHours: 0, pourHours: 1, moulds: { slab: 1 } }
    expect(occupancy.fits(at(4, 5, { ...light, cutHours: 0 }))).to.equal(true)
    expect(occupancy.fits(at(4, 5, light))).to.equal(false)
  })

  it('takes and gives back: nothing is left of it', () => {
    fc.assert(
      fc.property(seasonsWithPours(5, { min: -1, max: 9 }), ({ problem, pours }) => {
        const occupancy = new Occupancy(problem)
        const before = JSON.stringify(occupancy.load)
        const placed = problem.batches.map((batch, index) => ({ ...pours[index]!, batch }))
        placed.forEach((one) => occupancy.take(one))
        placed.forEach((one) => occupancy.giveBack(one))
        const left = JSON.parse(JSON.stringify(occupancy.load)) as { hours: number[] }
        expect({ ...left, hours: left.hours.map((hours) => Number(hours.toFixed(9)) + 0) }).to.deep.equal(
          JSON.parse(before),
        )
      }),
    )
  })

  it('gives the answer of the whole check: a batch fits where the plan breaks nothing more with it', () => {
    fc.assert(
      fc.property(seasonsWithPours(5), fc.nat(), ({ problem, pours }, which) => {
        const batch = problem.batches[which % problem.batches.length]!
        const { pour, cut } = pours[which % problem.batches.length]!
        const others = pours.filter(({ id }) => id !== batch.id)
        const occupancy = new Occupancy(problem)
        for (const { id, ...days } of others)
          occupancy.take({ batch: problem.batches.find((one) => one.id === id)!, ...days })
        const without = { ...problem, batches: problem.batches.filter(({ id }) => id !== batch.id) }
        const before = new Set(checkPlan(without, { pours: others }).violations.map(keyOf))
        const anew = checkPlan(problem, { pours: [...others, { id: batch.id, pour, cut }] }).violations.filter(
          (violation) => !before.has(keyOf(violation)),
        )
        const own = occupancy.violations({ batch, pour, cut })
        expect(own.map(keyOf).sort()).to.deep.equal(anew.map(keyOf).sort())
        expect(occupancy.fits({ batch, pour, cut })).to.equal(anew.length === 0)
      }),
      { numRuns: 300 },
    )
  })

  it('is what the solver’s fast twin says, batch by batch, while batches are moved about', () => {
    fc.assert(
      fc.property(
        smallSeasons(5),
        fc.array(fc.tuple(fc.nat(), fc.nat()), { minLength: 1, maxLength: 20 }),
        (season, moves) => {
          const batches = season.batches.filter((batch) => dayOptions(season, batch).length > 0)
          fc.pre(batches.length > 0)
          const problem = { ...season, batches }
          const options = batches.map((batch) => dayOptions(problem, batch))
          const twin = new Workload(problem, new OptionTable(problem, batches, options, costByDays(problem)))
          const occupancy = new Occupancy(problem)
          const standing = batches.map((batch, index) => ({ batch, ...twin.daysOf(twin.place[index]!) }))
          standing.forEach((placed) => occupancy.take(placed))
          for (const [which, where] of moves) {
            const batch = which % batches.length
            const to = twin.firstOption[batch]! + (where % options[batch]!.length)
            occupancy.giveBack(standing[batch]!)
            const moved = { batch: batches[batch]!, ...twin.daysOf(to) }
            // What the model finds lacking and nothing else is what the twin charges more for.
            const isFree = occupancy.overfull().length === 0
            const fits = occupancy.fits(moved)
            twin.move(batch, to)
            occupancy.take(moved)
            standing[batch] = moved
            expect(twin.excess < 1e-6).to.equal(occupancy.overfull().length === 0)
            if (isFree) expect(twin.excess < 1e-6).to.equal(fits)
          }
        },
      ),
      { numRuns: 150 },
    )
  })
})
