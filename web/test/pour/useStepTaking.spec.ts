import { useStepTaking } from '../../src/pour/useStepTaking'
import type { SessionStep, StepRecord } from '@vendange/core/batch'
import { expect } from 'chai'
import { computed, ref } from 'vue'

/** A weighing at the bench with a scale that never hears a command. */
function atTheBench() {
  const taken: (number | null)[] = []
  const typed = ref('')
  const isConnected = ref(true)
  const step = ref({ key: 'fat:0', kind: 'weigh', actual: null } as unknown as SessionStep)
  const taking = useStepTaking({
    bench: {
      state: computed(() => undefined),
      records: ref<StepRecord[]>([]),
      record: ({ actual }) => Promise.resolve(taken.push(actual) > 0),
    },
    step,
    weighing: { take: (massG: number) => massG },
    reading: {
      typed,
      isTyped: computed(() => typed.value !== ''),
      isConnected,
      reading: computed(() => (typed.value === '' ? 500 : Number(typed.value))),
      canTake: () => true,
      command: () => new Promise<void>(() => undefined),
    },
    lotId: ref(undefined),
    focusEntry: () => undefined,
  })
  return { ...taking, taken, typed, isConnected }
}

describe('useStepTaking', () => {
  it('takes nothing from a scale that is not back at zero', async () => {
    const { done, isTaking, taken } = atTheBench()
    await done()
    expect(isTaking.value).to.equal(true)
    await done()
    expect(taken).to.deep.equal([500])
  })

  it('takes what is typed, although the scale does not answer', async () => {
    const { done, isTaking, taken, typed, isConnected } = atTheBench()
    await done()
    isConnected.value = false
    typed.value = '120'
    expect(isTaking.value).to.equal(false)
    await done()
    expect(taken).to.deep.equal([500, 120])
  })
})
