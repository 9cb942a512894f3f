import type { LabelIngredient, LabelPart, LabelTerms } from '@vendange/core/release'
import { formatQuantity } from '@vendange/core/units'

const usNames: Readonly<Record<string, string>> = { Aqua: 'Water', Parfum: 'Fragrance' }

/**
 * The label's lines, in the order in which they stand, in the words of its style and in both units of mass, whatever the
 * workshop reads. Local law and, where one is required, a licensed assessor decide.
 */
export function labelLines(terms: LabelTerms, ingredients: readonly LabelIngredient[]): readonly string[] {
  const { style, name, netMassG, lotCode, bestBeforeDay, maker } = terms
  const grams = formatQuantity('mass', netMassG, { unit: 'g', digits: 0 })
  const ounces = formatQuantity('mass', netMassG, { unit: 'oz', digits: 2 })
  const names = ingredients.map((one) => (style === 'us' ? (usNames[one.name] ?? one.name) : one.name))
  return style === 'us'
    ? [
        name,
        'Handmade soap',
        `NET WT ${ounces} (${grams})`,
        `Ingredients: ${names.join(', ')}.`,
        `Lot ${lotCode}`,
        `Best by ${bestBeforeDay}`,
        maker,
        'For external use. Avoid the eyes.',
      ]
    : [
        name,
        'Handmade soap',
        `${grams} (${ounces})`,
        `Ingredients: ${names.join(', ')}.`,
        `Lot ${lotCode}`,
        `Best before the end of ${bestBeforeDay.slice(0, 7)}`,
        maker,
        'Avoid the eyes; rinse with water if it gets into them.',
      ]
}

export const labelPartWords: Readonly<Record<LabelPart, string>> = {
  name: 'the name of the soap',
  net_mass: 'its net mass',
  maker: 'the maker’s address',
  ingredients: 'its ingredients',
}
