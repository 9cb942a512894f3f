import type { ComputedRef } from 'vue'
import { computed, onScopeDispose, shallowRef, watch } from 'vue'

/** How many leave the page in one frame. */
const leavingAtOnce = 8

/** What is to be on the page, and how. */
export interface Gradually {
  /** How many come onto the page in one frame. */
  readonly comeAtOnce: number
  /** Whether the thing of a key is to be on the page. */
  readonly isWanted: (key: string) => boolean
  /** Whether all are to stand there now, as for paper. @default never */
  readonly isAtOnce?: () => boolean
  /** When it changes, all leave at once and come again. */
  readonly restart?: () => unknown
  /** Whether nothing comes or leaves for now. @default never */
  readonly isPaused?: () => boolean
}

/**
 * Puts many things on the page a few in each frame, and takes those away that are no longer wanted, so that no frame
 * takes long.
 */
export function useGradually<T>(
  all: () => readonly T[],
  keyOf: (one: T) => string,
  { comeAtOnce, isWanted, isAtOnce = () => false, restart, isPaused = () => false }: Gradually,
): ComputedRef<readonly T[]> {
  const present = shallowRef<ReadonlySet<string>>(new Set())
  const keys = computed(() => all().map(keyOf))
  const missing = computed(() => keys.value.filter((key) => isWanted(key) && !present.value.has(key)))
  const leaving = computed(() => [...present.value].filter((key) => !isWanted(key)))
  let frame = 0
  function step(): void {
    frame = 0
    if (isPaused()) return
    const next = new Set([...present.value, ...missing.value.slice(0, comeAtOnce)])
    for (const key of leaving.value.slice(0, leavingAtOnce)) next.delete(key)
    present.value = next
  }
  // As many may be open after a step as before it: each new set is looked at.
  watch(
    () => [isPaused() ? 0 : missing.value.length + leaving.value.length, present.value] as const,
    ([open]) => {
      if (open > 0 && frame === 0) frame = requestAnimationFrame(step)
    },
    { immediate: true },
  )
  if (restart) watch(restart, () => (present.value = new Set()))
  onScopeDispose(() => cancelAnimationFrame(frame))
  return computed(() => (isAtOnce() ? all() : all().filter((one) => present.value.has(keyOf(one)))))
}
