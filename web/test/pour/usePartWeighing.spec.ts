import type { SessionStep } from '@vendange/core/batch'
import { expect } from 'chai'
import fc from 'fast-check'
import { effectScope, nextTick, ref } from 'vue'
import { usePartWeighing } from '../../src/pour/usePartWeighing'

const stepOf = (key: string, target: number | null, parts?: number): SessionStep =>
  ({ key, target, ...(parts === undefined ? {} : { parts }) }) as unknown as SessionStep

function weighing(first: SessionStep, stepG = 1) {
  const step = ref<SessionStep | undefined>(first)
  const part = effectScope().run(() => usePartWeighing(step, () => stepG))!
  return { step, ...part }
}

describe('a step that is weighed in parts', () => {
  it('asks for equal parts, and takes off the next what went over in one', () => {
    const { target, isSplit, take } = weighing(stepOf('water', 900, 3))
    expect([isSplit.value, target.value]).to.deep.equal([true, 300])
    expect(take(320)).to.equal(undefined)
    expect(target.value).to.equal(290)
    expect(take(280)).to.equal(undefined)
    expect(target.value).to.equal(300)
    // Only all of them together go on record.
    expect(take(301)).to.equal(901)
  })

  it('is taken at once where it is not split', () => {
    const { target, isSplit, take } = weighing(stepOf('fat:olive', 412.5))
    expect([isSplit.value, target.value]).to.deep.equal([false, 412.5])
    expect(take(410)).to.equal(410)
  })

  it('has nothing to aim at where nothing is planned', () => {
    expect(weighing(stepOf('left', null)).target.value).to.equal(null)
  })

  it('begins anew with the next step', async () => {
    const { step, target, take } = weighing(stepOf('water', 900, 3))
    take(320)
    step.value = stepOf('naoh', 120, 2)
    await nextTick()
    expect(target.value).to.equal(60)
  })

  it('comes to what was planned when every part is weighed as it is asked for', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9000 }), fc.integer({ min: 2, max: 6 }), (tenths, parts) => {
        const whole = tenths / 10
        const { target, take } = weighing(stepOf('water', whole, parts), 0.1)
        let all: number | undefined
        for (let part = 0; part < parts; part++) all = take(target.value ?? Number.NaN)
        expect(all).to.be.closeTo(whole, 1e-6)
      }),
    )
  })
})
