import { usePours } from '@/parts/pourActions'
import { usePromises } from '@/parts/promiseStore'
import { useSeason } from '@/parts/seasonStore'
import { addDays, daysBetween } from '@vendange/core/calendar'
import type { Finding } from '@vendange/core/findings'
import type { BatchDays, Violation } from '@vendange/core/season'
import {
  checkPlan,
  daysWhenPouredOn,
  newViolations,
  slackDays,
  violationFinding,
  withoutRepeats,
} from '@vendange/core/season'
import type { BatchSummary } from '@vendange/contract'
import { computed, shallowRef, watch } from 'vue'
import { useLater } from './useLater'

/** More than a few broken rules are one trouble: the plan is to be made anew. */
const mostRulesTold = 4

/** A pour that is being moved: nothing is saved before it is dropped. */
export interface Trial {
  readonly batch: BatchSummary
  readonly days: BatchDays
}

/** Moving pours on the board, by hand or by keys, with what each day would break while it moves. */
export function useBoardDrag() {
  const season = useSeason()
  const { move } = usePours()
  const promises = usePromises()
  const trial = shallowRef<Trial>()
  // The pour follows the hand in one frame; what it breaks is worked out in the next, and told in the one after. The hand
  // is heard before the callbacks of its own frame: the next is the second.
  const looked = useLater(() => trial.value, 2)

  /** Takes a planned pour to a day, for a look. Days that are past are not taken. */
  function tryOn(batch: BatchSummary, byDays: number): void {
    const start = trial.value?.batch.id === batch.id ? trial.value.days.pourDay : batch.days.pourDay
    tryDay(batch, addDays(start, byDays))
  }

  function tryDay(batch: BatchSummary, pourDay: string): void {
    if (batch.status !== 'planned' || pourDay < season.today) return
    if (trial.value?.batch.id === batch.id && trial.value.days.pourDay === pourDay) return
    const days = pourDay === batch.days.pourDay ? batch.days : daysWhenPouredOn(season.open, batch.id, pourDay)
    if (days) trial.value = { batch, days }
  }

  function cancel(): void {
    trial.value = undefined
  }

  async function drop(): Promise<void> {
    const dropped = trial.value
    if (!dropped) return
    await move(dropped.batch, dropped.days.pourDay, dropped.days.cutDay)
    if (trial.value === dropped) trial.value = undefined
  }

  const before = computed(() => {
    const dated = season.dated
    return dated && checkPlan(dated.problem, { pours: dated.placements })
  })
  const checked = computed(() => {
    const dated = season.dated
    const moving = looked.value
    if (!dated || !moving) return before.value
    const number = (day: string): number => daysBetween(dated.firstDay, day)
    const pours = dated.placements.map((placement) =>
      placement.id === moving.batch.id
        ? { id: placement.id, pour: number(moving.days.pourDay), cut: number(moving.days.cutDay) }
        : placement,
    )
    return checkPlan(dated.problem, { pours })
  })
  // Asked for here, so that it is worked out in its own frame and not when it is told.
  watch(checked, () => undefined)
  const toldOf = useLater(() => ({ trial: looked.value, checked: checked.value }), 1)
  const told = computed(() => toldOf.value.trial)
  /** Batches that the rules name which are broken; the same set while they are the same. */
  const blamed = computed<ReadonlySet<string>>((known) => {
    const ids = new Set(
      (toldOf.value.checked?.violations ?? []).flatMap((violation) => ('id' in violation ? [violation.id] : [])),
    )
    return known?.size === ids.size && [...ids].every((id) => known.has(id)) ? known : ids
  })
  const inWords = (violations: readonly Violation[]): readonly Finding[] => {
    const dated = season.dated
    if (!dated) return []
    return violations.slice(0, mostRulesTold).map((violation) => violationFinding(violation, dated, season.mouldNames))
  }
  const standingRules = computed(() => withoutRepeats(before.value?.violations ?? []))
  /** Rules that the plan as it stands breaks, in words: the first few. */
  const standing = computed(() => inWords(standingRules.value))
  const untold = computed(() => Math.max(0, standingRules.value.length - mostRulesTold))
  /** Rules that the move on trial breaks besides those: the first few. */
  const findings = computed(() => {
    const moving = told.value
    if (!moving) return []
    return [
      ...promises.broken([{ batchId: moving.batch.id, days: moving.days }]),
      ...inWords(newViolations(before.value?.violations ?? [], toldOf.value.checked?.violations ?? [])),
    ]
  })
  // The same while a pour moves, and zones are slow to reckon with.
  const movingId = computed(() => told.value?.batch.designId)
  const neededDay = computed(() => {
    const collection = season.collection(season.design(movingId.value)?.collectionId)
    return collection && season.neededDay(collection)
  })
  const slack = computed(() => {
    const moving = told.value
    return moving && neededDay.value !== undefined ? slackDays(moving.days, neededDay.value) : undefined
  })

  return { trial, told, tryOn, tryDay, cancel, drop, checked, blamed, standing, untold, findings, slack }
}
