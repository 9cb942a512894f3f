import { computed, shallowRef, watch } from 'vue'

/**
 * Asks anew whenever what is to be asked changes, and takes the answer to what was asked last: a slower one to what was
 * asked before is left out. While nothing is asked there is no answer.
 */
export function useLatest<Asked, Told>(asked: () => Asked | undefined, ask: (asked: Asked) => Promise<Told>) {
  const told = shallowRef<Told>()
  const isAsking = shallowRef(false)
  let latest = 0
  async function askFor(now: Asked | undefined): Promise<void> {
    const turn = ++latest
    isAsking.value = now !== undefined
    const answer = now === undefined ? undefined : await ask(now)
    if (turn !== latest) return
    told.value = answer
    isAsking.value = false
  }
  watch(asked, (now) => void askFor(now), { immediate: true })
  return { told: computed(() => told.value), isAsking: computed(() => isAsking.value) }
}
