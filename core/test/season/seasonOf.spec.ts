import { expect } from 'chai'
import type { BarCut } from '../../src/cutting'
import type { Mould } from '../../src/mould'
import type { SeasonBatch, SeasonLimits } from '../../src/season'
import {
  barsOfBatch,
  checkPlan,
  collectionWeight,
  leastHorizonDays,
  planChanges,
  planFigures,
  seasonOf,
  traysFor,
  violationFinding,
  withoutRepeats,
} from '../../src/season'
import { plainly } from '../plainly'

const today = '2027-03-08' // a Monday
const limits: SeasonLimits = {
  working: {
    makers: [{ weekHours: [2, 2, 2, 4, 2, 6, 0], exceptions: [] }],
    exceptions: [{ day: '2027-03-13', hours: 0 }],
  },
  setupHours: 0.5,
  mouldCounts: { long: 1 },
  ovenSlots: 2,
  trays: 10,
  bufferDays: 3,
}
const planned: SeasonBatch = {
  id: 'a',
  name: 'Lantern Glass',
  mouldId: 'long',
  mouldCount: 1,
  demand: { prepHours: 0.5, pourHours: 1.5, cutHours: 1, setDays: { min: 1, max: 3 }, cureDays: 28, oven: false },
  days: { prepDay: '2027-03-10', pourDay: '2027-03-11', cutDay: '2027-03-12', readyDay: '2027-04-09' },
  neededDay: '2027-04-10',
  earliestDay: undefined,
  trays: 2,
  weight: collectionWeight,
  status: 'planned',
  isPinned: false,
}
const names = { long: 'Long loaf' }

describe('seasonOf', () => {
  it('counts days from today, takes hours from the week and its exceptions, and looks far enough ahead', () => {
    const { problem, placements, firstDay } = seasonOf([planned], limits, today)
    expect(firstDay).to.equal(today)
    expect(problem.hours.slice(0, 7)).to.deep.equal([2, 2, 2, 4, 2, 0, 0])
    expect(placements).to.deep.equal([{ id: 'a', pour: 3, cut: 4 }])
    expect(problem.batches[0]).to.deep.include({ due: 33, earliest: 0, moulds: { long: 1 }, trays: 2 })
    expect(problem.days).to.equal(leastHorizonDays + 1)
  })

  it('has no hurry with what nobody waits for, and lets nothing be poured before what it needs is there', () => {
    const free = { ...planned, neededDay: undefined, earliestDay: '2027-03-20' }
    const { problem } = seasonOf([free], limits, today)
    // Whatever day it is cut on, it is cured in time.
    expect(problem.batches[0]).to.deep.include({ due: problem.days + 28, earliest: 12 })
    const past = seasonOf([{ ...planned, earliestDay: '2027-01-20' }], limits, today)
    expect(past.problem.batches[0]?.earliest).to.equal(0)
  })

  it('asks for no preparation of a pour that had its day for it before today', () => {
    const onThursday = (days: SeasonBatch['days']) => {
      const { problem, placements } = seasonOf([{ ...planned, days }], limits, '2027-03-11')
      return checkPlan(problem, { pours: placements }).violations.map(({ rule }) => rule)
    }
    // Poured today, Thursday 11 March, prepared yesterday, when there were two hours.
    expect(onThursday(planned.days)).to.deep.equal([])
    // On Sunday 7 March nobody worked: then there was none.
    const { days } = planned
    expect(onThursday(days && { ...days, prepDay: '2027-03-07' })).to.deep.equal(['no_day_to_prepare'])
  })

  it('plans a batch without a day, and pins only those the maker pinned', () => {
    const { placements, pinned, problem } = seasonOf(
      [
        { ...planned, isPinned: true },
        { ...planned, id: 'b', days: undefined },
      ],
      limits,
      today,
    )
    expect(placements.map(({ id }) => id)).to.deep.equal(['a'])
    expect(pinned.map(({ id }) => id)).to.deep.equal(['a'])
    expect(problem.batches.map(({ id }) => id)).to.deep.equal(['a', 'b'])
  })

  it('lets a batch in its mould keep mould, cut hours and trays, and a curing one its trays', () => {
    const inMould: SeasonBatch = {
      ...planned,
      id: 'm',
      status: 'in_mould',
      days: { prepDay: '2027-03-06', pourDay: '2027-03-07', cutDay: '2027-03-09', readyDay: '2027-04-06' },
    }
    const curing: SeasonBatch = {
      ...planned,
      id: 'c',
      status: 'curing',
      neededDay: undefined,
      days: { prepDay: '2027-02-14', pourDay: '2027-02-15', cutDay: '2027-02-16', readyDay: '2027-03-11' },
    }
    const { problem } = seasonOf([inMould, curing, { ...curing, id: 'g', status: 'gone' }], limits, today)
    expect(problem.taken?.moulds['long']?.slice(0, 3)).to.deep.equal([1, 0, 0])
    expect(problem.hours.slice(0, 2)).to.deep.equal([2, 2])
    expect(problem.taken?.hours?.slice(0, 2)).to.deep.equal([0, 1])
    // The curing one until Thursday, the other from its cut on Tuesday until it is needed on 10 April.
    expect(problem.taken?.trays.slice(0, 4)).to.deep.equal([2, 4, 4, 2])
    expect(problem.taken?.trays[32]).to.equal(2)
    expect(problem.taken?.trays[33]).to.equal(0)
    expect(problem.batches).to.deep.equal([])
  })

  it('still asks for a cut that is overdue', () => {
    const overdue: SeasonBatch = {
      ...planned,
      status: 'in_mould',
      days: { prepDay: '2027-03-01', pourDay: '2027-03-02', cutDay: '2027-03-04', readyDay: '2027-04-01' },
    }
    const { problem } = seasonOf([overdue], limits, today)
    expect(problem.taken?.moulds['long']?.slice(0, 2)).to.deep.equal([1, 0])
    expect([problem.hours[0], problem.taken?.hours?.[0]]).to.deep.equal([2, 1])
  })

  it('rounds trays up', () => {
    expect(traysFor(36, 18)).to.equal(2)
    expect(traysFor(37, 18)).to.equal(3)
    expect(() => traysFor(36, 0)).to.throw(RangeError, '1 or more bars')
  })
})

describe('what is told of a plan', () => {
  const season = seasonOf([planned, { ...planned, id: 'b', name: 'Dawn Arrival' }], limits, today)
  const told = (pours: readonly { id: string; pour: number; cut: number }[]) =>
    withoutRepeats(checkPlan(season.problem, { pours }).violations).map((violation) =>
      plainly(violationFinding(violation, season, names)),
    )

  it('names the day, what is asked and what is there', () => {
    expect(
      told([
        { id: 'a', pour: 1, cut: 2 },
        { id: 'b', pour: 1, cut: 2 },
      ]),
    ).to.deep.equal([
      'hours, day 2027-03-09, asked 3.5 h, there 2 h',
      'moulds, day 2027-03-09, asked 2, mould Long loaf, there 1',
    ])
    expect(told([{ id: 'a', pour: 3, cut: 7 }])).to.deep.equal([
      'set_days, soap Lantern Glass, set 4 d, least 1, most 3',
      'missing, soap Dawn Arrival',
    ])
    expect(
      told([
        { id: 'a', pour: -2, cut: 1 },
        { id: 'b', pour: 3, cut: 4 },
      ]),
    ).to.deep.equal(['outside, soap Lantern Glass'])
  })

  it('tells a run of days once, as its worst day', () => {
    const crowded = { ...season.problem, trays: 1 }
    const violations = checkPlan(crowded, {
      pours: [
        { id: 'a', pour: 3, cut: 4 },
        { id: 'b', pour: 9, cut: 10 },
      ],
    }).violations
    const trays = withoutRepeats(violations).filter(({ rule }) => rule === 'trays')
    expect(trays).to.deep.equal([{ rule: 'trays', day: 10, asked: 4, there: 1 }])
    expect(plainly(violationFinding(trays[0]!, season, names))).to.equal('trays, day 2027-03-18, asked 4, there 1')
  })

  it('holds two plans side by side and says why something moved', () => {
    const before = [
      { id: 'a', pour: 9, cut: 10 },
      { id: 'b', pour: 1, cut: 2 },
    ]
    const after = [
      { id: 'a', pour: 3, cut: 4 },
      { id: 'b', pour: 1, cut: 2 },
    ]
    const check = checkPlan(season.problem, { pours: before })
    const figures = planFigures(season.problem, { pours: before }, check)
    // Cut on 18 March, ready on 15 April, needed on the 10th.
    expect(figures).to.deep.include({ lateDays: 5, lateBatches: 1, soapingDays: 2, hours: 7, mostTrays: 4 })
    const [moved, ...others] = planChanges(before, after, check, season, names)
    expect(moved).to.deep.include({ id: 'a', before: before[0], after: after[0] })
    expect([plainly(moved?.reason), others.length]).to.deep.equal(['was_late, late 5 d', 0])
    const crowded = [
      { id: 'a', pour: 1, cut: 2 },
      { id: 'b', pour: 1, cut: 2 },
    ]
    const [change] = planChanges(crowded, after, checkPlan(season.problem, { pours: crowded }), season, names)
    expect(plainly(change?.reason)).to.equal('hours, day 2027-03-09, asked 3.5 h, there 2 h')
    expect(
      plainly(planChanges([], after, checkPlan(season.problem, { pours: [] }), season, names)[0]?.reason),
    ).to.equal('missing, soap Dawn Arrival')
  })
})

describe('the bars of a batch', () => {
  const loaf = {
    ...{ lengthMm: 250, widthMm: 80, heightMm: 70, linerMm: 0, fillHeightMm: 60 },
    ...{ barThicknessMm: 25, endTrimMm: 0, kerfMm: 0 },
  }
  const tray = { ...loaf, shape: 'cavities' as const, cavityCount: 9, cavityMl: 95 }
  const moulds = new Map<string, Mould & BarCut>([
    ['loaf', loaf],
    ['tray', tray],
  ])

  it('are those of all its moulds, as they are cut', () => {
    // 250 / 25 = 10 a loaf, 9 a tray; at 20 mm 12 a loaf.
    expect(barsOfBatch({ mouldId: 'loaf', mouldCount: 2 }, moulds)).to.equal(20)
    expect(barsOfBatch({ mouldId: 'loaf', mouldCount: 2 }, moulds, 20)).to.equal(24)
    const mixed = { mouldId: 'loaf', mouldCount: 1, moreMoulds: [{ mouldId: 'tray', count: 3 }] }
    expect(barsOfBatch(mixed, moulds)).to.equal(37)
  })

  it('are not known while one of them is not, or is one that cannot be', () => {
    expect(barsOfBatch({ mouldId: 'gone', mouldCount: 1 }, moulds)).to.equal(undefined)
    const broken = new Map([['loaf', { ...loaf, lengthMm: -250 }]])
    expect(barsOfBatch({ mouldId: 'loaf', mouldCount: 1 }, broken)).to.equal(undefined)
    expect(barsOfBatch({ mouldId: 'loaf', mouldCount: 1 }, moulds, 0)).to.equal(undefined)
  })
})
