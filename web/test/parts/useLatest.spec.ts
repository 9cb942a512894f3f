import { expect } from 'chai'
import { effectScope, nextTick, ref } from 'vue'
import { useLatest } from '../../src/parts/useLatest'

/** What is asked, and the answers that are on the way: each comes when it is told to. */
function asking() {
  const asked = ref<string | undefined>('first')
  const answers = new Map<string, (answer: string) => void>()
  const scope = effectScope()
  const latest = scope.run(() =>
    useLatest(
      () => asked.value,
      (now) => new Promise<string>((resolve) => answers.set(now, resolve)),
    ),
  )!
  const answer = async (to: string): Promise<void> => {
    answers.get(to)?.(`answer to ${to}`)
    await new Promise((resolve) => setImmediate(resolve))
  }
  return { asked, answer, latest }
}

describe('useLatest', () => {
  it('is asking until its answer is there', async () => {
    const { answer, latest } = asking()
    expect([latest.told.value, latest.isAsking.value]).to.deep.equal([undefined, true])
    await answer('first')
    expect([latest.told.value, latest.isAsking.value]).to.deep.equal(['answer to first', false])
  })

  it('leaves out an answer that comes after a later question', async () => {
    const { asked, answer, latest } = asking()
    asked.value = 'second'
    await nextTick()
    await answer('second')
    await answer('first')
    expect([latest.told.value, latest.isAsking.value]).to.deep.equal(['answer to second', false])
  })

  it('shows nothing of a question whose answer is not the latest, though it comes first', async () => {
    const { asked, answer, latest } = asking()
    asked.value = 'second'
    await nextTick()
    await answer('first')
    expect([latest.told.value, latest.isAsking.value]).to.deep.equal([undefined, true])
  })

  it('has no answer while nothing is asked', async () => {
    const { asked, answer, latest } = asking()
    await answer('first')
    asked.value = undefined
    await nextTick()
    expect([latest.told.value, latest.isAsking.value]).to.deep.equal([undefined, false])
    asked.value = 'third'
    await nextTick()
    expect(latest.isAsking.value).to.equal(true)
    await answer('third')
    expect(latest.told.value).to.equal('answer to third')
  })
})
