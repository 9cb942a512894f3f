import type { ComputedRef } from 'vue'
import { computed, onScopeDispose, shallowRef, watch } from 'vue'

/** Does something after so many frames. @returns what gives it up */
export function afterFrames(frames: number, work: () => void): () => void {
  let handle = 0
  const wait = (left: number): void => {
    handle = requestAnimationFrame(() => (left > 1 ? wait(left - 1) : work()))
  }
  wait(frames)
  return () => cancelAnimationFrame(handle)
}

/**
 * The same value some frames later, so that not all that hangs on it falls into one frame. While it goes on changing, it
 * is taken every so many frames.
 *
 * @param isAtOnce whether it is to be the same now, as for paper. Never, where nothing is said
 */
export function useLater<T>(source: () => T, frames: number, isAtOnce = (): boolean => false): ComputedRef<T> {
  const later = shallowRef(source())
  let giveUp: (() => void) | undefined
  watch(source, () => {
    giveUp ??= afterFrames(frames, () => {
      giveUp = undefined
      later.value = source()
    })
  })
  onScopeDispose(() => giveUp?.())
  return computed(() => (isAtOnce() ? source() : later.value))
}
