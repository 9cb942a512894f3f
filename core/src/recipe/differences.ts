import type { Param, Sentence } from '../findings'
import { quantity, sentence } from '../findings'
import type { RecipeAdditive, RecipeLiquid } from './parts'
import type { Recipe } from './recipe'
import { fatOf } from './recipe'
import { usualKohPurity } from './lye'
import type { School } from './school'
import { usualSchool } from './school'

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

/** What is told of a recipe in one figure or word before and after. */
type Told = Param

const changed = (what: RecipePart, before: Told, after: Told): readonly Sentence[] =>
  JSON.stringify(before) === JSON.stringify(after)
    ? []
    : [sentence('recipe_part_changed', { what: sentence('recipe_part', { part: what }), before, after })]

/** The parts of a recipe that are told of by their name. */
export type RecipePart =
  | 'name'
  | 'at_trace'
  | 'superfat'
  | 'lye'
  | 'naoh_purity'
  | 'koh_share'
  | 'koh_purity'
  | 'lye_school'
  | 'gel_school'
  | 'scent_school'
  | 'blending'
  | 'cure_school'
  | 'oven'
  | 'meets_acids'
  | 'set_days'
  | 'cure_days'

const yesOrNo = (is: boolean | undefined): Sentence => sentence('yes_or_no', { is: is === true ? 'yes' : 'no' })

const liquidWords = ({ waterShare, partOfWater, place }: RecipeLiquid): Sentence =>
  sentence('liquid_in_recipe', { part: quantity.share(partOfWater, 2), water: quantity.share(waterShare, 2), place })

function additiveWords({ basis, rate, place, wetting }: RecipeAdditive): Sentence {
  const told = rate === undefined ? 0 : rate
  return sentence('additive_in_recipe', {
    rate: basis === 'bar' ? quantity.mass(told) : quantity.share(told, 2),
    basis,
    place,
    wetted: wetting ? sentence('wetted_in', { ratio: quantity.figure(wetting.ratio), with: wetting.with }) : '',
    isWetted: wetting ? 'yes' : 'no',
  })
}

/** What came, went or changed among things that go by a name. */
function namedDifferences<T extends { readonly name: string }>(
  before: readonly T[],
  after: readonly T[],
  words: (thing: T) => Sentence,
): readonly Sentence[] {
  const names = [...new Set([...before, ...after].map(({ name }) => name))]
  return names.flatMap((name) => {
    const [was, is] = [before, after].map((things) => things.find((thing) => thing.name === name))
    if (!was) return is ? [sentence('part_came_in', { name, how: words(is) })] : []
    if (!is) return [sentence('part_went_out', { name })]
    const [then, now] = [words(was), words(is)]
    return JSON.stringify(then) === JSON.stringify(now)
      ? []
      : [sentence('recipe_part_changed', { what: `${name}:`, before: then, after: now })]
  })
}

const schoolWord = (option: string): Sentence => sentence('school_option', { option })

/** What differs between two versions of a recipe, a line each; empty when nothing does. */
export function recipeDifferences(before: KeptRecipe, after: KeptRecipe): readonly Sentence[] {
  const nameOf = (key: string): string => fatOf(after, key)?.name ?? key
  const atTrace = ({ fats }: Recipe): Told => {
    const names = fats.flatMap(({ fatKey, atTrace: is }) => (is ? [nameOf(fatKey)] : []))
    return names.length === 0 ? sentence('no_fat') : names
  }
  const share = (value: number): Told => quantity.share(value, 2)
  const schoolChanged = (part: RecipePart, option: (school: School) => string): readonly Sentence[] =>
    changed(part, schoolWord(option(before.school ?? usualSchool)), schoolWord(option(after.school ?? usualSchool)))
  const days = ({ setDaysMin, setDaysMax }: KeptRecipe): Told =>
    sentence('days_span', { least: setDaysMin, most: setDaysMax })
  return [
    ...changed('name', before.name, after.name),
    ...fatDifferences(before.fats, after.fats, nameOf).map(({ what, before: was, after: is }) =>
      was === undefined
        ? sentence('fat_came_in', { fat: what, share: share(is ?? 0) })
        : is === undefined
          ? sentence('fat_went_out', { fat: what, share: share(was) })
          : sentence('recipe_part_changed', { what, before: share(was), after: share(is) }),
    ),
    ...changed('at_trace', atTrace(before), atTrace(after)),
    ...changed('superfat', share(before.superfat), share(after.superfat)),
    ...changed('lye', share(before.lyeConcentration), share(after.lyeConcentration)),
    ...changed('naoh_purity', share(before.naohPurity), share(after.naohPurity)),
    ...changed('koh_share', share(before.kohShare ?? 0), share(after.kohShare ?? 0)),
    ...changed('koh_purity', share(before.kohPurity ?? usualKohPurity), share(after.kohPurity ?? usualKohPurity)),
    ...namedDifferences(before.liquids ?? [], after.liquids ?? [], liquidWords),
    ...namedDifferences(before.additives ?? [], after.additives ?? [], additiveWords),
    ...changed('meets_acids', yesOrNo(before.meetsAcids), yesOrNo(after.meetsAcids)),
    ...schoolChanged('lye_school', ({ lye }) => lye),
    ...schoolChanged('gel_school', ({ gel }) => gel),
    ...schoolChanged('scent_school', ({ scent }) => scent),
    ...schoolChanged('blending', ({ blending = 'usual' }) => blending),
    ...schoolChanged('cure_school', ({ cure = 'days' }) => cure),
    ...changed('oven', yesOrNo(before.oven), yesOrNo(after.oven)),
    ...changed('set_days', days(before), days(after)),
    ...changed('cure_days', quantity.days(before.cureDays), quantity.days(after.cureDays)),
    ...(before.notes === after.notes ? [] : [sentence('recipe_notes_changed')]),
  ]
}
