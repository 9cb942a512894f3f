import { levelledOffLoss } from './drying'
import type { DryingTerms, DryingWeighing, KeepsMass, MassForecast } from './dryingModel'
import { chanceOfMass, fitDrying, forecastMass, levellingDay, wetMassFor } from './dryingModel'

/** What a bar has to hold to: how long it stands, and the mass on its label, g. */
export interface CureGoal {
  readonly cureDays: number
  readonly labelMassG: number
}

/** What its weighings foretell of a bar. */
export interface CureForecast {
  /** By day of the cure, at about 28 days of it. */
  readonly days: readonly MassForecast[]
  readonly atRelease: MassForecast
  /** How likely it is that the bar still weighs what its label says at its release, 0 to 1. */
  readonly keepsLabel: number
  /** Day of the cure on which it levels off; undefined past a year. */
  readonly levelsOnDay: number | undefined
}

/** A forecast is drawn with so many points, about. */
const pointsDrawn = 28

/** How a bar will go on drying, by its weighings; undefined before the first. */
export function cureForecast(
  weighings: readonly DryingWeighing[],
  terms: DryingTerms,
  { cureDays, labelMassG }: CureGoal,
): CureForecast | undefined {
  const fit = fitDrying(weighings, terms)
  const atRelease = forecastMass(fit, terms.bar, cureDays)
  if (!atRelease) return undefined
  const every = Math.max(1, Math.round(cureDays / pointsDrawn))
  return {
    days: Array.from({ length: Math.floor(cureDays / every) + 1 }, (_, at) => at * every).flatMap(
      (day) => forecastMass(fit, terms.bar, day) ?? [],
    ),
    atRelease,
    keepsLabel: chanceOfMass(fit, terms.bar, cureDays, labelMassG),
    levelsOnDay: levellingDay(fit, terms.bar, levelledOffLoss),
  }
}

/** What is to be expected of a bar that is about to be cut. */
export interface ForecastAtCut extends Pick<CureForecast, 'atRelease' | 'keepsLabel'> {
  /** With what it would keep its label in nine of ten. */
  readonly needed: KeepsMass
}

/** Whether a bar of so much wet mass will still weigh what its label says, from the prior alone. @param wetG above 0, g */
export function forecastAtCut(wetG: number, terms: DryingTerms, goal: CureGoal): ForecastAtCut | undefined {
  const fit = fitDrying([{ cureDay: 0, massG: wetG }], terms)
  const atRelease = wetG > 0 ? forecastMass(fit, terms.bar, goal.cureDays) : undefined
  if (!atRelease) return undefined
  return {
    atRelease,
    keepsLabel: chanceOfMass(fit, terms.bar, goal.cureDays, goal.labelMassG),
    needed: wetMassFor(goal.labelMassG, terms, { massG: wetG, cureDay: goal.cureDays }),
  }
}
