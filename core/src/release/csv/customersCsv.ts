import Papa from 'papaparse'
import type { Sentence } from '../../findings'
import { sentence } from '../../findings'
import type { Subscriber } from '../boxes'

/** A line of a list of subscribers. */
export type SubscriberLine = Omit<Subscriber, 'isPaused'> & { readonly contact: string }

export type SubscribersCsv =
  | { readonly ok: true; readonly subscribers: readonly SubscriberLine[] }
  /** What cannot be read, with its line counted from 1. */
  | { readonly ok: false; readonly problems: readonly Sentence[] }

/** Characters that one file may have. */
export const longestSubscribersFile = 1_000_000

/**
 * Reads a list of subscribers with the columns `name` and `bars` (a month), and where they are known `address`, `contact`
 * and `wish`. Never throws on text.
 *
 * @param range how many bars a month may be
 */
export function parseSubscribersCsv(
  text: string,
  range: { readonly min: number; readonly max: number },
): SubscribersCsv {
  if (text.length > longestSubscribersFile) return { ok: false, problems: [sentence('subscribers_file_too_long')] }
  const { data, meta } = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: true,
    transformHeader: (name) => name.trim().toLowerCase(),
  })
  const missing = ['name', 'bars'].filter((name) => !(meta.fields ?? []).includes(name))
  if (missing.length > 0) return { ok: false, problems: [sentence('subscribers_columns', { missing })] }
  const problems: Sentence[] = []
  const seen = new Set<string>()
  const subscribers = data.flatMap((row, index): readonly SubscriberLine[] => {
    const cell = (name: string): string => (row[name] ?? '').trim()
    const fault = (problem: Sentence): void => void problems.push(sentence('at_line', { line: index + 2, problem }))
    const monthlyBars = Number(cell('bars'))
    const name = cell('name')
    if (name === '') fault(sentence('name_missing'))
    else if (seen.has(name.toLowerCase())) fault(sentence('subscriber_twice', { name }))
    else if (
      cell('bars') === '' ||
      !Number.isInteger(monthlyBars) ||
      monthlyBars < range.min ||
      monthlyBars > range.max
    )
      fault(sentence('subscriber_bars_range', { least: range.min, most: range.max }))
    else {
      seen.add(name.toLowerCase())
      return [{ name, monthlyBars, address: cell('address'), contact: cell('contact'), wish: cell('wish') }]
    }
    return []
  })
  return problems.length > 0 ? { ok: false, problems } : { ok: true, subscribers }
}
