import Papa from 'papaparse'
import type { Fat } from '../../fats'
import { findFatNamed } from '../../fats'
import type { Sentence } from '../../findings'
import { sentence } from '../../findings'
import { formatQuantity, parseQuantity, roundTo } from '../../units'
import { massRange } from '../ranges'
import type { Recipe } from '../recipe'
import { blendOf } from '../recipe'

/** Characters that one file may have. */
export const longestRecipeFile = 200_000
const mostFats = 30

const atLine = (line: number, problem: Sentence): Sentence => sentence('at_line', { line, problem })

export type RecipeCsv =
  | { readonly ok: true; readonly fats: readonly { readonly fatKey: string; readonly share: number }[] }
  /** What cannot be read, with its line counted from 1. */
  | { readonly ok: false; readonly problems: readonly Sentence[] }

/**
 * Reads fats that were copied out of a table or a message: a name and a share or a mass in each line, with or without a
 * heading, with tabs, semicolons or commas between. Never throws on text.
 */
export function parsePastedFats(text: string, own: readonly Fat[] = []): RecipeCsv {
  const [first = ''] = text.trim().split(/\r?\n/, 1)
  if (/^\W*fats?\b/i.test(first)) return parseRecipeCsv(text.trim().replace(/^\W*fats\b/i, 'fat'), own)
  // Without a percent sign they are parts of a whole, whatever the whole is.
  const kind = text.includes('%') ? 'share' : 'mass'
  // A comma may stand within a figure, so that it parts cells only where nothing else does.
  const delimiter = ['\t', ';', ','].find((mark) => first.includes(mark)) ?? ','
  return parseRecipeCsv(`fat${delimiter}${kind}\n${text.trim()}`, own, 1)
}

/** The fats of a recipe as a table: name and share. @throws {RangeError} if a fat is not in the table */
export function writeRecipeCsv(recipe: Pick<Recipe, 'fats' | 'knownFats'>): string {
  const data = blendOf(recipe).map(({ fat, share }) => [fat.name, formatQuantity('share', share, { digits: 4 })])
  return Papa.unparse({ fields: ['fat', 'share'], data }, { newline: '\n', escapeFormulae: true })
}

/**
 * Reads the fats of a recipe from a table with the columns `fat` and `share` or `mass`; masses in any unit. Of masses
 * the shares are reckoned. Never throws on text.
 *
 * @param headingLines lines at the top that the maker did not write, left out of the count of lines
 */
export function parseRecipeCsv(text: string, own: readonly Fat[] = [], headingLines = 0): RecipeCsv {
  if (text.length > longestRecipeFile) return { ok: false, problems: [sentence('recipe_file_too_long')] }
  const parsed = Papa.parse<Record<string, string>>(text, {
    header: true,
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t'],
    transformHeader: (heading) => heading.trim().toLowerCase(),
  })
  const headings = parsed.meta.fields ?? []
  const kind = headings.includes('share') ? 'share' : headings.includes('mass') ? 'mass' : undefined
  if (!headings.includes('fat') || kind === undefined) return { ok: false, problems: [sentence('recipe_columns')] }
  if (parsed.data.length === 0 || parsed.data.length > mostFats)
    return { ok: false, problems: [sentence('recipe_fat_count', { most: mostFats })] }
  const problems: Sentence[] = []
  const lineOf = (index: number): number => index + 2 - headingLines
  const amounts = parsed.data.flatMap((cells, index) => {
    // A table that opened in a spreadsheet marks what looks like a formula.
    const name = (cells['fat'] ?? '').trim().replace(/^'(?=[=+\-@])/, '')
    const fat = findFatNamed(name, own)
    if (!fat) problems.push(atLine(lineOf(index), sentence('fat_name_unknown', { name })))
    const range = kind === 'share' ? { min: 0, max: 1 } : massRange
    const amount = parseQuantity(kind, cells[kind] ?? '', { range })
    if (!amount.ok) problems.push(atLine(lineOf(index), amount.problem))
    return fat && amount.ok ? [{ fatKey: fat.key, amount: amount.value }] : []
  })
  if (problems.length > 0) return { ok: false, problems }
  const sum = kind === 'share' ? 1 : amounts.reduce((total, { amount }) => total + amount, 0)
  if (!(sum > 0)) return { ok: false, problems: [sentence('fats_weigh_nothing')] }
  return { ok: true, fats: amounts.map(({ fatKey, amount }) => ({ fatKey, share: roundTo(amount / sum, 6) })) }
}
