import type { Fat } from '@vendange/core/fats'
import type { Sentence } from '@vendange/core/findings'
import { sentence } from '@vendange/core/findings'
import { parseRecipeCsv } from '@vendange/core/recipe/csv'
import { ValidationError } from 'yup'
import { jsonSchemaOf } from './openapi'
import { atField, faultsOf } from './faults'
import { plainRecipe } from './schemas/blank'
import type { NewRecipe } from './schemas/recipe'
import { recipeSchema } from './schemas/recipe'

const format = 'vendange-recipe'
const version = 1

export type RecipeFile =
  | { readonly ok: true; readonly recipe: NewRecipe }
  /** What is wrong. */
  | { readonly ok: false; readonly problems: readonly Sentence[] }

/** A recipe as a file for others: see docs/formats/recipe.schema.json. */
export function writeRecipeFile(recipe: NewRecipe): string {
  return `${JSON.stringify({ format, version, recipe }, undefined, 2)}\n`
}

/** The JSON Schema of the file. What only a computation can tell, such as shares that make 100 %, is checked on reading. */
export function recipeFileSchema(): Record<string, unknown> {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'A soap recipe of Vendange',
    description:
      'Shares, superfat, concentration and purities are fractions from 0 to 1; days are whole. The lye is not part of the file: it is reckoned anew from the fats.',
    type: 'object',
    properties: { format: { const: format }, version: { const: version }, recipe: jsonSchemaOf(recipeSchema) },
    required: ['format', 'version', 'recipe'],
  }
}

/** What a recipe is that comes as a bare list of fats. */
const bareRecipe = {
  superfat: 0.05,
  lyeConcentration: 0.33,
  naohPurity: 1,
  ...plainRecipe,
  setDaysMin: 1,
  setDaysMax: 3,
  cureDays: 28,
  oven: false,
  notes: '',
} satisfies Partial<NewRecipe>

async function checked(recipe: unknown): Promise<RecipeFile> {
  try {
    return { ok: true, recipe: await recipeSchema.validate(recipe, { strict: true, abortEarly: false }) }
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    return { ok: false, problems: faultsOf(error).map(atField) }
  }
}

/** Reads a recipe from a file of ours, or its fats from a CSV table, and says what is wrong with it. Never throws on text. */
export async function readRecipeFile(
  text: string,
  name: string,
  /** Fats of the workshop's own, which a table may name. */
  own: readonly Fat[] = [],
): Promise<RecipeFile> {
  if (!text.trimStart().startsWith('{')) {
    const table = parseRecipeCsv(text, own)
    return table.ok
      ? checked({ name, fats: table.fats.map((line) => ({ ...line, atTrace: false })), ...bareRecipe })
      : table
  }
  let file: { format?: unknown; version?: unknown; recipe?: unknown }
  try {
    file = JSON.parse(text) as typeof file
  } catch {
    return { ok: false, problems: [sentence('recipe_file_torn')] }
  }
  if (file.format !== format) return { ok: false, problems: [sentence('no_recipe_file', { format })] }
  if (file.version !== version)
    return { ok: false, problems: [sentence('recipe_file_version', { version: String(file.version), reads: version })] }
  return checked(file.recipe)
}
