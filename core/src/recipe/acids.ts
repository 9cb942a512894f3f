import type { Recipe } from './recipe'
import { entryOf } from './library'
import type { LibraryEntry } from './library'

/** Sodium hydroxide that a gram of what carries this name takes up before any fat does, g; 0 for what is no known acid. */
export function naohBoundBy(name: string, kind: LibraryEntry['kind'] = 'additive'): number {
  return entryOf(kind, name)?.naohG ?? 0
}

/** Whether anything in a recipe takes up lye before the fats do. */
export function hasAcid({ additives = [], liquids = [] }: Pick<Recipe, 'additives' | 'liquids'>): boolean {
  return (
    additives.some(({ name }) => naohBoundBy(name) > 0) || liquids.some(({ name }) => naohBoundBy(name, 'liquid') > 0)
  )
}

interface Weighed {
  readonly name: string
  readonly massG: number
}

/** Pure sodium hydroxide that weighed additives and liquids take up before the fats do, g. */
export function naohBoundG({
  additives = [],
  liquids = [],
}: {
  readonly additives?: readonly Weighed[]
  readonly liquids?: readonly Weighed[]
}): number {
  return (
    additives.reduce((sum, { name, massG }) => sum + massG * naohBoundBy(name), 0) +
    liquids.reduce((sum, { name, massG }) => sum + massG * naohBoundBy(name, 'liquid'), 0)
  )
}
