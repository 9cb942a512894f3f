import { expect } from 'chai'
import { addDays } from '../../src/calendar'
import { mostDaysAhead, mostDaysInMould, seasonOf, unplannable } from '../../src/season'

const today = '2027-03-08'
const codeOf = (pourDay: string, cutDay: string | null = null) => unplannable({ pourDay, cutDay }, today)?.code

describe('days on which a pour may stand at all', () => {
  it('are today and those to come, as far as hours are known', () => {
    expect(codeOf(addDays(today, -1))).to.equal('day_is_past')
    expect(codeOf(today)).to.equal(undefined)
    expect(codeOf(addDays(today, mostDaysAhead))).to.equal(undefined)
    expect(codeOf(addDays(today, mostDaysAhead + 1))).to.equal('day_too_far')
  })

  it('have their cut after the pour, before any soap would still be setting', () => {
    expect(codeOf(today, today)).to.equal('cut_before_pour')
    expect(codeOf(today, addDays(today, 1))).to.equal(undefined)
    expect(codeOf(today, addDays(today, mostDaysInMould))).to.equal(undefined)
    expect(codeOf(today, addDays(today, mostDaysInMould + 1))).to.equal('cut_too_late')
  })

  it('make no longer season, whatever stands further on', () => {
    const demand = { prepHours: 1, pourHours: 1, cutHours: 1, setDays: { min: 1, max: 3 }, cureDays: 28, oven: false }
    const at = (id: string, pourDay: string) => ({
      id,
      name: id,
      mouldId: 'loaf',
      mouldCount: 1,
      demand,
      days: { prepDay: addDays(pourDay, -1), pourDay, cutDay: addDays(pourDay, 1), readyDay: addDays(pourDay, 29) },
      neededDay: '9999-01-01',
      earliestDay: undefined,
      trays: 1,
      weight: 1,
      status: 'planned' as const,
      isPinned: true,
    })
    const limits = {
      working: { makers: [{ weekHours: [2, 2, 2, 2, 2, 2, 2], exceptions: [] }], exceptions: [] },
      setupHours: 1,
      mouldCounts: { loaf: 1 },
      ovenSlots: 1,
      trays: 10,
      bufferDays: 3,
    }
    const { problem, placements, pinned } = seasonOf([at('near', '2027-03-20'), at('far', '9027-03-10')], limits, today)
    expect(problem.days).to.equal(mostDaysAhead + mostDaysInMould + 1)
    expect([placements, pinned].map((some) => some.map(({ id }) => id))).to.deep.equal([['near'], ['near']])
    expect(problem.batches.map(({ id }) => id)).to.deep.equal(['near'])
  })
})
