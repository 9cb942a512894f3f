import { expect } from 'chai'
import fc from 'fast-check'
import type { Day } from '../../src/calendar'
import { addDays, daysBetween } from '../../src/calendar'
import type { SeasonBatch, DatedSeason, SeasonLimits } from '../../src/season'
import {
  checkPlan,
  collectionVerdict,
  daysWhenPouredOn,
  deliveryDate,
  newViolations,
  OpenSeason,
  pourDayFindings,
  seasonOf,
  suggestPourDay,
} from '../../src/season'

const today = '2027-03-08'
const daysAsked = 40

/** A workshop of contended hours, moulds, oven and racks with pours on its calendar, and one more soap that seeks a day. */
const question = fc
  .record({
    weekHours: fc.array(fc.constantFrom(0, 1, 2, 3, 5), { minLength: 7, maxLength: 7 }),
    setupHours: fc.constantFrom(0, 0.5, 1),
    long: fc.integer({ min: 1, max: 2 }),
    ovenSlots: fc.integer({ min: 0, max: 2 }),
    racks: fc.integer({ min: 2, max: 6 }),
    planned: fc.array(fc.tuple(fc.integer({ min: 1, max: 30 }), fc.integer({ min: 1, max: 3 }), fc.boolean()), {
      maxLength: 6,
    }),
    prepHours: fc.constantFrom(0, 0.5),
    prepAhead: fc.integer({ min: 1, max: 4 }),
    pourHours: fc.constantFrom(0.5, 1, 1.5),
    cutHours: fc.constantFrom(0, 0.5, 1),
    setMax: fc.integer({ min: 1, max: 3 }),
    cureDays: fc.integer({ min: 5, max: 20 }),
    trays: fc.integer({ min: 1, max: 3 }),
    oven: fc.boolean(),
    slab: fc.boolean(),
    earliest: fc.integer({ min: 0, max: 6 }),
    needed: fc.integer({ min: 1, max: 50 }),
    day: fc.integer({ min: 0, max: daysAsked - 1 }),
  })
  .map(({ planned, needed, earliest, day, slab, long, racks, weekHours, setupHours, ovenSlots, ...own }) => {
    const batch = (id: string): SeasonBatch => ({
      id,
      name: id,
      mouldId: slab ? 'slab' : 'long',
      mouldCount: 1,
      demand: {
        prepHours: own.prepHours,
        prepAhead: own.prepAhead,
        pourHours: own.pourHours,
        cutHours: own.cutHours,
        setDays: { min: 1, max: own.setMax },
        cureDays: own.cureDays,
        oven: own.oven,
      },
      days: undefined,
      neededDay: addDays(today, needed),
      earliestDay: addDays(today, earliest),
      trays: own.trays,
      weight: 1,
      status: 'planned',
      isPinned: false,
    })
    const standing = planned.map(([pour, set, inLong], index): SeasonBatch => ({
      ...batch(`b${index}`),
      mouldId: inLong ? 'long' : 'slab',
      earliestDay: undefined,
      days: {
        prepDay: addDays(today, pour - 1),
        pourDay: addDays(today, pour),
        cutDay: addDays(today, pour + set),
        readyDay: addDays(today, pour + set + own.cureDays),
      },
    }))
    const limits: SeasonLimits = {
      working: { makers: [{ weekHours, exceptions: [] }], exceptions: [] },
      setupHours,
      mouldCounts: { long, slab: 1 },
      ovenSlots,
      trays: racks,
      bufferDays: 2,
    }
    const soap = batch('new:soap')
    return { season: seasonOf([...standing, soap], limits, today), soap, day: addDays(today, day) }
  })

/** What the board says while the soap is held over a day: what its plan breaks that it did not break before. */
function boardSays(season: DatedSeason, soap: SeasonBatch, day: Day): boolean {
  const without = { ...season.problem, batches: season.problem.batches.filter(({ id }) => id !== soap.id) }
  const before = checkPlan(without, { pours: season.placements })
  const days = daysWhenPouredOn(new OpenSeason(season), soap.id, day)
  if (!days) throw new Error('Expected days')
  const place = { id: soap.id, pour: daysBetween(today, days.pourDay), cut: daysBetween(today, days.cutDay) }
  const after = checkPlan(season.problem, { pours: [...season.placements, place] })
  return newViolations(before.violations, after.violations).length === 0
}

const soapPageSays = (open: OpenSeason, soap: SeasonBatch, day: Day): boolean =>
  pourDayFindings(open, soap.id, day, {}).length === 0

describe('whether a day is free', () => {
  it('has one answer on the board, the soap’s page, the plan page and the order page: 500 questions', () => {
    fc.assert(
      fc.property(question, ({ season, soap, day }) => {
        const open = new OpenSeason(season)
        const isFree = soapPageSays(open, soap, day)
        expect(boardSays(season, soap, day), 'board').to.equal(isFree)

        // The plan page suggests the last free day that is in time, else the first one after.
        const { demand, neededDay = '' } = soap
        const suggestion = suggestPourDay(open, soap.id)
        const [onPlanPage] = collectionVerdict(
          neededDay,
          [{ designId: 'soap', name: 'soap', batch: null, poured: false, seeking: soap }],
          season,
        ).soaps
        expect(onPlanPage?.pourDay, 'plan page').to.equal(suggestion?.pourDay)
        const latest = suggestion?.latestPourDay ?? ''
        const all = Array.from({ length: season.problem.days - 5 }, (_, ahead) => addDays(today, ahead))
        const free = all.filter((one) => soapPageSays(open, soap, one))
        const isInTime = (one: Day): boolean => (daysWhenPouredOn(open, soap.id, one)?.readyDay ?? '') <= neededDay
        const expected = free.findLast((one) => one <= latest && isInTime(one)) ?? free[0]
        // No later day has the hours for it, whatever else is planned.
        expect(free.findLast(isInTime) ?? '', 'last day').to.satisfy((last: Day) => last <= latest)
        expect(suggestion?.pourDay, 'suggestion').to.equal(expected)

        // The order page promises the first day on which bars poured on a free day are ready. They leave the racks then.
        const asked = { ...season, problem: withDue(season, soap.id, 0) }
        const due = deliveryDate(asked.problem, season.placements, [soap.id], { mostMoved: 0 }).asPlanned?.due
        const openNow = new OpenSeason(asked)
        const ready = all.flatMap((one) => {
          const cut = openNow.freeCut(soap.id, daysBetween(today, one))
          return cut === undefined ? [] : [cut + demand.cureDays]
        })
        expect(due ?? Infinity, 'order page').to.equal(Math.min(Infinity, ...ready))
      }),
      { numRuns: 500 },
    )
  }).timeout(120_000)
})

/** The season with a batch that is handed over as soon as it is ready. */
function withDue({ problem }: DatedSeason, id: string, due: number): DatedSeason['problem'] {
  return { ...problem, batches: problem.batches.map((batch) => (batch.id === id ? { ...batch, due } : batch)) }
}
