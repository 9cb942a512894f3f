import type { Day } from '../calendar'
import { daysBetween } from '../calendar'
import type { LoafState } from '../loaf'
import { feelWords, foamWords } from '../loaf'
import type { Recipe } from '../recipe'
import { fatOf } from '../recipe'
import { barConditions } from './bar'
import type { SeenBar } from './learning'
import type { BarObservationKey } from './model'
import { modelOf, spanOfWord, toldBarG } from './model'

/** A loaf with what it was made by. */
export interface ObservedLoaf {
  readonly batchId: string
  readonly recipeId: string
  readonly recipe: Recipe
  readonly state: LoafState
}

/** What is counted while somebody washes is right to a tenth. An estimate. */
const counted = (figure: number) => ({ atLeast: figure / 1.1, atMost: figure * 1.1 })
/** Days in a month, on average. */
const daysOfMonth = 365.25 / 12
const monthsBetween = (from: Day, to: Day): number => Math.max(0.5, daysBetween(from, to) / daysOfMonth)

/**
 * What a loaf's record tells of its kind: cut cleanly by then, or too soft or too hard at the time; what was noticed when
 * a bar was tried; how long it kept.
 */
function seenOfLoaf({ recipeId, recipe, state }: ObservedLoaf): readonly SeenBar[] {
  const { pouredDay, cut, foundFaults } = state
  if (pouredDay === undefined) return []
  const bar = barConditions(recipe)
  const seen = (key: BarObservationKey, span: Pick<SeenBar, 'atLeast' | 'atMost'>): SeenBar => ({
    key,
    recipeId,
    model: modelOf(key, bar),
    ...span,
  })
  const tried = state.tried ?? []
  const soundDays = [
    ...(state.release?.lookIsSound === true ? [state.release.day] : []),
    ...tried.flatMap(({ day, smell }) => (smell === 'sound' ? [day] : [])),
  ]
  const { offDay } = state
  const soundDay = soundDays
    .filter((day) => offDay === undefined || day < offDay)
    .sort()
    .at(-1)
  // A day of the calendar: from the pour at noon to the knife at noon.
  const cutH = cut && Math.max(6, 24 * daysBetween(pouredDay, cut.day))
  return [
    ...(cutH === undefined
      ? []
      : [seen('cuts', foundFaults.includes('too_soft') ? { atLeast: cutH } : { atMost: cutH })]),
    ...tried.flatMap(({ rubs, foam, feel, lasted }) => [
      ...(rubs === null ? [] : [seen('rubs', counted(rubs))]),
      ...(foam === null ? [] : [seen('foam', spanOfWord('foam', foamWords.indexOf(foam)))]),
      ...(feel === null ? [] : [seen('strips', spanOfWord('strips', feelWords.indexOf(feel)))]),
      ...(lasted === null ? [] : [seen('lasts', counted((lasted.washes * toldBarG) / lasted.barG))]),
    ]),
    ...(soundDay === undefined && offDay === undefined
      ? []
      : [
          seen('keeps', {
            ...(soundDay === undefined ? {} : { atLeast: monthsBetween(pouredDay, soundDay) }),
            ...(offDay === undefined ? {} : { atMost: monthsBetween(pouredDay, offDay) }),
          }),
        ]),
  ]
}

/**
 * What the records of some loaves tell of their kinds. Loaves of one batch that were cut alike are one thing seen: they
 * stood beside each other. A loaf with a fat that is not known any more tells nothing.
 */
export function seenBars(loaves: readonly ObservedLoaf[]): readonly SeenBar[] {
  const known = new Set<string>()
  const readable = loaves.filter(({ recipe }) => recipe.fats.every(({ fatKey }) => fatOf(recipe, fatKey) !== undefined))
  return readable.flatMap((loaf) =>
    seenOfLoaf(loaf).filter((one) => {
      if (one.key !== 'cuts' && one.key !== 'keeps') return true
      const sign = [loaf.batchId, one.key, one.atLeast, one.atMost].join(' ')
      if (known.has(sign)) return false
      known.add(sign)
      return true
    }),
  )
}
