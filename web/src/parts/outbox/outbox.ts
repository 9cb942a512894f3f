import type { LoafView } from '@vendange/contract'
import type { DBSchema, IDBPDatabase } from 'idb'
import { openDB } from 'idb'
import { defineStore } from 'pinia'
import { computed, onScopeDispose, ref, shallowReactive, shallowRef } from 'vue'
import { problemOf, storedMakerId } from '../api'
import type { AnswerTo, Kept, KeptOf, KeptStep, ToKeep } from './kept'
import { ofKind } from './kept'
import { sendKept } from './senders'

type Stored<T> = T extends unknown ? Omit<T, 'order'> : never
/** As the first version kept a step. */
interface OldStep extends KeptStep {
  readonly makerId: string | undefined
  readonly takenAtMs: number
}
interface Shape extends DBSchema {
  steps: { key: number; value: OldStep }
  kept: { key: number; value: Stored<Kept> }
}

const retryMs = 2000
const noRoom = 507
const conflict = 409
/** So many of those that were taken are remembered until the pages have read them. */
const rememberedCount = 100

/** What keeps something from being taken for now; undefined where it was refused for good. */
export function hindranceBy(status: number): string | undefined {
  if (status === noRoom) return 'the disk is full, make room there'
  // Nothing there, or a server that is just going down or coming up.
  return status === 0 || status >= 500 ? 'the server does not answer' : undefined
}

async function open(): Promise<IDBPDatabase<Shape>> {
  return openDB<Shape>('vendange', 2, {
    upgrade: async (db, from, _, transaction) => {
      const kept = db.createObjectStore('kept', { autoIncrement: true })
      if (from === 0) return
      for (const { batchId, step, makerId, takenAtMs } of await transaction.objectStore('steps').getAll())
        await kept.add({ kind: 'step', what: { batchId, step }, told: '', makerId, takenAtMs, sendFromMs: takenAtMs })
      db.deleteObjectStore('steps')
    },
  })
}

/**
 * What was done on this device and the workshop does not have yet: kept in the browser, sent in order, once each. It
 * outlives a reload, a sleeping tablet and a network that drops. What is not taken stays until somebody settles it.
 */
export const useOutbox = defineStore('outbox', () => {
  const kept = shallowRef<readonly Kept[]>([])
  /** Why the last try did not get through; undefined while all goes well. */
  const hindrance = ref<string>()
  /** What the workshop answered last, by kind. */
  const latest = shallowReactive<{ -readonly [Kind in keyof AnswerTo]?: AnswerTo[Kind] }>({})
  /** Counts the times that the season changed by what came home. */
  const broughtHome = ref(0)
  /** Events that were taken a moment ago: a page that was read before them does not have them. */
  const justTaken = shallowRef<readonly KeptOf<'event'>[]>([])
  let database: Promise<IDBPDatabase<Shape>> | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  let isSending = false
  let isEnded = false
  onScopeDispose(() => {
    isEnded = true
    clearTimeout(timer)
  })
  const store = (): Promise<IDBPDatabase<Shape>> => (database ??= open())

  /** Reads what an earlier page left behind. */
  async function restore(): Promise<void> {
    const db = await store()
    const [keys, values] = await Promise.all([db.getAllKeys('kept'), db.getAll('kept')])
    kept.value = values.map((value, index) => ({ ...value, order: keys[index] ?? 0 }))
    await send()
  }
  const restored = restore()

  /** Keeps things. They are safe on this device once this settles, and sent as soon as may be. @returns their places */
  async function add(things: readonly ToKeep[]): Promise<readonly number[]> {
    const orders: number[] = []
    await restored
    const db = await store()
    for (const { undoMs = 0, ...thing } of things) {
      const takenAtMs = Date.now()
      const value = { ...thing, makerId: storedMakerId(), takenAtMs, sendFromMs: takenAtMs + undoMs } as Stored<Kept>
      const order = await db.add('kept', value)
      kept.value = [...kept.value, { ...value, order }]
      orders.push(order)
    }
    void send()
    return orders
  }

  /** Lets go of things: taken back before they went out, or settled. */
  async function drop(orders: readonly number[]): Promise<void> {
    const db = await store()
    for (const order of orders) await db.delete('kept', order)
    kept.value = kept.value.filter(({ order }) => !orders.includes(order))
    // What stood behind it may go.
    void send()
  }

  async function replace(one: Kept): Promise<void> {
    const { order, ...value } = one
    await (await store()).put('kept', value, order)
    kept.value = kept.value.map((other) => (other.order === order ? one : other))
  }

  /** What waits behind something of the same loaf that somebody has to settle first. */
  const isBehind = (one: Kept): boolean =>
    one.kind === 'event' &&
    ofKind(kept.value, 'event').some(({ order, what }) => order < one.order && what.loafId === one.what.loafId)

  const waiting = computed(() => kept.value.filter(({ notTaken }) => notTaken === undefined))
  const nextToSend = (): Kept | undefined => waiting.value.find((one) => one.sendFromMs <= Date.now() && !isBehind(one))

  async function taken(one: Kept, answer: AnswerTo[Kept['kind']]): Promise<void> {
    Object.assign(latest, { [one.kind]: answer })
    if (one.kind !== 'event') return
    justTaken.value = [...justTaken.value, one].slice(-rememberedCount)
    // What follows on the same loaf was seen after it.
    let { version } = (answer as LoafView).loaf
    for (const other of ofKind(kept.value, 'event'))
      if (other.order > one.order && other.what.loafId === one.what.loafId)
        await replace({ ...other, what: { ...other.what, version: version++ } })
  }

  /** @returns whether it is through, taken or not */
  async function sendOne(one: Kept): Promise<boolean> {
    try {
      const answer = await sendKept(one)
      hindrance.value = undefined
      await taken(one, answer)
      await drop([one.order])
    } catch (error) {
      const { status, detail, current } = problemOf(error)
      hindrance.value = hindranceBy(status)
      if (hindrance.value !== undefined) return false
      const theirs = one.kind === 'event' && status === conflict ? { theirs: current as LoafView } : {}
      await replace({ ...one, notTaken: { message: detail, ...theirs } })
    }
    return true
  }

  function sendLater(waitMs: number): void {
    clearTimeout(timer)
    if (!isEnded) timer = setTimeout(() => void send(), waitMs)
  }

  async function send(): Promise<void> {
    if (isSending) return
    isSending = true
    let hasChanged = false
    try {
      for (let next = nextToSend(); next; next = nextToSend()) {
        if (!(await sendOne(next))) return sendLater(retryMs)
        hasChanged ||= next.kind !== 'step'
      }
      const ripeMs = waiting.value.filter((one) => !isBehind(one)).map(({ sendFromMs }) => sendFromMs - Date.now())
      if (ripeMs.length > 0) sendLater(Math.max(0, Math.min(...ripeMs)) + 1)
    } finally {
      isSending = false
      if (hasChanged) broughtHome.value += 1
    }
  }

  /** Sends something anew that was not taken, as it is now. */
  async function sendAgain({ notTaken: _, ...one }: Kept): Promise<void> {
    await replace(one as Kept)
    void send()
  }

  /** Whether something of a loaf is still to be sent. */
  const waitsFor = (loafId: string): boolean => ofKind(kept.value, 'event').some(({ what }) => what.loafId === loafId)

  const settle = computed(() => kept.value.filter(({ notTaken }) => notTaken !== undefined))
  return { kept, waiting, settle, hindrance, latest, broughtHome, justTaken, waitsFor, add, drop, sendAgain, restored }
})
