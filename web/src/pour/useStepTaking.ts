import type { NewStep } from '@vendange/contract'
import type { PourSession, SessionStep, StepRecord } from '@vendange/core/batch'
import { clockKeys, clockMoveKey, moveOfStep, moveStepKey } from '@vendange/core/batch'
import { roundTo } from '@vendange/core/units'
import type { Ref } from 'vue'
import { computed, ref } from 'vue'

interface Taking {
  readonly bench: {
    readonly state: Readonly<Ref<PourSession | undefined>>
    readonly records: Readonly<Ref<readonly StepRecord[]>>
    readonly record: (step: NewStep) => Promise<boolean>
  }
  readonly step: Readonly<Ref<SessionStep | undefined>>
  /** What is weighed in parts comes together only with the last one. */
  readonly weighing: { readonly take: (massG: number) => number | undefined }
  readonly reading: {
    readonly typed: Ref<string>
    readonly isTyped: Readonly<Ref<boolean>>
    readonly isConnected: Readonly<Ref<boolean>>
    readonly reading: Readonly<Ref<number | null | undefined>>
    readonly canTake: () => boolean
    readonly command: (line: string, of: 'scale') => Promise<void>
  }
  readonly lotId: Readonly<Ref<string | undefined>>
  readonly focusEntry: () => void
}

/** Taking what a step at the bench asks for onto its record: by the scale, by hand, or by eye. */
export function useStepTaking({ bench, step, weighing, reading, lotId, focusEntry }: Taking) {
  const isRecording = ref(false)
  const isTaring = ref(false)
  /** Until the scale is back at zero it still shows the weighing before; what is typed does not wait for it. */
  const isTaking = computed(
    () => isRecording.value || (isTaring.value && reading.isConnected.value && !reading.isTyped.value),
  )
  const { state, records, record } = bench

  async function done(): Promise<void> {
    const now = step.value
    if (!now || isTaking.value) return
    if (!reading.canTake()) {
      if (!reading.isConnected.value) focusEntry()
      return
    }
    isRecording.value = true
    const wasTyped = reading.isTyped.value
    try {
      const taken = reading.reading.value
      const actual = now.kind === 'weigh' ? weighing.take(taken ?? 0) : (taken ?? null)
      const chosen = lotId.value === undefined ? {} : { lotId: lotId.value }
      await clockMove(now.key)
      const isRecorded = actual === undefined || (await record({ stepKey: now.key, actual, ...chosen }))
      if (actual === undefined) reading.typed.value = ''
      // The vessel stays on the pan: the next weighing starts from zero.
      if (isRecorded && now.kind === 'weigh' && reading.isConnected.value && !wasTyped) void tare()
    } finally {
      isRecording.value = false
    }
  }

  async function tare(): Promise<void> {
    isTaring.value = true
    await reading.command('tare', 'scale')
    isTaring.value = false
  }

  /** A move that is done while the clock runs has its minute there too. */
  async function clockMove(stepKey: string): Promise<void> {
    const index = moveOfStep(stepKey)
    const startedMin = records.value.findLast((one) => one.stepKey === clockKeys.emulsion)?.actual
    if (index === undefined || startedMin === undefined || startedMin === null) return
    if (records.value.some((one) => one.stepKey === clockMoveKey(index))) return
    const minutes = Math.max(0, Date.now() / 60_000 - startedMin)
    await record({ stepKey: clockMoveKey(index), actual: roundTo(minutes, 3) })
  }

  /** A move that was tapped on the clock is done on the list, where it is its turn. */
  async function clockedMove(index: number): Promise<void> {
    const next = state.value?.steps[state.value.nextIndex]
    if (next && next.kind === 'tick' && next.key === moveStepKey(index))
      await record({ stepKey: next.key, actual: null })
  }

  /** By eye, by jug: the record says so. */
  async function doneUnweighed(): Promise<void> {
    const now = step.value
    if (now) await record({ stepKey: now.key, actual: null, isUnweighed: true })
  }

  return { isTaking, done, clockedMove, doneUnweighed }
}
