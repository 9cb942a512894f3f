import { formatQuantity, roundTo } from '../units'
import type { Allergen } from './label'

/** Allergens as a maker can type them off a certificate: “Linalool 12 %, Citral 0.5 %”. */
export const allergenText = (allergens: readonly Allergen[]): string =>
  allergens.map(({ name, share }) => `${name} ${formatQuantity('share', share, { digits: 4 })}`).join(', ')

const line = /^(\D.*?)\s+(\d+(?:[.,]\d+)?)\s*%$/

/** The allergens that were typed, each with its share of the scent; undefined where one cannot be read. */
export function allergensOfText(text: string): Allergen[] | undefined {
  const parts = text
    .split(/[;\n]|,(?=\s)/)
    .map((part) => part.trim())
    .filter((part) => part !== '')
  const read = parts.map((part) => line.exec(part))
  if (read.some((one) => one === null)) return undefined
  return read.map((one) => ({
    name: (one?.[1] ?? '').trim(),
    share: roundTo(Number((one?.[2] ?? '0').replace(',', '.')) / 100, 8),
  }))
}
