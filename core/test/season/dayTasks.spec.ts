import { expect } from 'chai'
import { addDays } from '../../src/calendar'
import type { BatchAtWork } from '../../src/season'
import { dayTasks, minutesOfTasks } from '../../src/season'

const batch: BatchAtWork = {
  id: 'a',
  name: 'Regatta',
  days: { prepDay: '2027-03-10', pourDay: '2027-03-11', cutDay: '2027-03-13', readyDay: '2027-04-10' },
  demand: { prepHours: 0.75, pourHours: 1.5, cutHours: 0.5, setDays: { min: 1, max: 3 }, cureDays: 28, oven: false },
  bars: 36,
  bevelled: true,
  stamped: true,
  isPoured: false,
  isUnmoulded: false,
  isCut: false,
  isReleased: false,
  weighedOn: [],
  photographedOn: [],
  turnedOn: [],
  finishedBars: {},
}
const minutes = { bevelled: 1, stamped: 0.5, planed: 0, pared: 0, polished: 0 }
const times = { setupHours: 0.5, minutesPerBar: (finish: keyof typeof minutes) => minutes[finish] }
const on = (day: string, of: BatchAtWork = batch) =>
  dayTasks(day, [of], [], times).map(({ kind, minutes }) => [kind, minutes] as const)

describe('dayTasks', () => {
  it('has a finish done once all its bars are, and not before', () => {
    const stampOf = (finished: BatchAtWork['finishedBars'], isCut = true): boolean | undefined =>
      dayTasks('2027-03-13', [{ ...batch, isCut, finishedBars: finished }], [], times).find(
        ({ kind }) => kind === 'stamp',
      )?.isOnRecord
    expect(stampOf({})).to.equal(false)
    expect(stampOf({ stamped: 35 })).to.equal(false)
    expect(stampOf({ stamped: 36 })).to.equal(true)
    expect(stampOf({ stamped: 36 }, false)).to.equal(false)
  })

  it('follows a batch from its preparation to its label', () => {
    expect(on('2027-03-09')).to.deep.equal([])
    expect(on('2027-03-10')).to.deep.equal([['prepare', 45]])
    expect(on('2027-03-11')).to.deep.equal([
      ['set_up', 30],
      ['pour', 90],
    ])
    expect(on('2027-03-13')).to.deep.equal([
      ['unmould', undefined],
      ['cut', 30],
      ['stamp', 18],
    ])
    expect(on('2027-03-14')).to.deep.equal([
      ['bevel', 36],
      ['photograph', undefined],
    ])
    expect(on('2027-03-20')).to.deep.equal([
      ['turn', undefined],
      ['weigh', undefined],
      ['photograph', undefined],
    ])
    expect(on('2027-04-10')).to.deep.equal([
      ['weigh', undefined],
      ['photograph', undefined],
      ['label', undefined],
    ])
    expect(on('2027-04-17')).to.deep.equal([])
  })

  it('asks for no stamp, bevel or weighing where there is none', () => {
    const plain = { ...batch, bevelled: false, stamped: false, isReleased: true }
    expect(on('2027-03-13', plain).map(([kind]) => kind)).to.deep.equal(['unmould', 'cut'])
    expect(on('2027-03-14', plain)).to.deep.equal([])
    expect(on('2027-03-20', plain)).to.deep.equal([])
  })

  it('knows what is on record', () => {
    const done = {
      ...batch,
      isPoured: true,
      isUnmoulded: true,
      isCut: true,
      weighedOn: ['2027-03-20'],
      photographedOn: ['2027-03-14'],
      finishedBars: { stamped: 36, bevelled: 20 },
    }
    const open = Array.from({ length: 40 }, (_, index) => addDays('2027-03-08', index)).flatMap((day) =>
      dayTasks(day, [done], [], times)
        .filter(({ isOnRecord }) => !isOnRecord)
        .map(({ kind }) => `${day.slice(5)} ${kind}`),
    )
    expect(open).to.include.members(['03-14 bevel', '03-20 photograph', '03-27 weigh', '04-10 label'])
    expect(
      open.filter((task) => /prepare|pour|unmould|cut|stamp|03-14 photograph|03-20 weigh/.test(task)),
    ).to.deep.equal([])
  })

  it('puts two batches in the order of the work, and adds up what is timed', () => {
    const other = {
      ...batch,
      id: 'b',
      name: 'Dawn',
      days: { ...batch.days, prepDay: '2027-03-11', pourDay: '2027-03-12' },
    }
    const tasks = dayTasks('2027-03-11', [batch, other], [{ id: 'c', name: 'Night Train' }], times)
    expect(tasks.map(({ key }) => key)).to.deep.equal(['set_up:', 'prepare:b', 'pour:a', 'release:c'])
    expect(minutesOfTasks(tasks)).to.equal(30 + 45 + 90)
  })
})
