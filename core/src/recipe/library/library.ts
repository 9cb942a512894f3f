import { roundTo } from '../../units'
import { plainName } from '../plainName'
import { waterShareRange } from '../ranges'
import type { RecipeAdditive, RecipeLiquid } from '../parts'
import { libraryAdditives } from './additives'
import type { LibraryEntry, Makeup, Thickener } from './entry'
import { libraryLiquids } from './liquids'

/** Liquids and additives as they usually are, to choose from. */
export const partLibrary: readonly LibraryEntry[] = [...libraryLiquids, ...libraryAdditives]

/** What a thing of the workshop's own stores is made of, before what the library says. */
export interface KnownMakeup {
  readonly kind: LibraryEntry['kind']
  readonly name: string
  readonly makeup: Makeup
}

/**
 * The entry of the library that a maker means by a name; undefined where there is none. The whole name goes before words
 * in it, what is said first before what follows.
 *
 * @param kind looked for first; what is no such thing may still be the other: honey is put in as a liquid, too
 * @example entryOf('additive', 'Kaolin')?.name // 'White clay'
 */
export function entryOf(kind: LibraryEntry['kind'], name: string): LibraryEntry | undefined {
  const plain = plainName(name)
  const [its, others] = kind === 'liquid' ? [libraryLiquids, libraryAdditives] : [libraryAdditives, libraryLiquids]
  const exactly = (entries: readonly LibraryEntry[]): LibraryEntry | undefined =>
    entries.find((entry) => plainName(entry.name) === plain)
  const byWords = (entries: readonly LibraryEntry[]): LibraryEntry | undefined =>
    entries.find(({ words }) => words.test(plain))
  return exactly(its) ?? exactly(others) ?? byWords(its) ?? byWords(others)
}

/** What a liquid or an additive is made of: as the workshop's stores know it, else as the library says. */
export function makeupOf(
  kind: LibraryEntry['kind'],
  name: string,
  known: readonly KnownMakeup[] = [],
): Makeup | undefined {
  const own = known.find((one) => one.kind === kind && plainName(one.name) === plainName(name))
  return own?.makeup ?? entryOf(kind, name)?.makeup
}

/** From so much sugar in it a thing counts as sugar for the batter. An estimate. */
const sugaryFrom = 0.2

/** What speeds the thickening about a liquid or an additive. */
export function thickenerOf(
  kind: LibraryEntry['kind'],
  name: string,
  known: readonly KnownMakeup[] = [],
): Thickener | undefined {
  const entry = entryOf(kind, name)
  if (entry) return entry.thickener
  return (makeupOf(kind, name, known)?.sugarShare ?? 0) >= sugaryFrom ? 'sugar' : undefined
}

/** What goes by no known name: as milk is, half of the water. */
const unknownLiquid = { waterShare: 0.88, partOfWater: 0.5, place: 'lye', contains: [] } as const

/**
 * A liquid as it usually goes into a recipe. Its alcohol is simmered off first: the water is that of what is left.
 *
 * @param known what the workshop's stores know, before the library
 */
export function usualLiquid(name: string, known: readonly KnownMakeup[] = []): RecipeLiquid {
  const entry = entryOf('liquid', name)
  const makeup = makeupOf('liquid', name, known)
  const water = makeup && makeup.waterShare / (1 - makeup.alcoholShare)
  return {
    name,
    waterShare: water === undefined ? unknownLiquid.waterShare : Math.max(waterShareRange.min, roundTo(water, 4)),
    partOfWater: entry?.kind === 'liquid' ? entry.usual.rate : unknownLiquid.partOfWater,
    place: entry === undefined || entry.place === 'trace' ? unknownLiquid.place : entry.place,
    contains: entry?.contains ?? [],
  }
}

/** What goes by no known name: little of it, as it is. */
const unknownAdditive = { basis: 'fats', rate: 0.01, place: 'trace', wetting: null, contains: [] } as const

/** An additive as it usually goes into a recipe. */
export function usualAdditive(name: string): RecipeAdditive {
  const entry = entryOf('additive', name)
  const basis = entry?.usual.basis
  if (!entry || basis === undefined || basis === 'water') return { name, ...unknownAdditive }
  const { usual, place, wetting, contains } = entry
  return { name, basis, rate: usual.rate, place, wetting, contains }
}

/** Whether a liquid goes into the lye frozen: what nobody knows does, a tea need not. */
export function isFrozenForLye({ name, place }: Pick<RecipeLiquid, 'name' | 'place'>): boolean {
  return place === 'lye' && (entryOf('liquid', name)?.cautions.includes('freeze_first') ?? true)
}
