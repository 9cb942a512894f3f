import type { NewSale, SalesTaken } from '@vendange/contract'
import { createClient, endpoints } from '@vendange/contract'
import type { DBSchema, IDBPDatabase } from 'idb'
import { openDB } from 'idb'
import { defineStore } from 'pinia'
import { onScopeDispose, shallowRef } from 'vue'
import { problemOf, storedMakerId } from './api'

/** A sale of the stall that is not in the workshop's records. */
export interface StallSaleKept extends NewSale {
  readonly priceCents: number
  /** ms since 1970 by the clock of the stall. */
  readonly soldAtMs: number
  readonly makerId: string | undefined
  /** Why the workshop did not take it; undefined while it waits. */
  readonly refusal?: string
}

interface SalesShape extends DBSchema {
  sales: { key: string; value: StallSaleKept }
}

/** So long a sale can still be undone before it is sent, ms. */
export const undoMs = 8000
const retryMs = 3000

/**
 * Sales of a market day: kept on the device until the workshop has them, sent in order, once each. One that it does not take,
 * as when another screen sold the last bar, stays here as owed until somebody has settled it.
 */
export const useSaleQueue = defineStore('saleQueue', () => {
  const kept = shallowRef<readonly StallSaleKept[]>([])
  const isReached = shallowRef(true)
  /** What the last sending brought; the page reads the stock anew after it. */
  const latest = shallowRef<SalesTaken>()
  let database: Promise<IDBPDatabase<SalesShape>> | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  let isSending = false
  let isEnded = false
  onScopeDispose(() => {
    isEnded = true
    clearTimeout(timer)
  })

  const store = (): Promise<IDBPDatabase<SalesShape>> =>
    (database ??= openDB<SalesShape>('vendange-stall', 1, {
      upgrade: (db) => void db.createObjectStore('sales', { keyPath: 'saleId' }),
    }))

  async function restore(): Promise<void> {
    const found = await (await store()).getAll('sales')
    kept.value = found.sort((a, b) => a.soldAtMs - b.soldAtMs)
    sendLater(0)
  }
  const restored = restore()

  function sendLater(waitMs: number): void {
    clearTimeout(timer)
    if (!isEnded) timer = setTimeout(() => void send(), waitMs)
  }

  /** Keeps sales. They are safe on this device once this settles, and sent when they can no longer be undone. */
  async function add(sales: readonly Omit<StallSaleKept, 'makerId' | 'soldAtMs'>[]): Promise<void> {
    await restored
    const db = await store()
    const now = sales.map((sale) => ({ ...sale, soldAtMs: Date.now(), makerId: storedMakerId() }))
    for (const sale of now) await db.put('sales', sale)
    kept.value = [...kept.value, ...now]
    sendLater(undoMs)
  }

  /** Takes sales back that are not sent yet, or settles those that are owed. */
  async function drop(saleIds: readonly string[]): Promise<void> {
    const db = await store()
    for (const id of saleIds) await db.delete('sales', id)
    kept.value = kept.value.filter(({ saleId }) => !saleIds.includes(saleId))
  }

  async function send(): Promise<void> {
    const ripe = kept.value.filter(
      ({ refusal, soldAtMs }) => refusal === undefined && Date.now() - soldAtMs >= undoMs - 50,
    )
    if (isSending || ripe.length === 0) return
    isSending = true
    try {
      const client = createClient({ makerId: () => ripe[0]?.makerId })
      const sales = ripe.map(({ soldAtMs: _, makerId: __, refusal: ___, ...sale }) => sale)
      const taken = await client(endpoints.release.takeSales, { body: { sales } })
      const why = new Map(taken.refused.map(({ saleId, detail }) => [saleId, detail]))
      const owed = ripe.flatMap((sale) => {
        const refusal = why.get(sale.saleId)
        return refusal === undefined ? [] : [{ ...sale, refusal }]
      })
      const db = await store()
      for (const sale of owed) await db.put('sales', sale)
      await drop(ripe.filter(({ saleId }) => !why.has(saleId)).map(({ saleId }) => saleId))
      kept.value = kept.value.map((sale) => owed.find(({ saleId }) => saleId === sale.saleId) ?? sale)
      isReached.value = true
      latest.value = taken
    } catch (error) {
      problemOf(error)
      isReached.value = false
      sendLater(retryMs)
    } finally {
      isSending = false
    }
  }

  return { kept, isReached, latest, add, drop, restored }
})
