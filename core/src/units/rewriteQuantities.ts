import type { QuantityKind } from './quantity'
import { formatQuantity } from './quantity'

/** Units in which a workshop reads. */
export interface ReadingUnits {
  readonly mass: string
  readonly length: string
  readonly temperature: string
}

const kindOfBaseUnit: Readonly<Record<string, QuantityKind & keyof ReadingUnits>> = {
  g: 'mass',
  mm: 'length',
  '°C': 'temperature',
}

/**
 * A message of this core, which speaks in g, mm and °C, in the units that a workshop reads. Densities and rates such as
 * `1.36 g/ml` stay as they are.
 *
 * @throws {RangeError} if a unit is not of its kind
 * @example rewriteQuantities('Take 7 g back.', { mass: 'oz', length: 'in', temperature: '°F' }) // 'Take 0.25 oz back.'
 */
export function rewriteQuantities(message: string, units: ReadingUnits): string {
  return message.replace(/(-?\d+(?:\.\d+)?) (g|mm|°C)(?![\w/])/g, (written, figure: string, symbol: string) => {
    const kind = kindOfBaseUnit[symbol]
    return kind === undefined || units[kind] === symbol
      ? written
      : formatQuantity(kind, Number(figure), { unit: units[kind] })
  })
}
