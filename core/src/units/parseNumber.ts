const vulgarFractions: Readonly<Record<string, string>> = { '¼': '1/4', '½': '1/2', '¾': '3/4', '⅓': '1/3', '⅔': '2/3' }

/**
 * Reads a number as makers write it: `12`, `1.5`, `1,5`, `1/2`, `1 1/2`, `1½`, `-3`.
 * Returns undefined when the text is no such number. A comma is always a decimal sign.
 *
 * @example parseNumber('1 1/2') // 1.5
 */
export function parseNumber(text: string): number | undefined {
  const plain = text
    .replace(/[¼½¾⅓⅔]/g, (sign) => ` ${vulgarFractions[sign] ?? ''}`)
    .trim()
    .replace('−', '-')
  const decimal = /^-?(\d+([.,]\d*)?|[.,]\d+)$/.exec(plain)
  if (decimal) return Number(plain.replace(',', '.'))
  const fraction = /^(-?)(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/.exec(plain)
  if (!fraction) return undefined
  const [, sign, whole = '0', numerator, denominator] = fraction
  if (Number(denominator) === 0) return undefined
  const value = Number(whole) + Number(numerator) / Number(denominator)
  return sign === '-' ? -value : value
}
