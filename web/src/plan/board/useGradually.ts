import type { ComputedRef } from 'vue'
import { computed, onBeforeUnmount, shallowRef, watch } from 'vue'

/** How many are added to the page in one frame. */
const perFrame = 6

/**
 * Puts many things on the page a few in each frame, so that no frame takes long. What is no longer wanted leaves at
 * once.
 *
 * @param isWanted whether the thing of a key is to be on the page
 * @param options.isAtOnce whether all are to stand there now, as for paper
 * @param options.restart when it changes, everything is laid out anew: only the first few stay, the rest comes again
 */
export function useGradually<T>(
  all: () => readonly T[],
  keyOf: (one: T) => string,
  isWanted: (key: string) => boolean,
  { isAtOnce, restart }: { readonly isAtOnce: () => boolean; readonly restart: () => unknown },
): ComputedRef<readonly T[]> {
  const present = shallowRef<ReadonlySet<string>>(new Set())
  const wanted = computed(() => all().filter((one) => isWanted(keyOf(one))))
  const missing = computed(() => wanted.value.map(keyOf).filter((key) => !present.value.has(key)))
  let frame = 0
  function grow(): void {
    frame = 0
    present.value = new Set([...present.value, ...missing.value.slice(0, perFrame)])
  }
  watch(restart, () => {
    present.value = new Set(
      wanted.value
        .map(keyOf)
        .filter((key) => present.value.has(key))
        .slice(0, perFrame / 3),
    )
  })
  watch(
    missing,
    ({ length }) => {
      if (length > 0 && frame === 0) frame = requestAnimationFrame(grow)
    },
    { immediate: true },
  )
  onBeforeUnmount(() => cancelAnimationFrame(frame))
  return computed(() => (isAtOnce() ? all() : wanted.value.filter((one) => present.value.has(keyOf(one)))))
}
