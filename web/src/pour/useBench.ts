import { api, problemOf } from '@/parts/api'
import type { BatchView, NewStep } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { benchState } from '@vendange/core/batch'
import { computed, onBeforeUnmount, ref, shallowRef } from 'vue'

const retryMs = 2000

/**
 * One pour at the bench. A step counts as saved only when the server has said so; one that could not be sent is kept
 * in the browser and sent again until it is through, also after a reload.
 */
export function useBench(batchId: string) {
  const pendingKey = `vendange.pending.${batchId}`
  const view = shallowRef<BatchView>()
  const trouble = ref<string>()
  const fieldError = ref<string>()
  const pending = shallowRef<NewStep | undefined>(readPending())
  const isSending = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined

  const state = computed(() => view.value && benchState(view.value.plan, view.value.records))

  function readPending(): NewStep | undefined {
    const stored = localStorage.getItem(pendingKey)
    return stored === null ? undefined : (JSON.parse(stored) as NewStep)
  }

  function setPending(step: NewStep | undefined): void {
    pending.value = step
    if (step) localStorage.setItem(pendingKey, JSON.stringify(step))
    else localStorage.removeItem(pendingKey)
  }

  function retry(work: () => Promise<unknown>): void {
    clearTimeout(timer)
    timer = setTimeout(() => void work(), retryMs)
  }

  async function load(): Promise<void> {
    try {
      view.value = await api(endpoints.batches.view, { params: { id: batchId } })
      trouble.value = undefined
      if (pending.value) await send()
    } catch (error) {
      const problem = problemOf(error)
      trouble.value = problem.detail
      if (problem.status === 0) retry(load)
    }
  }

  /** @returns whether the server has it */
  async function send(): Promise<boolean> {
    const step = pending.value
    if (!step || isSending.value) return false
    isSending.value = true
    try {
      view.value = await api(endpoints.batches.record, { params: { id: batchId }, body: step })
      setPending(undefined)
      trouble.value = undefined
      return true
    } catch (error) {
      const problem = problemOf(error)
      if (problem.status === 0) {
        trouble.value = 'Not saved yet: the server does not answer. The step is kept on this device and sent again.'
        retry(send)
      } else {
        setPending(undefined)
        fieldError.value = problem.detail
      }
      return false
    } finally {
      isSending.value = false
    }
  }

  function record(step: NewStep): Promise<boolean> {
    fieldError.value = undefined
    setPending(step)
    return send()
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
  void load()
  return { view, state, trouble, fieldError, pending, isSending, record, finish }
}
