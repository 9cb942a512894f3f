import type { CureForecast, CureGoal } from '@vendange/core/cure'

/** Chances from which something is said without an "if". Rules of the house. */
const asGoodAsSure = 0.9
const asGoodAsNever = 0.1

/** "Will it still be 120 g?", answered. */
export function keepsLabelWords(
  { atRelease, keepsLabel }: Pick<CureForecast, 'atRelease' | 'keepsLabel'>,
  { cureDays, labelMassG }: CureGoal,
  barMass: (massG: number) => string,
): string {
  const label = `the ${barMass(labelMassG)} of its label`
  const kept =
    keepsLabel > asGoodAsSure
      ? `It will still weigh ${label}`
      : keepsLabel < asGoodAsNever
        ? `It will not weigh ${label} any more`
        : `Whether it still weighs ${label} is open (${Math.round(keepsLabel * 100)} %)`
  return `${kept}: ${barMass(atRelease.fromG)} to ${barMass(atRelease.untilG)} on day ${cureDays}, most likely ${barMass(atRelease.likelyG)} (estimate).`
}
