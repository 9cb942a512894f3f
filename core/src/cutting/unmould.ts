import type { Day } from '../calendar'
import { addDays } from '../calendar'

/** When a loaf is taken out and cut: before it is soft and smears, after it grows brittle. */
export interface CutWindow {
  readonly softUntilDay: Day
  readonly fromDay: Day
  readonly untilDay: Day
  /** Stamping leaves a clean mark until this day. */
  readonly stampUntilDay: Day
}

/** A cut bar stays soft enough for a stamp for so many days. An estimate from practice. */
export const stampDays = 2
/** A lye this strong, or an oven, sets a loaf a day sooner. Estimates from practice. */
const strongLye = 0.36

/**
 * The window of a loaf by its recipe's setting time and its school.
 *
 * @throws {RangeError} if the day is no day
 */
export function cutWindow(
  pourDay: Day,
  recipe: {
    readonly setDaysMin: number
    readonly setDaysMax: number
    readonly lyeConcentration: number
    readonly oven: boolean
  },
): CutWindow {
  const sooner = recipe.oven || recipe.lyeConcentration >= strongLye ? 1 : 0
  const from = Math.max(1, recipe.setDaysMin - sooner)
  const until = Math.max(from, recipe.setDaysMax - sooner)
  return {
    softUntilDay: addDays(pourDay, from - 1),
    fromDay: addDays(pourDay, from),
    untilDay: addDays(pourDay, until),
    stampUntilDay: addDays(pourDay, from + stampDays),
  }
}
