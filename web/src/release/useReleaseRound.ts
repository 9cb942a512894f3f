import { api } from '@/parts/api'
import { useLoafEvents } from '@/parts/recordLoafEvent'
import { useSeason } from '@/parts/seasonStore'
import type { LoafSummary, LoafView } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { cureProgress } from '@vendange/core/cure'
import { unreleasedBars } from '@vendange/core/loaf'
import type { ReleaseCheck } from '@vendange/core/release'
import { mayRelease } from '@vendange/core/release'
import { computed, ref, shallowRef, watch } from 'vue'
import { useReleaseChecks } from './checksOf'

/** What was seen of a loaf: its strip, and whether it looks sound. */
interface Seen {
  readonly ph: number
  readonly lookIsSound: boolean
}
/** Answered by the maker for each loaf; all else is reckoned. */
const isAnswered: ReadonlySet<ReleaseCheck['key']> = new Set(['ph', 'look', 'label'])

/** The loaves whose cure is over, one after the other: what can be reckoned is, the rest is seen, and one signature lets them go. */
export function useReleaseRound() {
  const season = useSeason()
  const { checksOf } = useReleaseChecks()
  const { record, trouble, isSending } = useLoafEvents()

  /** Who belongs to the round is settled when it begins. */
  const ids = ref<readonly string[]>([])
  const views = shallowRef<ReadonlyMap<string, LoafView>>(new Map())
  const seen = ref<ReadonlyMap<string, Seen>>(new Map())
  const released = ref<ReadonlySet<string>>(new Set())
  const labelsAreComplete = ref(false)

  const isDue = ({ state, cureDays }: LoafSummary): boolean =>
    state.cut !== undefined && state.status === 'curing' && cureProgress(state.cut.day, cureDays, season.today).isOver
  watch(
    () => season.workshop,
    (workshop) => {
      if (!workshop || ids.value.length > 0) return
      const due = season.loaves.filter(isDue)
      ids.value = due
        .sort((a, b) => a.name.localeCompare(b.name) || a.lotCode.localeCompare(b.lotCode))
        .map(({ id }) => id)
      for (const { id } of due)
        api(endpoints.loaves.view, { params: { id } })
          .then((view) => (views.value = new Map([...views.value, [id, view]])))
          .catch(() => undefined)
    },
    { immediate: true },
  )

  const rows = computed(() =>
    ids.value.flatMap((id) => {
      const loaf = season.loaf(id)
      if (!loaf) return []
      const answer = seen.value.get(id)
      const checks = checksOf(loaf, views.value.get(id), {
        ph: answer?.ph ?? null,
        lookIsSound: answer?.lookIsSound ?? false,
        labelIsComplete: labelsAreComplete.value,
      })
      /** What stands against it whatever is seen: it stays, and is not looked at. */
      const against = checks.filter(
        ({ key, result }) => result === 'failed' || (result === 'open' && !isAnswered.has(key)),
      )
      return [
        {
          loaf,
          answer,
          against:
            answer && !answer.lookIsSound ? [...against, ...checks.filter(({ key }) => key === 'look')] : against,
          bars: unreleasedBars(loaf.state),
          mayGo: answer !== undefined && mayRelease(checks),
          isRead: views.value.has(id),
          isReleased: released.value.has(id),
        },
      ]
    }),
  )
  const toSee = computed(() =>
    rows.value.filter(({ answer, against, isRead }) => isRead && answer === undefined && against.length === 0),
  )
  const now = computed(() => toSee.value[0])
  /** Those that go with the signature, once the labels are said to be complete. */
  const going = computed(() =>
    rows.value.filter(({ answer, against, isReleased }) => answer && against.length === 0 && !isReleased),
  )
  const staying = computed(() => rows.value.filter(({ against, isReleased }) => against.length > 0 && !isReleased))

  function see(ph: number, lookIsSound: boolean): void {
    if (now.value) seen.value = new Map([...seen.value, [now.value.loaf.id, { ph, lookIsSound }]])
  }
  /** The last that was seen is looked at again. */
  function back(): void {
    const last = [...seen.value.keys()].filter((id) => !released.value.has(id)).at(-1)
    if (last !== undefined) seen.value = new Map([...seen.value].filter(([id]) => id !== last))
  }
  const canGoBack = computed(() => [...seen.value.keys()].some((id) => !released.value.has(id)))

  /** Lets go all that may, each with a record of its own. One that is refused stays, and ends the round there. */
  async function sign(): Promise<void> {
    for (const { loaf, answer, bars, mayGo } of going.value) {
      if (!answer || !mayGo) continue
      const event = { type: 'released', day: season.today, bars, ...answer, labelIsComplete: true } as const
      if (!(await record(season.loaf(loaf.id) ?? loaf, event))) return
      released.value = new Set([...released.value, loaf.id])
    }
  }
  return { rows, now, going, staying, released, labelsAreComplete, canGoBack, see, back, sign, trouble, isSending }
}
