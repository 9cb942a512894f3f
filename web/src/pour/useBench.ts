import { api, problemOf } from '@/parts/api'
import { useUnits } from '@/parts/format'
import { useFresh } from '@/parts/useFresh'
import { useStepQueue } from '@/parts/outbox/stepQueue'
import type { BatchView, NewStep } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { pourSession, checkStepRecord } from '@vendange/core/batch'
import { isRefused } from '@vendange/core/findings'
import { useStepFigure } from './useStepFigure'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'

const retryMs = 2000
/** So often the bench looks whether another tablet has recorded something. */
const lookMs = 5000

/**
 * One pour at the bench. A step counts as saved only when the server has said so. One that cannot be sent yet is kept in
 * the browser; the bench goes on with it as with the others.
 */
export function useBench(batchId: string) {
  const queue = useStepQueue()
  const { say } = useUnits()
  const stepFigure = useStepFigure()
  const view = shallowRef<BatchView>()
  const trouble = ref<string>()
  const fieldError = ref<string>()
  let timer: ReturnType<typeof setTimeout> | undefined

  /** Steps of this pour that the server does not have yet. */
  const kept = computed(() => queue.waiting.filter((one) => one.batchId === batchId).map(({ step }) => step))
  const records = computed(() => [...(view.value?.records ?? []), ...kept.value])
  const state = computed(() => view.value && pourSession(view.value.plan, records.value))
  const keptKeys = computed<ReadonlySet<string>>(() => new Set(kept.value.map(({ stepKey }) => stepKey)))

  const notSaved = computed(() =>
    kept.value.length > 0 && queue.hindrance !== undefined
      ? `Not saved yet: ${queue.hindrance}. ${kept.value.length === 1 ? 'One step is' : `${kept.value.length} steps are`} kept on this device and sent again.`
      : undefined,
  )
  const refusal = computed(() => queue.refusals.filter((one) => one.batchId === batchId).at(-1)?.message)

  async function load(): Promise<void> {
    clearTimeout(timer)
    try {
      const now = await api(endpoints.batches.view, { params: { id: batchId } })
      if (now.records.length >= (view.value?.records.length ?? 0)) view.value = now
      trouble.value = undefined
      timer = setTimeout(() => void load(), lookMs)
    } catch (error) {
      const problem = problemOf(error)
      // A bench that is under way goes on; the queue says what is not saved.
      if (!view.value) trouble.value = problem.detail
      if (problem.status === 0 || problem.status >= 500) timer = setTimeout(() => void load(), retryMs)
    }
  }

  watch(
    () => queue.latest,
    (latest) => {
      if (latest?.batch.id === batchId) view.value = latest
    },
  )
  // What was refused is not done: the page shows what the server has.
  watch(refusal, () => void load())

  /** What was done, of which soap. */
  function told({ stepKey, actual }: NewStep): string {
    const step = state.value?.steps.find(({ key }) => key === stepKey)
    const name = view.value?.plan.designName ?? ''
    if (!step) return name
    const figure = stepFigure(step, actual)
    return `${name}: ${say(step.title)}${figure === '' ? '' : `, ${figure}`}`
  }

  /** Takes a step, once nothing speaks against it. @returns whether it was taken */
  async function record(step: NewStep): Promise<boolean> {
    if (!view.value) return false
    queue.forget(batchId)
    const findings = checkStepRecord(view.value.plan, records.value, step)
    fieldError.value = isRefused(findings)
      ? findings
          .filter(({ severity }) => severity === 'refuse')
          .map(say)
          .join(' ')
      : undefined
    if (fieldError.value !== undefined) return false
    await queue.add({ batchId, step: { ...step, seen: records.value.length } }, told(step))
    return true
  }

  async function finish(): Promise<boolean> {
    try {
      view.value = await api(endpoints.batches.finish, { params: { id: batchId } })
      return true
    } catch (error) {
      trouble.value = problemOf(error).detail
      return false
    }
  }

  onBeforeUnmount(() => clearTimeout(timer))
  // Another tablet's step is seen as soon as the workshop tells of it; the look now and then is for where it cannot.
  useFresh(() => void load())
  return { view, state, records, trouble, notSaved, refusal, fieldError, keptKeys, record, finish }
}
