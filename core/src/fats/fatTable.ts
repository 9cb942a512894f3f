import type { Fat } from './fat'
import fats from './fats.json' with { type: 'json' }

/**
 * The fats a workshop starts from. Spans of the saponification value are those of the standard named in `source`
 * (CXS: Codex Alimentarius; Ph. Eur., JP: the European and Japanese pharmacopoeias); typical values, profiles, densities
 * and unsaponifiable matter are usual mid-range figures of the trade. A supplier's certificate goes before this table.
 */
export const fatTable = fats as readonly Fat[]

const byKey = new Map(fatTable.map((fat) => [fat.key, fat]))

/** The fat that a table of somebody else means by a key or a name, however it is cased. */
export function findFatNamed(text: string, own: readonly Fat[] = []): Fat | undefined {
  const wanted = text.trim().toLowerCase()
  return [...own, ...fatTable].find(({ key, name }) => key === wanted || name.toLowerCase() === wanted)
}

/** The fat with this key, or undefined when the table has none. */
export function findFat(key: string): Fat | undefined {
  return byKey.get(key)
}
