import { useUnits } from '@/parts/format'
import { useLoafEvents } from '@/parts/recordLoafEvent'
import { useSeason } from '@/parts/seasonStore'
import type { LoafSummary } from '@vendange/contract'
import { daysBetween } from '@vendange/core/calendar'
import { inOrder, isOffForecast, nearestPoint, weighingRound } from '@vendange/core/cure'
import { computed, ref, watch } from 'vue'
import { useForecast } from './useForecast'

/** So long a mass can be taken back before it goes onto the record, ms. */
export const undoMs = 8000

/** The marked bars that are due, one after the other: taken, asked again about where odd, left for later, taken back. */
export function useWeighingRound() {
  const season = useSeason()
  const { fineMass } = useUnits()
  const { keepForNow, takeBack, errors, trouble } = useLoafEvents()

  /** Who belongs to the round is settled when it begins: a bar that is weighed stays in its place. */
  const ids = ref<readonly string[]>([])
  const done = ref<readonly { readonly loafId: string; readonly order: number }[]>([])
  const later = ref<ReadonlySet<string>>(new Set())
  const curing = computed(() =>
    season.loaves.flatMap(({ id, lotCode, state: { cut, status, place, weighIns } }) =>
      cut && (status === 'curing' || status === 'held') ? [{ id, lotCode, place, weighIns }] : [],
    ),
  )
  watch(
    () => season.workshop,
    (workshop) => {
      if (workshop && ids.value.length === 0)
        ids.value = weighingRound(curing.value, workshop.racks, season.today).map(({ id }) => id)
    },
    { immediate: true },
  )
  const isDone = (id: string): boolean => done.value.some(({ loafId }) => loafId === id)
  const bars = computed(() =>
    ids.value.flatMap((id) => {
      const loaf = season.loaf(id)
      return loaf ? [{ loaf, isDone: isDone(id), isLater: later.value.has(id) }] : []
    }),
  )
  /** The bar in the hand: those that were left for later come at the end. */
  const now = computed<LoafSummary | undefined>(() => {
    const open = bars.value.filter((bar) => !bar.isDone)
    return (open.find((bar) => !bar.isLater) ?? open[0])?.loaf
  })
  const last = computed(() => inOrder(now.value?.state.weighIns ?? []).at(-1))
  const { forecast, isReckoning } = useForecast(() => now.value)

  const cureDay = computed(() => daysBetween(now.value?.state.cut?.day ?? season.today, season.today))
  /** About what it weighs today, g; null while that is reckoned. */
  const expectedG = computed(() =>
    isReckoning.value ? null : (nearestPoint(forecast.value, cureDay.value)?.likelyG ?? last.value?.massG ?? null),
  )

  /** Why the mass that was given last is asked for again; undefined where it was taken. */
  const odd = ref<string>()
  let askedAgain: number | undefined

  /** Takes a mass, g; one that is odd only when it is given a second time. @returns whether it was taken */
  async function take(barG: number): Promise<boolean> {
    const loaf = now.value
    if (!loaf) return false
    const isSure = askedAgain === barG
    const stepG = season.workshop?.scaleResolutionG ?? 1
    if (!isSure && isOffForecast(forecast.value, cureDay.value, barG, stepG)) {
      askedAgain = barG
      odd.value = `${fineMass(barG)} is not what its drying lets expect. Is it this loaf’s marked bar? Take it once more if it is so.`
      return false
    }
    const order = await keepForNow(loaf, { type: 'weighed', day: season.today, barG, isSure }, undoMs)
    if (order === undefined) {
      askedAgain = barG
      odd.value = `${trouble.value ?? errors.value['barG'] ?? ''} Take it once more if it is so.`.trim()
      return false
    }
    askedAgain = undefined
    odd.value = undefined
    done.value = [...done.value, { loafId: loaf.id, order }]
    return true
  }

  function leaveForLater(): void {
    if (now.value) later.value = new Set([...later.value, now.value.id])
    odd.value = undefined
    askedAgain = undefined
  }

  /** The last mass is taken back; one that is on the record already is weighed anew. */
  async function undo(): Promise<void> {
    const back = done.value.at(-1)
    if (!back) return
    await takeBack(back.order)
    done.value = done.value.slice(0, -1)
    later.value = new Set([...later.value].filter((id) => id !== back.loafId))
  }

  return { bars, now, last, expectedG, odd, doneCount: computed(() => done.value.length), take, leaveForLater, undo }
}
