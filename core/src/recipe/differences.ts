import { formatQuantity } from '../units'
import type { Recipe, RecipeAdditive, RecipeLiquid } from './recipe'
import { fatOf } from './recipe'
import { usualKohPurity } from './lye'

/** A line that differs between two recipes. */
export interface RecipeDifference {
  readonly what: string
  readonly before: number | undefined
  readonly after: number | undefined
}

/** Fats whose shares differ between two recipes, the greatest difference first. @param nameOf name of a fat by its key */
export function fatDifferences(
  before: Recipe['fats'],
  after: Recipe['fats'],
  nameOf: (fatKey: string) => string,
): readonly RecipeDifference[] {
  const share = (fats: Recipe['fats'], key: string): number | undefined =>
    fats.find(({ fatKey }) => fatKey === key)?.share
  const keys = [...new Set([...before, ...after].map(({ fatKey }) => fatKey))]
  return keys
    .map((key) => ({ what: nameOf(key), before: share(before, key), after: share(after, key) }))
    .filter((line) => Math.abs((line.before ?? 0) - (line.after ?? 0)) > 5e-5)
    .sort((a, b) => Math.abs((b.after ?? 0) - (b.before ?? 0)) - Math.abs((a.after ?? 0) - (a.before ?? 0)))
}

/** A recipe as it is kept: with its days and what the maker noted. */
export interface KeptRecipe extends Recipe {
  readonly name: string
  readonly setDaysMin: number
  readonly setDaysMax: number
  readonly cureDays: number
  readonly notes: string
}

const percent = (share: number): string => formatQuantity('share', share, { digits: 2 })
const changed = (what: string, before: string, after: string): readonly string[] =>
  before === after ? [] : [`${what} ${before} → ${after}`]

const liquidWords = ({ waterShare, partOfWater, place }: RecipeLiquid): string =>
  `${percent(partOfWater)} of the water, ${percent(waterShare)} water itself, ${place === 'emulsion' ? 'at' : 'in the'} ${place}`
const additiveWords = ({ basis, rate, place, wetting }: RecipeAdditive): string =>
  [
    basis === 'bar' ? `${formatQuantity('mass', rate)} a bar` : `${percent(rate)} of the ${basis}`,
    `${place === 'lye' || place === 'fats' ? 'in the' : 'at'} ${place}`,
    ...(wetting ? [`wetted in ${wetting.ratio} × ${wetting.with}`] : []),
  ].join(', ')

/** What came, went or changed among things that go by a name. */
function namedDifferences<T extends { readonly name: string }>(
  before: readonly T[],
  after: readonly T[],
  words: (thing: T) => string,
): readonly string[] {
  const names = [...new Set([...before, ...after].map(({ name }) => name))]
  return names.flatMap((name) => {
    const [was, is] = [before, after].map((things) => things.find((thing) => thing.name === name))
    if (!was) return is ? [`${name} came in: ${words(is)}`] : []
    return is ? changed(`${name}:`, words(was), words(is)) : [`${name} went out`]
  })
}

/** What differs between two versions of a recipe, a line each, in the maker's words; empty when nothing does. */
export function recipeDifferences(before: KeptRecipe, after: KeptRecipe): readonly string[] {
  const nameOf = (key: string): string => fatOf(after, key)?.name ?? key
  const atTrace = ({ fats }: Recipe): string =>
    fats.flatMap(({ fatKey, atTrace: is }) => (is ? [nameOf(fatKey)] : [])).join(', ') || 'none'
  const schoolWords = ({ school }: Recipe): string =>
    school
      ? `${school.lye}, gel ${school.gel}, scent ${school.scent}, blending ${school.blending ?? 'usual'}, cured by ${school.cure ?? 'days'}`.replaceAll(
          '_',
          ' ',
        )
      : 'as usual'
  const days = ({ setDaysMin, setDaysMax }: KeptRecipe): string => `${setDaysMin}–${setDaysMax} days`
  return [
    ...changed('Name', before.name, after.name),
    ...fatDifferences(before.fats, after.fats, nameOf).map(({ what, before: was, after: is }) =>
      was === undefined
        ? `${what} came in, ${percent(is ?? 0)}`
        : is === undefined
          ? `${what} went out, ${percent(was)}`
          : `${what} ${percent(was)} → ${percent(is)}`,
    ),
    ...changed('Fats at trace:', atTrace(before), atTrace(after)),
    ...changed('Superfat', percent(before.superfat), percent(after.superfat)),
    ...changed('Lye', percent(before.lyeConcentration), percent(after.lyeConcentration)),
    ...changed('Purity of sodium hydroxide', percent(before.naohPurity), percent(after.naohPurity)),
    ...changed('Potassium hydroxide', percent(before.kohShare ?? 0), percent(after.kohShare ?? 0)),
    ...changed('Its purity', percent(before.kohPurity ?? usualKohPurity), percent(after.kohPurity ?? usualKohPurity)),
    ...namedDifferences(before.liquids ?? [], after.liquids ?? [], liquidWords),
    ...namedDifferences(before.additives ?? [], after.additives ?? [], additiveWords),
    ...changed('How it is made:', schoolWords(before), schoolWords(after)),
    ...changed('Oven', before.oven ? 'yes' : 'no', after.oven ? 'yes' : 'no'),
    ...changed('In the mould', days(before), days(after)),
    ...changed('Cure', `${before.cureDays} days`, `${after.cureDays} days`),
    ...(before.notes === after.notes ? [] : ['The notes for next time']),
  ]
}
