import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import type { KeptStep } from './kept'
import { ofKind } from './kept'
import { useOutbox } from './outbox'

/** Steps of the bench on their way to the workshop. */
export const useStepQueue = defineStore('stepQueue', () => {
  const outbox = useOutbox()
  const waiting = computed(() => ofKind(outbox.waiting, 'step').map(({ what }) => what))
  /** Those that have been told at the bench; they stay on the device until somebody settles them. */
  const told = ref<ReadonlySet<number>>(new Set())
  /** What the workshop did not take, in its words, and nobody at the bench has gone on from. */
  const refusals = computed(() =>
    ofKind(outbox.settle, 'step')
      .filter(({ order }) => !told.value.has(order))
      .map(({ what: { batchId, step }, notTaken }) => ({
        batchId,
        stepKey: step.stepKey,
        message: notTaken?.message ?? '',
      })),
  )

  /** Keeps a step. It is safe on this device once this settles, and sent as soon as may be. */
  const add = ({ batchId, step }: KeptStep, words: string): Promise<unknown> =>
    outbox.add([{ kind: 'step', what: { batchId, step: { ...step, recordId: crypto.randomUUID() } }, told: words }])

  /** The bench goes on. */
  const forget = (batchId: string): void => {
    const gone = ofKind(outbox.settle, 'step').filter(({ what }) => what.batchId === batchId)
    if (gone.length > 0) told.value = new Set([...told.value, ...gone.map(({ order }) => order)])
  }

  const latest = computed(() => outbox.latest.step)
  const hindrance = computed(() => outbox.hindrance)
  return { waiting, hindrance, refusals, latest, add, forget, restored: outbox.restored }
})
