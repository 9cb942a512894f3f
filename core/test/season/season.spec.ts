import { expect } from 'chai'
import fc from 'fast-check'
import { addDays } from '../../src/calendar'
import type { BatchDemand, SeasonBatch, LineUpSoap, PlannedBatch, DatedSeason, SeasonLimits } from '../../src/season'
import {
  batchDays,
  batchDemand,
  collectionVerdict,
  daySummaries,
  checkPlan,
  daysAsHappened,
  daysWhenPouredOn,
  hoursOn,
  makerHoursOn,
  mouldsOfBatch,
  latestPourDay,
  plannedHours,
  pourDayFindings,
  OpenSeason,
  seasonOf,
  slackDays,
  solveSeason,
  suggestPourDay,
  weekHoursTotal,
} from '../../src/season'
import { plainly } from '../plainly'

const today = '2027-03-08' // a Monday
const demand: BatchDemand = {
  prepHours: 0.75,
  pourHours: 1.5,
  cutHours: 0.75,
  setDays: { min: 1, max: 3 },
  cureDays: 28,
  oven: false,
}
const workshop: SeasonLimits = {
  working: {
    makers: [
      { weekHours: [2, 1, 1, 2, 0, 3, 0], exceptions: [{ day: '2027-03-31', hours: 0 }] },
      { weekHours: [0, 1, 1, 0, 2, 3, 0], exceptions: [] },
    ],
    exceptions: [{ day: '2027-03-26', hours: 0 }],
  },
  setupHours: 0.5,
  mouldCounts: { long: 1 },
  ovenSlots: 2,
  trays: 24,
  bufferDays: 3,
}
const neededDay = '2027-04-24' // a Saturday
const plannedRules = { earliestDay: undefined, trays: 1, weight: 1, status: 'planned' as const, isPinned: false }
const seeking: SeasonBatch = {
  id: 'new:soap',
  name: 'Soap',
  mouldId: 'long',
  mouldCount: 1,
  demand,
  days: undefined,
  neededDay,
  ...plannedRules,
}
const planned = (id: string, pourDay: string): PlannedBatch => ({
  id,
  name: `Soap ${id}`,
  mouldId: 'long',
  mouldCount: 1,
  demand,
  days: batchDays(pourDay, demand, workshop.working),
})

/** The calendar on which a batch seeks its day, beside what is planned. */
const calendar = (batch: SeasonBatch | undefined, plan: readonly PlannedBatch[], of = workshop): DatedSeason =>
  seasonOf(
    [
      ...plan.filter(({ id }) => id !== batch?.id).map((one) => ({ ...plannedRules, ...one, neededDay: undefined })),
      ...(batch ? [batch] : []),
    ],
    of,
    today,
  )
const findingsOn = (day: string, batch: SeasonBatch, plan: readonly PlannedBatch[] = [], of = workshop) =>
  pourDayFindings(new OpenSeason(calendar(batch, plan, of)), batch.id, day, { long: 'Long loaf' })
const suggested = (batch: SeasonBatch, plan: readonly PlannedBatch[] = [], of = workshop) =>
  suggestPourDay(new OpenSeason(calendar(batch, plan, of)), batch.id)

describe('a batch in several kinds of mould', () => {
  const both = { ...seeking, moreMoulds: [{ mouldId: 'tray', count: 2 }] }
  const withTrays = (trays: number): SeasonLimits => ({ ...workshop, mouldCounts: { long: 1, tray: trays } })
  const told = (batch: SeasonBatch, plan: readonly PlannedBatch[], of: SeasonLimits) =>
    findingsOn('2027-03-10', batch, plan, of).map(({ code }) => code)

  it('counts each kind once, however it is written', () => {
    const mixed = { mouldId: 'long', mouldCount: 1, moreMoulds: [{ mouldId: 'long', count: 2 }, ...both.moreMoulds] }
    expect([...mouldsOfBatch(mixed)]).to.deep.equal([
      ['long', 3],
      ['tray', 2],
    ])
  })

  it('needs all of them free', () => {
    expect(told(both, [], withTrays(2))).to.deep.equal([])
    expect(told(both, [], withTrays(1))).to.deep.equal(['more_moulds_than_here'])
    const holder = { ...planned('a', '2027-03-10'), mouldId: 'tray', demand: { ...demand, pourHours: 0 } }
    expect(told(both, [holder], withTrays(2))).to.include('mould_taken')
    expect(told(both, [holder], withTrays(3))).not.to.include('mould_taken')
  })
})

describe('working hours', () => {
  it('follow the week, and the days that differ', () => {
    expect(hoursOn('2027-03-13', workshop.working)).to.equal(6)
    expect(hoursOn('2027-03-14', workshop.working)).to.equal(0)
    expect(hoursOn('2027-03-26', workshop.working)).to.equal(0)
    // The first maker is away that Wednesday; the other has one hour.
    expect(hoursOn('2027-03-31', workshop.working)).to.equal(1)
    expect(makerHoursOn('2027-03-31', workshop.working.makers[0]!)).to.equal(0)
    expect(weekHoursTotal(workshop.working)).to.equal(16)
  })
})

describe('batchDays', () => {
  it('counts from the pour over cut and cure', () => {
    expect(batchDays('2027-03-09', demand, workshop.working)).to.deep.equal({
      prepDay: '2027-03-08',
      pourDay: '2027-03-09',
      cutDay: '2027-03-10',
      readyDay: '2027-04-07',
    })
  })

  it('is prepared on the last working day before with the hours for it, so many days ahead at the most', () => {
    // Tuesday and Thursday evenings, and Saturdays.
    const evenings = { makers: [{ weekHours: [0, 2.5, 0, 2.5, 0, 6, 0], exceptions: [] }], exceptions: [] }
    const within = { ...demand, prepAhead: 4 }
    const prepDays = (days: readonly string[], of = within) => days.map((day) => batchDays(day, of, evenings).prepDay)
    // Thu 11, Sat 13 and Tue 16 March: prepared on Tuesday, Thursday and Saturday.
    const pours = ['2027-03-11', '2027-03-13', '2027-03-16']
    expect(prepDays(pours)).to.deep.equal(['2027-03-09', '2027-03-11', '2027-03-13'])
    // Two days ahead reach from Thursday to Tuesday, not from Tuesday to Saturday: then it is the very day before.
    expect(prepDays(pours, { ...demand, prepAhead: 2 })).to.deep.equal(['2027-03-09', '2027-03-11', '2027-03-15'])
    // An evening is too short for 3 h: Saturday is the last day with as much, 5 days before Thursday.
    expect(prepDays(['2027-03-11'], { ...within, prepHours: 3, prepAhead: 5 })).to.deep.equal(['2027-03-06'])
    expect(prepDays(pours, { ...within, prepHours: 0 })).to.deep.equal([null, null, null])
  })

  it('waits with the cut for a day that has hours, while the setting time lasts', () => {
    // Poured on Saturday: Sunday has no hours, so the cut is on Monday.
    expect(batchDays('2027-03-13', demand, workshop.working).cutDay).to.equal('2027-03-15')
    const short = { ...demand, setDays: { min: 1, max: 1 } }
    expect(batchDays('2027-03-13', short, workshop.working).cutDay).to.equal('2027-03-14')
    // The very last day of its setting time counts as well.
    const just = { ...demand, setDays: { min: 1, max: 2 } }
    expect(batchDays('2027-03-13', just, workshop.working).cutDay).to.equal('2027-03-15')
  })

  it('is set right by the cut that was made', () => {
    const days = batchDays('2027-03-09', demand, workshop.working)
    expect(daysAsHappened(days, undefined, demand)).to.equal(days)
    expect(daysAsHappened(days, '2027-03-12', demand).readyDay).to.equal('2027-04-09')
  })

  it('counts the latest pour back from the day the bars are needed', () => {
    // 24 April − 28 days of cure − 1 day in the mould.
    expect(latestPourDay(neededDay, demand)).to.equal('2027-03-26')
  })

  it('takes its demand from recipe and workshop', () => {
    const recipe = { setDaysMin: 1, setDaysMax: 3, cureDays: 28, oven: false }
    // What is made ready for lye of the night before does not wait longer.
    const means = { prepHours: 0.75, prepAheadDays: 4, pourHours: 1.5, cutHours: 0.75 }
    const ofSchool = (lye: 'night_before' | 'same_day') => batchDemand({ ...recipe, school: { lye } }, means).prepAhead
    expect(ofSchool('night_before')).to.equal(1)
    expect(ofSchool('same_day')).to.equal(4)
    expect(batchDemand(recipe, { prepHours: 0.75, prepAheadDays: 1, pourHours: 1.5, cutHours: 0.75 })).to.deep.equal({
      ...demand,
      prepAhead: 1,
    })
  })
})

describe('plannedHours', () => {
  it('adds preparation, pour, cut and one set-up a day', () => {
    const plan = [planned('a', '2027-03-10'), planned('b', '2027-03-10'), planned('c', '2027-03-11')]
    // Two pours, one set-up, the preparation of c.
    expect(plannedHours('2027-03-10', plan, 0.5)).to.equal(2 * 1.5 + 0.5 + 0.75)
    expect(plannedHours('2027-03-09', plan, 0.5)).to.equal(2 * 0.75)
    expect(plannedHours('2027-03-20', plan, 0.5)).to.equal(0)
  })
})

describe('pourDayFindings', () => {
  const codes = (day: string, plan: readonly PlannedBatch[] = []) =>
    findingsOn(day, seeking, plan).map(({ code }) => code)

  it('has nothing against a free day', () => {
    expect(codes('2027-03-10')).to.deep.equal([])
  })

  it('refuses a day that is past and misses the day to prepare', () => {
    expect(codes('2027-03-05')).to.include('day_is_past')
    expect(codes(today)).to.deep.equal(['no_day_to_prepare'])
  })

  it('says how many hours are short', () => {
    const [finding] = findingsOn('2027-03-10', { ...seeking, demand: { ...demand, pourHours: 5 } })
    expect(plainly(finding)).to.equal('hours, day 2027-03-10, asked 5.5 h, there 2 h')
    expect(codes('2027-03-21')).to.deep.equal(['hours'])
  })

  it('says who has the mould and until when', () => {
    // Poured on Friday and cut on Saturday, the mould is free again on Saturday; only Friday's hours are short.
    expect(codes('2027-03-13', [planned('a', '2027-03-12')])).to.deep.equal(['hours'])
    const busy = findingsOn('2027-03-13', seeking, [planned('a', '2027-03-13')])
    expect(busy.map(({ code }) => code)).to.deep.equal(['mould_taken'])
    expect(plainly(busy[0])).to.equal('mould_taken, day 2027-03-13, names [Soap a], freeAgain 2027-03-15')
  })

  it('says that there is no such mould, or too few, whatever the day', () => {
    const none = { ...workshop, mouldCounts: { long: 0 } }
    const [finding] = findingsOn('2027-03-13', seeking, [], none)
    expect(plainly(finding)).to.equal('no_such_mould_here')
    const [two] = findingsOn('2027-03-13', { ...seeking, mouldCount: 2 })
    expect(plainly(two)).to.equal('more_moulds_than_here, wanted 2, there 1')
    expect(suggested(seeking, [], none)?.pourDay).to.equal(undefined)
  })

  it('takes a day with fewer hours than the set-up alone for one without room', () => {
    const brief = {
      ...workshop,
      working: { ...workshop.working, exceptions: [{ day: '2027-03-13', hours: 0.25 }] },
    }
    const [finding] = findingsOn('2027-03-13', { ...seeking, demand: { ...demand, pourHours: 0 } }, [], brief)
    expect(plainly(finding)).to.equal('hours, day 2027-03-13, asked 0.5 h, there 0.25 h')
  })

  it('does not stand in its own way when it moves', () => {
    const moving = { ...seeking, id: 'a', days: planned('a', '2027-03-13').days }
    expect(findingsOn('2027-03-13', moving)).to.deep.equal([])
  })
})

describe('suggestPourDay', () => {
  it('takes the last free day that is in time', () => {
    // By days alone the latest would be Friday 26 March, a holiday here; the preparation for Saturday would fall on it, too.
    expect(suggested(seeking)).to.deep.equal({
      pourDay: '2027-03-25',
      cutDay: '2027-03-27',
      latestPourDay: '2027-03-25',
      slackDays: 0,
    })
  })

  it('tells the last day on which there are the hours, whatever else is planned', () => {
    // Needed on Mon 26 April after 28 days of cure: by the calendar alone Sunday 28 March, when nobody works. A workshop of
    // weekdays pours on Friday 26 and cuts on Monday 29, three days later.
    const weekdays = {
      ...workshop,
      working: { makers: [{ weekHours: [4, 4, 4, 4, 4, 0, 0], exceptions: [] }], exceptions: [] },
    }
    const late = { ...seeking, neededDay: '2027-04-26', demand: { ...demand, setDays: { min: 1, max: 3 } } }
    expect(suggested(late, [], weekdays)).to.deep.include({ latestPourDay: '2027-03-26', cutDay: '2027-03-29' })
    // Taken by another, it is the last day all the same.
    const other = { ...planned('a', '2027-03-26'), days: batchDays('2027-03-26', late.demand, weekdays.working) }
    expect(suggested(late, [other], weekdays)).to.deep.include({ latestPourDay: '2027-03-26', pourDay: '2027-03-25' })
    // With two days in the mould at the most there is no cutting on a Monday what was poured on a Friday.
    const brief = { ...late, demand: { ...late.demand, setDays: { min: 1, max: 2 } } }
    expect(suggested(brief, [], weekdays)?.latestPourDay).to.equal('2027-03-25')
    // Nobody ever has so many hours: counted back without asking for them.
    const long = { ...late, demand: { ...late.demand, pourHours: 9 } }
    expect(suggested(long, [], weekdays)).to.deep.include({ latestPourDay: '2027-03-28', pourDay: undefined })
  })

  it('goes a day earlier when that one is taken', () => {
    expect(suggested(seeking, [planned('a', '2027-03-25')])?.pourDay).to.equal('2027-03-23')
  })

  it('gives the first day after when none is in time, and says how late', () => {
    const soon = { ...seeking, neededDay: '2027-03-20' }
    const suggestion = suggested(soon)
    expect(suggestion?.pourDay).to.equal('2027-03-09')
    expect(suggestion?.slackDays).to.equal(-18)
  })

  it('gives none where there are no hours at all', () => {
    const closed = { ...workshop, working: { makers: [], exceptions: [] } }
    expect(suggested(seeking, [], closed)?.pourDay).to.equal(undefined)
  })

  it('never suggests a day that something stands against, nor one that is late while an earlier one is free', () => {
    const days = fc.array(fc.integer({ min: 1, max: 25 }), { maxLength: 8 })
    fc.assert(
      fc.property(days, fc.integer({ min: 5, max: 60 }), (taken, ahead) => {
        const plan = taken.map((day, index) => planned(String(index), addDays(today, day)))
        const wish = { ...seeking, neededDay: addDays(today, ahead) }
        const { pourDay, slackDays: slack } = suggested(wish, plan) ?? {}
        if (pourDay === undefined) return
        expect(findingsOn(pourDay, wish, plan)).to.deep.equal([])
        if (slack !== undefined && slack < 0) {
          for (let day = today; day < pourDay; day = addDays(day, 1)) {
            const inTime = slackDays(batchDays(day, demand, workshop.working), wish.neededDay) >= 0
            if (inTime) expect(findingsOn(day, wish, plan)).not.to.deep.equal([])
          }
        }
      }),
      { numRuns: 60 },
    )
  })
})

describe('collectionVerdict', () => {
  const soap = (designId: string, rest: Partial<LineUpSoap>): LineUpSoap => ({
    designId,
    name: designId,
    batch: null,
    poured: false,
    seeking,
    ...rest,
  })

  it('tries each soap on a day of its own', () => {
    const verdict = collectionVerdict(
      neededDay,
      [soap('fog', {}), soap('lamps', { seeking: { ...seeking, id: 'new:lamps' } })],
      seasonOf([seeking, { ...seeking, id: 'new:lamps' }], workshop, today),
    )
    expect(verdict.possible).to.equal(true)
    expect(verdict.soaps.map(({ standing }) => standing)).to.deep.equal(['to_plan', 'to_plan'])
    expect(new Set(verdict.soaps.map(({ pourDay }) => pourDay)).size).to.equal(2)
    // Friday 26 March is a holiday here.
    expect(verdict.nextPour?.byDay).to.equal('2027-03-25')
    // So it is for one of several pours of a soap, which seeks no day of its own.
    const one = { ...seeking, id: 'a', days: planned('a', '2027-03-10').days }
    const ofTwo = collectionVerdict(
      neededDay,
      [soap('fog', { batch: planned('a', '2027-03-10'), seeking: null })],
      seasonOf([one], workshop, today),
    )
    expect(ofTwo.nextPour?.byDay).to.equal('2027-03-25')
  })

  it('names the standing of what is planned, poured and cured', () => {
    const batch = planned('b', '2027-03-10')
    const old = planned('c', '2027-02-02')
    const verdict = collectionVerdict(
      neededDay,
      [
        soap('a', { batch }),
        soap('b', { batch, poured: true }),
        soap('c', { batch: old, poured: true }),
        soap('d', { seeking: null }),
      ],
      calendar(seeking, [batch]),
    )
    expect(verdict.soaps.map(({ standing }) => standing)).to.deep.equal(['planned', 'curing', 'ready', 'incomplete'])
    expect(verdict.possible).to.equal(false)
  })

  it('seeks no day for what came out long ago', () => {
    const verdict = collectionVerdict('2026-05-09', [soap('fog', { poured: true })], calendar(seeking, []))
    expect(verdict.soaps[0]).to.deep.include({ standing: 'out', pourDay: undefined, betterDay: undefined })
    expect(verdict).to.deep.include({ possible: true, nextPour: undefined })
  })

  it('offers a better day for a planned pour that comes too late', () => {
    const batch = planned('late', '2027-04-01')
    const verdict = collectionVerdict(
      neededDay,
      [soap('late', { batch, seeking: { ...seeking, id: 'late' } })],
      calendar({ ...seeking, id: 'late', days: batch.days }, []),
    )
    // Poured on Thu 1 April, cut on Fri 2 April, cured on Fri 30 April: six days late.
    expect(verdict.soaps[0]).to.include({ standing: 'late', slackDays: -6, betterDay: '2027-03-25' })
    expect(verdict.possible).to.equal(false)
    // One that is poured stays late, and one that is in time needs no better day.
    const poured = collectionVerdict(
      neededDay,
      [soap('late', { batch, poured: true, seeking: { ...seeking, id: 'late' } })],
      calendar({ ...seeking, id: 'late', days: batch.days }, []),
    )
    expect(poured.soaps[0]).to.deep.include({ standing: 'late', betterDay: undefined })
    const early = planned('early', '2027-03-10')
    const inTime = collectionVerdict(
      neededDay,
      [soap('early', { batch: early, seeking: { ...seeking, id: 'early' } })],
      calendar({ ...seeking, id: 'early', days: early.days }, []),
    )
    expect(inTime.soaps[0]).to.deep.include({ standing: 'planned', betterDay: undefined, whyNoDay: [] })
  })

  it('has nothing to say against an empty line-up', () => {
    expect(collectionVerdict(neededDay, [], calendar(undefined, []))).to.deep.equal({
      possible: true,
      soaps: [],
      nextPour: undefined,
    })
  })
})

describe('daySummaries', () => {
  it('shows what each day asks', () => {
    const plan = [planned('a', '2027-03-10')]
    const days = daySummaries('2027-03-09', 3, plan, workshop.working, 0.5)
    expect(days.map(({ prepares, pours, cuts }) => [prepares, pours, cuts])).to.deep.equal([
      [['a'], [], []],
      [[], ['a'], []],
      [[], [], ['a']],
    ])
    expect(days.map(({ hoursPlanned }) => hoursPlanned)).to.deep.equal([0.75, 2, 0.75])
    expect(daySummaries('2027-04-08', 1, plan, workshop.working, 0.5)[0]?.ready).to.deep.equal(['a'])
  })
})

describe('a pour whose day has gone by', () => {
  it('is late as soon as today is past its last day, whatever its plan says', () => {
    const missed = { ...planned('a', '2027-03-05'), name: 'Missed' }
    // Needed in time by its plan: cut on the 6th, cured on 3 April. Poured today, 8 March, it is cut on the 9th at the soonest.
    const verdictFor = (needed: string) =>
      collectionVerdict(
        needed,
        [{ designId: 'a', name: 'Missed', batch: missed, poured: false, seeking: null }],
        calendar(undefined, []),
      ).soaps[0]
    expect(verdictFor('2027-04-05')?.standing).to.equal('late')
    expect(verdictFor('2027-04-05')?.slackDays).to.equal(-1)
    // It is ready when it is poured today, not when it was planned to be.
    expect(verdictFor('2027-04-05')).to.include({ overdue: true, readyDay: '2027-04-06' })
    expect(verdictFor('2027-04-06')?.standing).to.equal('planned')
    expect(verdictFor('2027-04-08')).to.include({ overdue: true, readyDay: '2027-04-06', slackDays: 2 })
  })
})

describe('a workshop of two evenings and Saturdays', () => {
  const evenings: SeasonLimits = {
    ...workshop,
    working: { makers: [{ weekHours: [0, 3, 0, 3, 0, 6, 0], exceptions: [] }], exceptions: [] },
  }
  const own = { ...seeking, demand: { ...demand, prepAhead: 4 } }

  it('finds days to pour, each prepared on the working day before', () => {
    const season = calendar(own, [], evenings)
    const best = suggestPourDay(new OpenSeason(season), own.id)
    expect(best?.pourDay).not.to.equal(undefined)
    const found = solveSeason(season.problem, { seed: 1 })
    expect(checkPlan(season.problem, found.plan).isFeasible).to.equal(true)
    // A pour on the Thursday takes an hour of Tuesday.
    const days = daysWhenPouredOn(new OpenSeason(season), own.id, '2027-03-11')
    expect(days?.prepDay).to.equal('2027-03-09')
  })

  it('had no day at all while only the very day before would do', () => {
    const before = { ...own, demand: { ...demand, prepAhead: 1 } }
    expect(suggestPourDay(new OpenSeason(calendar(before, [], evenings)), own.id)?.pourDay).to.equal(undefined)
  })

  it('asks for no day to prepare where that takes no time', () => {
    const none = { ...own, demand: { ...demand, prepHours: 0, prepAhead: 1 } }
    const open = new OpenSeason(calendar(none, [], evenings))
    expect(suggestPourDay(open, own.id)?.pourDay).not.to.equal(undefined)
    expect(daysWhenPouredOn(open, own.id, '2027-03-11')?.prepDay).to.equal(null)
  })
})
