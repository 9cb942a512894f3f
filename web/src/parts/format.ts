import { quantity } from '@vendange/core/findings'
import type { QuantityKind } from '@vendange/core/units'
import { formatMoney, formatQuantity, moneyAsTyped, priceAsTyped } from '@vendange/core/units'
import {
  densityUnitOf,
  plainReading,
  quantityWords,
  readingOf,
  sayFor,
  volumeUnitOf,
  wholeMassOf,
} from '@vendange/words'
import type { Sentence } from '@vendange/core/findings'
import { computed } from 'vue'
import { useSeason } from './seasonStore'

/** How this workshop reads and writes: its units, its scale, its money and its words. */
export function useUnits() {
  const season = useSeason()
  const reading = computed(() => (season.workshop ? readingOf(season.workshop, season.today) : plainReading))
  const sayNow = computed(() => sayFor(reading.value))

  /** The unit in which this workshop writes a kind of quantity. */
  function unitOf(kind: QuantityKind): string | undefined {
    if (kind === 'mass') return reading.value.massUnit
    if (kind === 'length') return reading.value.lengthUnit
    if (kind === 'temperature') return reading.value.temperatureUnit
    if (kind === 'volume') return volumeUnitOf(reading.value)
    if (kind === 'density') return densityUnitOf(reading.value)
    if (kind === 'rate') return reading.value.massUnit === 'oz' ? '%' : 'g/kg'
    if (kind === 'price') return `/${wholeMassOf(reading.value).unit}`
    return kind === 'money' ? '' : undefined
  }

  /** A base value (g, mm, °C, fraction …) as a field holds it: in the workshop's unit, as exact as it was typed. */
  function asTyped(kind: QuantityKind, base: number, digits?: number): string {
    if (kind === 'money') return moneyAsTyped(base, reading.value.currency)
    if (kind === 'price') return priceAsTyped(base, reading.value.currency, wholeMassOf(reading.value).unit)
    const unit = unitOf(kind)
    return formatQuantity(kind, base, {
      ...(unit === undefined ? {} : { unit }),
      ...(digits === undefined ? {} : { digits }),
    })
  }

  /** A mass as the workshop's scale can show it. */
  const weighed = (massG: number): string => quantityWords(quantity.mass(massG), reading.value)
  /** What a fine scale weighs: powders, wettings, and what the stores have of anything. */
  const fineMass = (massG: number): string => quantityWords(quantity.fineMass(massG), reading.value)
  /** What a bar weighs. */
  const barMass = (massG: number): string => quantityWords(quantity.barMass(massG), reading.value)

  /** A base value (g, mm, °C, fraction …) as this workshop reads it, by the one rule of precision for its kind. */
  function show(kind: QuantityKind, base: number, digits?: number): string {
    if (kind === 'length') return quantityWords(quantity.length(base), reading.value)
    if (kind === 'temperature') return quantityWords(quantity.temperature(base), reading.value)
    if (kind === 'volume') return quantityWords(quantity.volume(base), reading.value)
    if (kind === 'density') return quantityWords(quantity.density(base), reading.value)
    return kind === 'mass' && digits === undefined ? weighed(base) : asTyped(kind, base, digits)
  }

  /** How thick a bar may be cut at the most, so that as many come out as are told. */
  const thickness = (mm: number): string => quantityWords(quantity.most('length', mm), reading.value)

  /** The mass that figures are told for here: a kilo or a pound. */
  const whole = computed(() => wholeMassOf(reading.value))

  const currency = computed(() => season.workshop?.currency ?? 'EUR')
  /** Cents in the workshop's currency. */
  const money = (cents: number): string => formatMoney(cents, currency.value)

  /** A sentence of the catalogue in the words of this workshop. */
  const say = (sentence: Sentence): string => sayNow.value(sentence)

  return { reading, whole, unitOf, asTyped, show, weighed, fineMass, barMass, thickness, currency, money, say }
}
