import type { SessionStep } from '@vendange/core/batch'
import { partToWeigh } from '@vendange/core/batch'
import type { Ref } from 'vue'
import { computed, ref, watch } from 'vue'
import { roundTo } from '@vendange/core/units'

/**
 * Weighs a step in its parts, one vessel after the other: what went over in one is taken off the next. Only all of them
 * together go on record.
 */
export function usePartWeighing(step: Ref<SessionStep | undefined>, stepG: () => number) {
  const taken = ref<readonly number[]>([])
  const parts = computed(() => step.value?.parts ?? 1)
  watch(
    () => step.value?.key,
    () => (taken.value = []),
  )

  /** What is to be weighed into the vessel at hand, g; of a step that is not split all of it. */
  const target = computed(() => {
    const whole = step.value?.target ?? null
    if (whole === null || parts.value === 1) return whole
    return partToWeigh(whole, parts.value, taken.value, stepG())
  })
  const isSplit = computed(() => parts.value > 1)

  /** Takes a part. @returns all of the step once its last part is taken, g */
  function take(massG: number): number | undefined {
    const all = [...taken.value, massG]
    if (all.length < parts.value) {
      taken.value = all
      return undefined
    }
    return roundTo(
      all.reduce((sum, part) => sum + part, 0),
      6,
    )
  }

  return { target, isSplit, parts, taken, take }
}
