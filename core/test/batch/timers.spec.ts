import { expect } from 'chai'
import { clockFace, clockJumpMs, remainingMs, runSheet, shiftTimers } from '../../src/batch'
import { workedPlan } from '../blends'

const timer = { id: 't', label: 'Spray the top again', minutes: 20, endsAtMs: 1_200_000 }

describe('timers at the bench', () => {
  it('count down to their moment, and not below', () => {
    expect(remainingMs(timer, 0)).to.equal(1_200_000)
    expect(remainingMs(timer, 1_199_001)).to.equal(999)
    expect(remainingMs(timer, 9_000_000)).to.equal(0)
  })

  it('are read like a clock', () => {
    expect(clockFace(1_200_000)).to.equal('20:00')
    expect(clockFace(61_001)).to.equal('1:02')
    expect(clockFace(1)).to.equal('0:01')
    expect(clockFace(0)).to.equal('0:00')
    expect(clockFace(3_725_000)).to.equal('1:02:05')
    expect([3_599_000, 3_600_000].map(clockFace)).to.deep.equal(['59:59', '1:00:00'])
  })

  it('ring after the same time when the clock is set in between', () => {
    // An hour forward while five seconds passed.
    const jumpMs = clockJumpMs(3_605_000, 5000)
    expect(jumpMs).to.equal(3_600_000)
    const [shifted] = shiftTimers([timer], jumpMs)
    expect(shifted && remainingMs(shifted, 3_605_000)).to.equal(1_195_000)
    expect(clockJumpMs(-3_595_000, 5000)).to.equal(-3_600_000)
    expect([5200, 6999, 7000, 3000].map((wentOn) => clockJumpMs(wentOn, 5000))).to.deep.equal([0, 0, 2000, -2000])
  })

  it('are offered where the work waits', () => {
    const waits = runSheet(workedPlan()).flatMap(({ key, wait }) => (wait ? [`${key} ${wait.minutes}`] : []))
    expect(waits).to.deep.equal(['temperature:lye 10', 'temperature:fats 10', 'spray 20', 'cover 60'])
  })
})
