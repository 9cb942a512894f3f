import { useUnits } from '@/parts/format'
import { useLoafEvents } from '@/parts/recordLoafEvent'
import { useSeason } from '@/parts/seasonStore'
import { undoMs, useRound } from '@/parts/useRound'
import type { LoafSummary } from '@vendange/contract'
import { cuttingRound, differsFromTwins } from '@vendange/core/cutting'
import { counted } from '@vendange/words'
import { computed, ref } from 'vue'

/** One thing to do in the round: take all loaves of a batch out of their moulds, or cut one of them. */
export interface CuttingStep {
  readonly key: string
  readonly kind: 'unmould' | 'cut'
  readonly mouldName: string
  /** Those to be taken out together, or the one under the knife. */
  readonly loaves: readonly LoafSummary[]
}

const stepKey = (kind: CuttingStep['kind'], ids: readonly string[]): string => [kind, ...ids].join(' ')
const idsOf = (key: string): readonly string[] => key.split(' ').slice(1)

/** Loaves that can come out of their moulds today, or wait for the knife. */
export function useDueLoaves() {
  const season = useSeason()
  return computed(() =>
    season.loaves.filter(({ batchId, state }) => {
      if (state.status === 'unmoulded') return true
      const day = season.batches.find(({ id }) => id === batchId)?.days.cutDay
      return state.status === 'in_mould' && day !== undefined && day <= season.today
    }),
  )
}

/** What comes out of its moulds and under the knife today, mould by mould, a batch's loaves together. */
export function useCuttingRound() {
  const season = useSeason()
  const { fineMass } = useUnits()
  const { keepForNow, takeBack, errors, trouble } = useLoafEvents()

  const due = useDueLoaves()
  const round = useRound(
    () =>
      cuttingRound(due.value).flatMap(({ loaves }) => {
        const inMould = loaves.filter(({ state }) => state.status === 'in_mould').map(({ id }) => id)
        const cuts = loaves.map(({ id }) => stepKey('cut', [id]))
        return inMould.length > 0 ? [stepKey('unmould', inMould), ...cuts] : cuts
      }),
    takeBack,
  )
  const stepOf = (key: string): CuttingStep => {
    const loaves = idsOf(key).flatMap((id) => season.loaf(id) ?? [])
    return { key, kind: key.startsWith('unmould') ? 'unmould' : 'cut', mouldName: loaves[0]?.mouldName ?? '', loaves }
  }
  const steps = computed(() =>
    round.keys.value.map((key) => ({ ...stepOf(key), isDone: round.isDone(key), isLater: round.isLater(key) })),
  )
  const now = computed<CuttingStep | undefined>(() =>
    round.now.value === undefined ? undefined : stepOf(round.now.value),
  )
  /** The loaf under the knife. */
  const loaf = computed(() => (now.value?.kind === 'cut' ? now.value.loaves[0] : undefined))
  /** Loaves of its batch that are cut already. */
  const twinsOf = ({ id, batchId, mouldId }: LoafSummary) =>
    season.loaves.flatMap((one) =>
      one.id !== id && one.batchId === batchId && one.mouldId === mouldId ? (one.state.cut ?? []) : [],
    )

  /** Why the cut that was given last is asked for again; undefined where it was taken. */
  const odd = ref<string>()
  let askedAgain = ''

  async function unmould(): Promise<void> {
    const step = now.value
    if (step?.kind !== 'unmould') return
    const orders: number[] = []
    for (const one of step.loaves) {
      const order = await keepForNow(one, { type: 'unmoulded', day: season.today }, undoMs)
      if (order !== undefined) orders.push(order)
    }
    round.did(step.key, orders)
  }

  /** Writes a cut down; one that differs much from its twins only when it is given a second time. @returns whether it was taken */
  async function cut(bars: number, ends: number, firstBarG: number): Promise<boolean> {
    const one = loaf.value
    if (!one || !now.value) return false
    const given = JSON.stringify([one.id, bars, ends, firstBarG])
    if (askedAgain !== given && differsFromTwins({ bars, firstBarG }, twinsOf(one)).isMassOff) {
      askedAgain = given
      odd.value = `${fineMass(firstBarG)} is far from the first bars of the loaves beside it. Take it once more if it is so.`
      return false
    }
    const order = await keepForNow(
      one,
      { type: 'cut', day: season.today, bars, ends, firstBarG, bevelled: false },
      undoMs,
    )
    if (order === undefined) {
      odd.value = [trouble.value, ...Object.values(errors.value)].find((why) => why) ?? ''
      return false
    }
    askedAgain = ''
    odd.value = undefined
    round.did(now.value.key, [order])
    return true
  }

  /** What is told of a cut beside its twins: "one bar fewer than its twins". */
  function twinWords(one: LoafSummary): string {
    const { cut: made } = one.state
    if (!made) return ''
    const { bars, isMassOff } = differsFromTwins(made, twinsOf(one))
    const count = bars === 0 ? '' : `${counted(Math.abs(bars), 'bar')} ${bars > 0 ? 'more' : 'fewer'} than its twins`
    return [count, isMassOff ? 'another first bar' : ''].filter((words) => words !== '').join(', ')
  }

  function leaveForLater(): void {
    // What stays in its mould is not cut either.
    round.leaveForLater(
      now.value?.kind === 'unmould' ? now.value.loaves.map(({ id }) => stepKey('cut', [id])) : undefined,
    )
    odd.value = undefined
  }

  return { steps, now, loaf, odd, doneCount: round.doneCount, unmould, cut, twinWords, leaveForLater, undo: round.undo }
}
