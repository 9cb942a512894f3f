import { useSeason } from '@/parts/seasonStore'
import type { LoafSummary, LoafView } from '@vendange/contract'
import type { LabelLacks, ReleaseAnswers, ReleaseCheck } from '@vendange/core/release'
import { labelOf, releaseChecks } from '@vendange/core/release'
import { barMassStepG } from '@vendange/core/units'

/** The checks of a release as every page asks them. */
export function useReleaseChecks() {
  const season = useSeason()

  /** What a loaf's label lacks; undefined while its story is not read. */
  const labelLacksOf = (view: LoafView | undefined): LabelLacks | undefined =>
    view && season.workshop && labelOf(view.loaf, view.plan, view.namesOnLabel, season.workshop, season.today).lacks

  /** @param view the loaf's story, from which its lots and its label are known; without it those are not held against it */
  function checksOf(loaf: LoafSummary, view: LoafView | undefined, answers: ReleaseAnswers): readonly ReleaseCheck[] {
    const labelLacks = labelLacksOf(view)
    const recalledLots = view?.calledBack ?? []
    const of = {
      ...loaf,
      recalledLots,
      ...(labelLacks ? { labelLacks } : {}),
      labelStepG: barMassStepG[season.workshop?.massUnit ?? 'g'],
    }
    return releaseChecks(loaf.state, of, answers, season.today)
  }
  return { checksOf, labelLacksOf }
}
