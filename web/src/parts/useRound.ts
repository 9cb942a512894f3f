import { computed, ref, watch } from 'vue'

/** So long what was done in a round can be taken back before it goes onto the record, ms. */
export const undoMs = 8000

/**
 * A round: one thing after the other, each done once, left for later, or taken back.
 *
 * @param begin keys of what belongs to it, in its order; settled as soon as there are any: what is done stays in its place
 * @param takeBack takes what was kept under a number back, where it has not gone out yet
 */
export function useRound(begin: () => readonly string[], takeBack: (order: number) => Promise<unknown>) {
  const keys = ref<readonly string[]>([])
  const done = ref<readonly { readonly key: string; readonly orders: readonly number[] }[]>([])
  const later = ref<ReadonlySet<string>>(new Set())
  watch(
    begin,
    (now) => {
      if (keys.value.length === 0) keys.value = now
    },
    { immediate: true },
  )
  const isDone = (key: string): boolean => done.value.some((one) => one.key === key)
  /** What is in the hand: what was left for later comes at the end. */
  const now = computed(() => {
    const open = keys.value.filter((key) => !isDone(key))
    return open.find((key) => !later.value.has(key)) ?? open[0]
  })

  function did(key: string, orders: readonly number[]): void {
    done.value = [...done.value, { key, orders }]
  }
  /** @param alongside what cannot be done either without it */
  function leaveForLater(alongside: readonly string[] = []): void {
    if (now.value !== undefined) later.value = new Set([...later.value, now.value, ...alongside])
  }
  /** The last is taken back; what is on the record already is done anew. */
  async function undo(): Promise<void> {
    const back = done.value.at(-1)
    if (!back) return
    for (const order of [...back.orders].reverse()) await takeBack(order)
    done.value = done.value.slice(0, -1)
    later.value = new Set([...later.value].filter((key) => key !== back.key))
  }

  return {
    keys,
    now,
    isDone,
    isLater: (key: string): boolean => later.value.has(key),
    doneCount: computed(() => done.value.length),
    did,
    leaveForLater,
    undo,
  }
}
