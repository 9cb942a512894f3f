import { computed, ref, watch } from 'vue'
import { useBarScale } from './useBarScale'
import { useGoOnKey } from './useGoOnKey'

/** A bar that still lies on the pan is not the next one: the pan is empty in between. g, an estimate. */
const emptyPanG = 2

/**
 * A round in which one bar after the other is weighed: what the scale shows once it stands still, or what is typed, is
 * taken by Space, Enter or a button.
 *
 * @param take what to do with a mass, g; gives back whether it was taken
 * @param withoutMass what a press does where no mass is asked for; undefined: one is
 */
export function useTakeFromScale(
  take: (massG: number) => Promise<boolean>,
  withoutMass: () => (() => Promise<unknown>) | undefined = () => undefined,
) {
  const { isConnected, mass, settledG, command } = useBarScale()
  const isFresh = ref(true)
  watch(mass, (shown) => {
    if (shown && shown.massG < emptyPanG) isFresh.value = true
  })
  const typed = ref<number | null>(null)
  const unread = ref<string>()
  const onScale = computed(() =>
    isFresh.value && settledG.value !== undefined && settledG.value >= emptyPanG ? settledG.value : undefined,
  )
  /** What would be taken now, g. */
  const given = computed(() => typed.value ?? (isConnected.value ? onScale.value : undefined))
  const mayTake = computed(
    () => withoutMass() !== undefined || (given.value !== undefined && unread.value === undefined),
  )

  const isTaking = ref(false)
  async function takeIt(): Promise<void> {
    if (!mayTake.value || isTaking.value) return
    isTaking.value = true
    try {
      const plain = withoutMass()
      if (plain) return void (await plain())
      const wasTyped = typed.value !== null
      if (given.value === undefined || !(await take(given.value))) return
      typed.value = null
      if (!wasTyped) isFresh.value = false
    } finally {
      isTaking.value = false
    }
  }

  useGoOnKey(takeIt)

  return { isConnected, mass, command, typed, unread, given, mayTake, takeIt }
}
