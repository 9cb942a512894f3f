import { expect } from 'chai'
import { checkClockRecord, clockKeys, clockMoveKey, isClockKey, moveOfKey } from '../../src/batch'

describe('a tap on the clock of a pour', () => {
  const faults = (key: string, actual: number | null) => checkClockRecord(key, actual).map(({ code }) => code)

  it('is of a moment that is known, or of a move of the plan', () => {
    expect(Object.values(clockKeys).map((key) => faults(key, 5))).to.deep.equal(Object.values(clockKeys).map(() => []))
    expect([clockMoveKey(0), clockMoveKey(12)].map((key) => faults(key, 5))).to.deep.equal([[], []])
    for (const key of ['clock:lunch', 'clock:move:', 'clock:move:-1', 'clock:move:1.5', 'clock:move:two', 'naoh'])
      expect(faults(key, 5), key).to.deep.equal(['clock_tap_unknown'])
  })

  it('has a time: of the emulsion by the clock, of all else in minutes within a day of it', () => {
    expect(faults(clockKeys.thin, null)).to.deep.equal(['clock_time_missing'])
    expect([0, -1, 30_000_000].map((at) => faults(clockKeys.emulsion, at))).to.deep.equal([
      ['clock_not_set'],
      ['clock_not_set'],
      [],
    ])
    expect([-1, 0, 1440, 1441].map((at) => faults(clockKeys.medium, at))).to.deep.equal([
      ['clock_range'],
      [],
      [],
      ['clock_range'],
    ])
  })

  it('is told from a step of the run sheet', () => {
    expect(['clock:thin', 'clock:move:3', 'naoh'].map(isClockKey)).to.deep.equal([true, true, false])
    expect([clockMoveKey(3), 'clock:thin'].map(moveOfKey)).to.deep.equal([3, undefined])
  })
})
