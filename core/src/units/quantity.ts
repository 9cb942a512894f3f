import type { LimitKind, Param, Sentence } from '../findings'
import { quantity, sentence } from '../findings'
import { roundTo } from './roundTo'
import type { Range } from './range'
import { isWithin } from './range'
import { parseNumber } from './parseNumber'

/** What is measured. Values are kept in the base unit named beside each kind. */
export type QuantityKind =
  | 'mass' // g
  | 'length' // mm
  | 'volume' // ml
  | 'density' // g/ml
  | 'rate' // g of colourant for each kg of batter
  | 'temperature' // °C
  | 'share' // fraction 0 to 1, typed as %
  | 'hours' // h
  | 'days' // d
  | 'count' // pieces
  | 'money' // cents, or the hundredth of whatever the currency is
  | 'price' // cents a kg, typed as money a kg, lb, oz or g
  | 'number' // bare, such as a pH

interface Unit {
  readonly symbol: string
  readonly names: readonly string[]
  readonly toBase: (value: number) => number
  readonly fromBase: (base: number) => number
}

/** A level teaspoon of a usual colourant powder, g. An estimate: a teaspoon of 4.93 ml, heaped at about 0.6 g/ml. */
export const levelTeaspoonG = 3

const scaled = (symbol: string, names: readonly string[], factor: number): Unit => ({
  symbol,
  names,
  toBase: (value) => value * factor,
  fromBase: (base) => base / factor,
})

/** Exact by definition (international yard and pound agreement, 1959). */
export const gramsPerOunce = 28.349523125
/** Exact by definition (international yard and pound agreement, 1959). */
export const millimetresPerInch = 25.4
/** What a cutter or a rule can be set to, mm: half a millimetre, a sixteenth or a twentieth of an inch. */
export function lengthStepMm(lengthUnit: 'mm' | 'in', inchStyle: 'sixteenths' | 'decimals'): number {
  return lengthUnit === 'mm' ? 0.5 : millimetresPerInch / (inchStyle === 'sixteenths' ? 16 : 20)
}
/** What a bar's mass is told to, and its label held against, by the unit it is told in: 1 g or 0.05 oz. */
export const barMassStep = { g: 1, oz: 0.05 } as const
/** The same in g. */
export const barMassStepG = { g: barMassStep.g, oz: barMassStep.oz * gramsPerOunce } as const
/** The fluid ounce of the United States: a 128th of the gallon of 231 cubic inches, exact by definition. */
export const millilitresPerFluidOunce = (231 * 16.387064) / 128

const units: Readonly<Record<QuantityKind, readonly Unit[]>> = {
  mass: [
    scaled('g', ['g', 'gr', 'gram', 'grams', 'gramme', 'grammes'], 1),
    scaled('kg', ['kg', 'kilo', 'kilos', 'kilogram', 'kilograms'], 1000),
    scaled('oz', ['oz', 'ounce', 'ounces'], gramsPerOunce),
    scaled('lb', ['lb', 'lbs', 'pound', 'pounds'], gramsPerOunce * 16),
  ],
  length: [
    scaled('mm', ['mm', 'millimetre', 'millimetres', 'millimeter', 'millimeters'], 1),
    scaled('cm', ['cm', 'centimetre', 'centimetres', 'centimeter', 'centimeters'], 10),
    scaled('m', ['m', 'metre', 'metres', 'meter', 'meters'], 1000),
    scaled('in', ['in', 'inch', 'inches', '"', '″'], millimetresPerInch),
    scaled('ft', ['ft', 'foot', 'feet'], millimetresPerInch * 12),
  ],
  volume: [
    scaled('ml', ['ml', 'millilitre', 'millilitres', 'milliliter', 'milliliters', 'cc'], 1),
    scaled('l', ['l', 'litre', 'litres', 'liter', 'liters'], 1000),
    scaled('fl oz', ['fl oz', 'floz', 'fl. oz', 'fluid ounce', 'fluid ounces'], millilitresPerFluidOunce),
    scaled('cups', ['cup', 'cups'], millilitresPerFluidOunce * 8),
    scaled('qt', ['qt', 'quart', 'quarts'], millilitresPerFluidOunce * 32),
    scaled('tsp', ['tsp', 'teaspoon', 'teaspoons'], millilitresPerFluidOunce / 6),
    scaled('tbsp', ['tbsp', 'tablespoon', 'tablespoons'], millilitresPerFluidOunce / 2),
  ],
  density: [
    scaled('g/ml', ['g/ml', 'g/cm3', 'g/cm³', 'kg/l'], 1),
    scaled('oz/fl oz', ['oz/fl oz', 'oz/floz'], gramsPerOunce / millilitresPerFluidOunce),
  ],
  rate: [
    scaled('g/kg', ['g/kg', 'g a kg', 'g per kg', '‰'], 1),
    scaled('%', ['%', 'percent', 'pc'], 10),
    scaled('oz/lb', ['oz/lb', 'oz a pound'], 1000 / 16),
    scaled(
      'tsp/lb',
      ['tsp/lb', 'tsp a pound', 'tsp per pound', 'teaspoon/lb'],
      levelTeaspoonG / (gramsPerOunce * 0.016),
    ),
  ],
  temperature: [
    scaled('°C', ['c', '°c', 'celsius'], 1),
    {
      symbol: '°F',
      names: ['f', '°f', 'fahrenheit'],
      toBase: (value) => ((value - 32) * 5) / 9,
      fromBase: (base) => (base * 9) / 5 + 32,
    },
  ],
  share: [scaled('%', ['%', 'percent', 'pc'], 0.01)],
  hours: [
    scaled('h', ['h', 'hr', 'hrs', 'hour', 'hours'], 1),
    scaled('min', ['min', 'mins', 'minute', 'minutes'], 1 / 60),
  ],
  days: [scaled('days', ['d', 'day', 'days'], 1), scaled('weeks', ['w', 'wk', 'week', 'weeks'], 7)],
  count: [scaled('', ['', 'bar', 'bars', 'pc', 'pcs', 'piece', 'pieces', 'x'], 1)],
  money: [scaled('cents', ['c', '¢', 'cent', 'cents'], 1), scaled('', ['', 'eur', 'usd', 'gbp', '€', '$', '£'], 100)],
  price: [
    scaled('c/kg', ['c/kg', 'cents/kg'], 1),
    scaled('/kg', ['kg', 'kilo', 'kilogram'], 100),
    scaled('/lb', ['lb', 'lbs', 'pound'], 100 / (gramsPerOunce * 0.016)),
    scaled('/oz', ['oz', 'ounce'], 100_000 / gramsPerOunce),
    scaled('/g', ['g', 'gram', 'gramme'], 100_000),
  ],
  number: [scaled('', ['', 'ph'], 1)],
}

/** "$", "US$", "€", "EUR" or "A$" before an amount. */
const moneySign = /^(?:[A-Za-z]{0,3}[$€£¥₣₹]|[A-Za-z]{3})\s*(?=[-−\d.,])/

/** "/lb", "a pound", "per oz" after a price. */
const perMass = /\s*(?:\/|\bper\b|\ban?\b)\s*(?=[a-z])/i

/** What a maker may write, told in the workshop's own unit. */
const examples: Readonly<Record<QuantityKind, Param>> = {
  mass: quantity.mass(12 * gramsPerOunce),
  length: quantity.length(10 * millimetresPerInch),
  volume: quantity.volume(16 * millilitresPerFluidOunce),
  density: quantity.density(1.4),
  rate: '0.5 %',
  temperature: quantity.temperature(40),
  share: quantity.share(0.05),
  hours: quantity.hours(1.5),
  days: quantity.days(28),
  count: '12',
  money: '12.50',
  price: '12.50/kg or 5.70/lb',
  number: '9.5',
}

function unitNamed(kind: QuantityKind, name: string): Unit | undefined {
  const wanted = name.trim().toLowerCase()
  return units[kind].find((unit) => unit.names.includes(wanted) || unit.symbol.toLowerCase() === wanted)
}

function expectUnit(kind: QuantityKind, symbol: string): Unit {
  const unit = unitNamed(kind, symbol)
  if (!unit) throw new RangeError(`Expected a unit of ${kind}, got ${symbol}`)
  return unit
}

/** Symbol of the unit in which values of this kind are kept. */
export function baseUnit(kind: QuantityKind): string {
  return units[kind][0]?.symbol ?? ''
}

/** Turns a base value (g, mm, °C, fraction …) into the named unit. @throws {RangeError} if the unit is not of this kind */
export function toUnit(kind: QuantityKind, base: number, symbol: string): number {
  return expectUnit(kind, symbol).fromBase(base)
}

export type ParsedQuantity =
  { readonly ok: true; readonly value: number } | { readonly ok: false; readonly problem: Sentence }

export interface ParseQuantityOptions {
  /** Unit of a bare number, usually the workshop's. @default the base unit */
  readonly unit?: string
  /** Allowed range in the base unit. */
  readonly range?: Range
}

/**
 * Reads a quantity in any unit of its kind, giving the value in the base unit, or says what is
 * wrong. Never throws on text.
 *
 * @throws {RangeError} if `options.unit` is not a unit of this kind
 * @example parseQuantity('mass', '12 oz') // { ok: true, value: 340.1942775 }
 */
export function parseQuantity(kind: QuantityKind, text: string, options: ParseQuantityOptions = {}): ParsedQuantity {
  const { unit = baseUnit(kind), range } = options
  const usual = expectUnit(kind, unit)
  // Money is written with its sign before it; the sign says no more than the workshop's currency does.
  const isMoney = kind === 'money' || kind === 'price'
  const unsigned = isMoney ? text.trim().replace(moneySign, '') : text.trim()
  const trimmed = kind === 'price' ? unsigned.replace(perMass, ' ') : unsigned
  const example = examples[kind]
  const isUnread = { ok: false, problem: sentence('quantity_unread', { kind, example }) } as const
  if (trimmed === '') return isUnread

  const parts = /^([-−\d.,/\s¼½¾⅓⅔]+)(.*)$/.exec(trimmed)
  const number = parts?.[1] === undefined ? undefined : parseNumber(parts[1])
  if (number === undefined || !Number.isFinite(number)) return isUnread

  const unitText = (parts?.[2] ?? '').trim().replace(/\.$/, '')
  const written = unitText === '' ? usual : unitNamed(kind, unitText)
  if (!written) return { ok: false, problem: sentence('unit_unknown', { unit: unitText, kind, example }) }

  // 70 % is 0.7, not 0.7000000000000001.
  const inBase = Number(written.toBase(number).toPrecision(14))
  const value = kind === 'money' ? Math.round(inBase) : inBase
  if (kind === 'count' && !Number.isInteger(value)) return { ok: false, problem: sentence('not_whole') }
  if (range && !isWithin(value, range)) return { ok: false, problem: outOfRange(kind, range) }
  return { ok: true, value }
}

/** "This must be from 20 mm to 1500 mm." */
export function outOfRange(kind: LimitKind, range: Range): Sentence {
  return sentence('out_of_range', { least: quantity.least(kind, range.min), most: quantity.most(kind, range.max) })
}

export interface FormatQuantityOptions {
  /** @default the base unit */
  readonly unit?: string
  /** Digits after the point at most. @default by kind and unit */
  readonly digits?: number
}

function usualDigits(kind: QuantityKind, symbol: string): number {
  // 43 °C is not known to a tenth of the finer degree.
  if (symbol === '°F') return 0
  if (kind === 'share' || kind === 'temperature' || kind === 'mass')
    return symbol === 'oz' || symbol === 'lb' || symbol === 'kg' ? 2 : 1
  if (symbol === 'in') return 2
  if (kind === 'density') return 3
  if (kind === 'rate') return symbol === 'g/kg' ? 2 : 3
  if (symbol === 'ml') return 1
  if (kind === 'length') return 1
  return kind === 'count' ? 0 : 2
}

/**
 * Writes a base value with its unit; trailing zeros are dropped.
 *
 * @throws {RangeError} if the unit is not of this kind
 * @example formatQuantity('length', 228.6, { unit: 'in' }) // '9 in'
 */
export function formatQuantity(kind: QuantityKind, base: number, options: FormatQuantityOptions = {}): string {
  const unit = expectUnit(kind, options.unit ?? baseUnit(kind))
  const digits = options.digits ?? usualDigits(kind, unit.symbol)
  const rounded = roundTo(unit.fromBase(base), digits)
  const figure = String(rounded === 0 ? 0 : rounded)
  if (kind === 'days' && figure === '1') return `1 ${unit.symbol.slice(0, -1)}`
  return unit.symbol === '' ? figure : `${figure} ${unit.symbol}`
}

/** A price as a field holds it, a kg or a pound: "$24.50/lb". @throws {RangeError} as `formatMoney` does */
export function priceAsTyped(centsPerKg: number, currency: string, per: 'kg' | 'lb'): string {
  return `${moneyAsTyped(toUnit('price', centsPerKg, `/${per}`) * 100, currency)}/${per}`
}

/** Cents as a field holds them, in a currency: "$1234.50", which can be typed again. @throws {RangeError} as `formatMoney` does */
export function moneyAsTyped(cents: number, currency: string): string {
  return new Intl.NumberFormat('en', { style: 'currency', currency, useGrouping: false }).format(cents / 100)
}

/** Cents as money of a currency. @throws {RangeError} if the currency is not three letters of ISO 4217 */
export function formatMoney(cents: number, currency: string): string {
  return new Intl.NumberFormat('en', { style: 'currency', currency }).format(cents / 100)
}
