import type { ComputedRef } from 'vue'
import { computed, onBeforeUnmount, shallowRef, watch } from 'vue'

/**
 * The same value some frames later, so that not all that hangs on it falls into one frame. While it goes on changing, it
 * is taken every so many frames.
 *
 * @param isAtOnce whether it is to be the same now, as for paper
 */
export function useLater<T>(source: () => T, frames: number, isAtOnce: () => boolean): ComputedRef<T> {
  const later = shallowRef(source())
  let handle = 0
  function wait(left: number): void {
    handle = requestAnimationFrame(() => {
      if (left > 1) return wait(left - 1)
      handle = 0
      later.value = source()
    })
  }
  watch(source, () => {
    if (handle === 0) wait(frames)
  })
  onBeforeUnmount(() => cancelAnimationFrame(handle))
  return computed(() => (isAtOnce() ? source() : later.value))
}
