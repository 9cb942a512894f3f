import type { BatchView, NewStep } from '@vendange/contract'
import { createClient, endpoints } from '@vendange/contract'
import type { DBSchema, IDBPDatabase } from 'idb'
import { openDB } from 'idb'
import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { problemOf } from './api'

/** A step done at the bench that the server does not have yet. */
export interface QueuedStep {
  /** Its place in the queue. */
  readonly order: number
  readonly batchId: string
  readonly makerId: string | undefined
  readonly step: NewStep
  /** ms since 1970 by the tablet's clock. */
  readonly takenAtMs: number
}

interface QueueShape extends DBSchema {
  steps: { key: number; value: Omit<QueuedStep, 'order'> }
}

const retryMs = 2000
const noRoom = 507

/** What keeps a step from being taken for now; undefined where it was refused for good. */
function hindranceBy(status: number): string | undefined {
  if (status === noRoom) return 'the disk is full, make room there'
  // Nothing there, or a server that is just going down or coming up.
  return status === 0 || status >= 500 ? 'the server does not answer' : undefined
}

/**
 * Steps on their way to the server: kept in the browser until it has them, sent in order, once each. They outlive a
 * reload, a sleeping tablet and a network that drops.
 */
export const useStepQueue = defineStore('stepQueue', () => {
  const waiting = shallowRef<readonly QueuedStep[]>([])
  /** Why the last try did not get through; undefined while all goes well. */
  const hindrance = ref<string>()
  /** What the server did not take, in its words. */
  const refusals = ref<{ readonly batchId: string; readonly stepKey: string; readonly message: string }[]>([])
  /** The batch as the server last told it. */
  const latest = shallowRef<BatchView>()
  let database: Promise<IDBPDatabase<QueueShape>> | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  let isSending = false

  const store = (): Promise<IDBPDatabase<QueueShape>> =>
    (database ??= openDB<QueueShape>('vendange', 1, {
      upgrade: (db) => void db.createObjectStore('steps', { autoIncrement: true }),
    }))

  /** Reads what an earlier page left behind. */
  async function restore(): Promise<void> {
    const db = await store()
    const [keys, values] = await Promise.all([db.getAllKeys('steps'), db.getAll('steps')])
    waiting.value = values.map((value, index) => ({ ...value, order: keys[index] ?? 0 }))
    await send()
  }
  const restored = restore()

  /** Keeps a step. It is safe on this device once this settles, and sent as soon as may be. */
  async function add(batchId: string, makerId: string | undefined, step: NewStep): Promise<void> {
    await restored
    const value = { batchId, makerId, step: { ...step, recordId: crypto.randomUUID() }, takenAtMs: Date.now() }
    const order = await (await store()).add('steps', value)
    waiting.value = [...waiting.value, { ...value, order }]
    void send()
  }

  async function drop(order: number): Promise<void> {
    await (await store()).delete('steps', order)
    waiting.value = waiting.value.filter((one) => one.order !== order)
  }

  async function sendOne({ order, batchId, makerId, step, takenAtMs }: QueuedStep): Promise<boolean> {
    const client = createClient({ makerId: () => makerId })
    const secondsAgo = Math.max(0, Math.round((Date.now() - takenAtMs) / 1000))
    try {
      const view = await client(endpoints.batches.record, { params: { id: batchId }, body: { ...step, secondsAgo } })
      latest.value = view
      hindrance.value = undefined
    } catch (error) {
      const { status, detail } = problemOf(error)
      hindrance.value = hindranceBy(status)
      if (hindrance.value !== undefined) return false
      refusals.value = [...refusals.value, { batchId, stepKey: step.stepKey, message: detail }]
    }
    await drop(order)
    return true
  }

  async function send(): Promise<void> {
    if (isSending) return
    isSending = true
    clearTimeout(timer)
    try {
      for (let next = waiting.value[0]; next; next = waiting.value[0]) {
        if (await sendOne(next)) continue
        timer = setTimeout(() => void send(), retryMs)
        return
      }
    } finally {
      isSending = false
    }
  }

  const forget = (batchId: string): void => {
    refusals.value = refusals.value.filter((one) => one.batchId !== batchId)
  }

  return { waiting, hindrance, refusals, latest, add, forget, restored }
})
