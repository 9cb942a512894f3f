import type { LabelIngredient, LabelTerms } from '@vendange/core/release'
import type { Day } from '@vendange/core/calendar'
import { formatQuantity } from '@vendange/core/units'

const usNames: Readonly<Record<string, string>> = { Aqua: 'Water', Parfum: 'Fragrance' }

/** "Apr 11, 2029" as the style has it, or for the end of a month "04/2029". */
function dayOnLabel(day: Day, style: LabelTerms['style']): string {
  const [year, month] = day.split('-')
  if (style === 'eu') return `${month ?? ''}/${year ?? ''}`
  const written = { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' } as const
  return new Intl.DateTimeFormat('en-US', written).format(new Date(`${day}T00:00:00Z`))
}

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
        `Best by ${dayOnLabel(bestBeforeDay, style)}`,
        maker,
        'For external use. Avoid the eyes.',
      ]
    : [
        name,
        'Handmade soap',
        `${grams} (${ounces})`,
        `Ingredients: ${names.join(', ')}.`,
        `Lot ${lotCode}`,
        `Best before the end of ${dayOnLabel(bestBeforeDay, style)}`,
        maker,
        'Avoid the eyes; rinse with water if it gets into them.',
      ]
}
