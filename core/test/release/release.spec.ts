import { expect } from 'chai'
import type { LoafEvent } from '../../src/loaf'
import { loafState } from '../../src/loaf'
import { lotCode, mayRelease, releaseChecks } from '../../src/release'
import { barMassStepG, gramsPerOunce } from '../../src/units'
import { plainly } from '../plainly'

describe('lotCode', () => {
  it('is the pour day and the number of the loaf', () => {
    expect(lotCode('2027-03-13', 2)).to.equal('270313-2')
  })

  it('throws on what is no day or no number', () => {
    expect(() => lotCode('soon', 1)).to.throw(RangeError, 'Expected a day like 2027-03-08, got soon')
    expect(() => lotCode('2027-03-13', 0)).to.throw(RangeError, 'Expected a whole number from 1, got 0')
  })
})

describe('releaseChecks', () => {
  const today = '2027-04-10'
  const terms = { cureDays: 28, labelMassG: 105 }
  const answers = { ph: 9.5, lookIsSound: true, labelIsComplete: true }
  const cut = (day: string): LoafEvent => ({ type: 'cut', day, bars: 10, ends: 2, firstBarG: 120, bevelled: false })
  const weigh = (day: string, barG: number): LoafEvent => ({ type: 'weighed', day, barG })
  const sound = loafState([cut('2027-03-10'), weigh('2027-04-02', 107.2), weigh('2027-04-09', 107)])
  const resultOf = (key: string, ...of: Parameters<typeof releaseChecks>) =>
    releaseChecks(...of).find((check) => check.key === key)?.result

  it('lets a cured, levelled-off, heavy enough loaf go', () => {
    const checks = releaseChecks(sound, terms, answers, today)
    expect(checks.map(({ result }) => result)).to.deep.equal(Array(8).fill('passed'))
    expect(mayRelease(checks)).to.equal(true)
  })

  it('goes by the scale, by the days, or by both, as the recipe says', () => {
    const losing = loafState([cut('2027-03-20'), weigh('2027-04-02', 112), weigh('2027-04-09', 108)])
    const level = loafState([cut('2027-03-20'), weigh('2027-04-02', 107.2), weigh('2027-04-09', 107)])
    const of = (state: typeof losing, cureSchool: 'days' | 'scale' | 'both', cureDays = 28) => {
      const checks = releaseChecks(state, { ...terms, cureDays, cureSchool }, answers, today)
      return [checks[0]?.result, checks.find(({ key }) => key === 'levelled')?.result, mayRelease(checks)]
    }
    expect(of(losing, 'days', 14)).to.deep.equal(['passed', 'note', true])
    expect(of(level, 'days')).to.deep.equal(['failed', 'passed', false])
    expect(of(level, 'scale')).to.deep.equal(['note', 'passed', true])
    expect(of(losing, 'scale')).to.deep.equal(['note', 'failed', false])
    expect(of(losing, 'both', 14)).to.deep.equal(['passed', 'failed', false])
    expect(of(level, 'both', 14)).to.deep.equal(['passed', 'passed', true])
    expect(of(loafState([cut('2027-04-08')]), 'scale')).to.deep.equal(['note', 'open', false])
  })

  it('fails a cure that is not over, with its day', () => {
    const checks = releaseChecks(sound, { ...terms, cureDays: 35 }, answers, today)
    expect(checks[0]?.result).to.equal('failed')
    expect(plainly(checks[0]?.finding)).to.equal('cure_day, day 31, of 35, isOver no, readyDay 2027-04-14')
    expect(mayRelease(checks)).to.equal(false)
    expect(resultOf('cure', loafState([]), terms, answers, today)).to.equal('failed')
  })

  it('holds the mass against the label, to the gram or to 0.05 oz, as the label is told', () => {
    expect(resultOf('mass', sound, { ...terms, labelMassG: 107 }, answers, today)).to.equal('passed')
    expect(resultOf('mass', sound, { ...terms, labelMassG: 107.6 }, answers, today)).to.equal('failed')
    // Four ounces are 113.398 g: 113 g read 4.00 oz, 111.9 g 3.95.
    const ounces = { ...terms, labelMassG: 4 * gramsPerOunce, labelStepG: barMassStepG.oz }
    const weighing = (massG: number) => loafState([cut('2027-03-10'), weigh('2027-04-07', massG)])
    expect(resultOf('mass', weighing(113), ounces, answers, today)).to.equal('passed')
    expect(resultOf('mass', weighing(111.9), ounces, answers, today)).to.equal('failed')
  })

  it('asks for a fresh weighing after a week', () => {
    const stale = loafState([cut('2027-03-10'), weigh('2027-04-02', 107.2)])
    expect(resultOf('mass', stale, terms, answers, today)).to.equal('open')
    expect(resultOf('mass', stale, terms, answers, '2027-04-09')).to.equal('passed')
    expect(resultOf('mass', loafState([]), terms, answers, today)).to.equal('open')
  })

  it('only notes a bar that is still drying', () => {
    const drying = loafState([cut('2027-03-10'), weigh('2027-04-02', 109), weigh('2027-04-09', 107)])
    expect(resultOf('levelled', drying, terms, answers, today)).to.equal('note')
    expect(mayRelease(releaseChecks(drying, terms, answers, today))).to.equal(true)
  })

  it('judges the pH at both ends of its range', () => {
    const ph = (value: number | null) => resultOf('ph', sound, terms, { ...answers, ph: value }, today)
    expect([7.9, 8, 10.5, 10.6, null].map(ph)).to.deep.equal(['failed', 'passed', 'passed', 'failed', 'open'])
  })

  it('waits for the maker’s own eyes', () => {
    expect(resultOf('look', sound, terms, { ...answers, lookIsSound: false }, today)).to.equal('open')
    expect(resultOf('label', sound, terms, { ...answers, labelIsComplete: false }, today)).to.equal('open')
  })
})
