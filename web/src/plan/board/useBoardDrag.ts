import { usePours } from '@/parts/pourActions'
import { useSeason } from '@/parts/seasonStore'
import { addDays, daysBetween } from '@vendange/core/calendar'
import type { Finding } from '@vendange/core/findings'
import type { BatchDays, PlanCheck } from '@vendange/core/season'
import { batchDays, checkPlan, slackDays, violationFinding, withoutRepeats } from '@vendange/core/season'
import type { BatchSummary } from '@vendange/contract'
import { computed, shallowRef } from 'vue'

/** A pour that is being moved: nothing is saved before it is dropped. */
export interface Trial {
  readonly batch: BatchSummary
  readonly days: BatchDays
}

/** Moving pours on the board, by hand or by keys, with what each day would break while it moves. */
export function useBoardDrag() {
  const season = useSeason()
  const { move } = usePours()
  const trial = shallowRef<Trial>()

  /** Takes a planned pour to a day, for a look. Days that are past are not taken. */
  function tryOn(batch: BatchSummary, byDays: number): void {
    const start = trial.value?.batch.id === batch.id ? trial.value.days.pourDay : batch.days.pourDay
    tryDay(batch, addDays(start, byDays))
  }

  function tryDay(batch: BatchSummary, pourDay: string): void {
    if (batch.status !== 'planned' || pourDay < season.today) return
    if (trial.value?.batch.id === batch.id && trial.value.days.pourDay === pourDay) return
    const days = pourDay === batch.days.pourDay ? batch.days : batchDays(pourDay, batch.demand, season.limits.working)
    trial.value = { batch, days }
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
    const moving = trial.value
    if (!dated || !moving) return before.value
    const number = (day: string): number => daysBetween(dated.firstDay, day)
    const pours = dated.placements.map((placement) =>
      placement.id === moving.batch.id
        ? { id: placement.id, pour: number(moving.days.pourDay), cut: number(moving.days.cutDay) }
        : placement,
    )
    return checkPlan(dated.problem, { pours })
  })
  const inWords = (check: PlanCheck | undefined): readonly Finding[] => {
    const dated = season.dated
    if (!dated || !check) return []
    return withoutRepeats(check.violations).map((violation) => violationFinding(violation, dated, season.mouldNames))
  }
  /** Rules that the plan as it stands breaks, in words. */
  const standing = computed(() => inWords(before.value))
  /** Rules that the move on trial breaks besides those. */
  const findings = computed(() => {
    const known = new Set(standing.value.map(({ message }) => message))
    return trial.value ? inWords(checked.value).filter(({ message }) => !known.has(message)) : []
  })
  const slack = computed(() => {
    const moving = trial.value
    const design = season.design(moving?.batch.designId)
    const collection = season.collection(design?.collectionId)
    return moving && collection && slackDays(moving.days, season.neededDay(collection))
  })

  return { trial, tryOn, tryDay, cancel, drop, checked, standing, findings, slack }
}
