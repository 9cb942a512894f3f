import { defineStore } from 'pinia'
import { computed } from 'vue'
import type { KeptSale } from './kept'
import { ofKind } from './kept'
import { useOutbox } from './outbox'

/** A sale of the stall that is not in the workshop's records. */
export interface StallSaleKept extends KeptSale {
  /** Why the workshop did not take it; undefined while it waits. */
  readonly refusal: string | undefined
}

/** So long a sale can still be undone before it is sent, ms. */
export const undoMs = 8000

/**
 * Sales of a market day on their way to the workshop. One that it does not take, as when another screen sold the last bar,
 * stays here as owed until somebody has settled it.
 */
export const useSaleQueue = defineStore('saleQueue', () => {
  const outbox = useOutbox()
  const kept = computed<readonly StallSaleKept[]>(() =>
    ofKind(outbox.kept, 'sale').map(({ what, notTaken }) => ({ ...what, refusal: notTaken?.message })),
  )

  /** Keeps sales, each with what it is in words. They are sent when they can no longer be undone. */
  const add = (sales: readonly KeptSale[], words: (sale: KeptSale) => string): Promise<unknown> =>
    outbox.add(sales.map((sale) => ({ kind: 'sale', what: sale, told: words(sale), undoMs })))

  /** Takes sales back that are not sent yet, or settles those that are owed. */
  const drop = (saleIds: readonly string[]): Promise<void> =>
    outbox.drop(
      ofKind(outbox.kept, 'sale')
        .filter(({ what }) => saleIds.includes(what.saleId))
        .map(({ order }) => order),
    )

  const isReached = computed(() => outbox.hindrance === undefined)
  return { kept, isReached, add, drop, restored: outbox.restored }
})
