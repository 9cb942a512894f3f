import { formatDay } from '@vendange/core/calendar'
import type { LimitKind, Quantity } from '@vendange/core/findings'
import {
  barMassStep,
  formatMoney,
  gramsPerOunce,
  priceAsTyped,
  roundTo,
  toUnit,
  withoutDust,
} from '@vendange/core/units'
import type { Reading } from './reading'
import { densityUnitOf, volumeUnitOf, wholeMassOf } from './reading'

const numberFormats = new Map<string, Intl.NumberFormat>()

/** Making a format is slow beside using it, and a page tells the same kinds of figures again and again. */
function numberFormat(locale: string, digits: number): Intl.NumberFormat {
  const key = `${locale}|${digits}`
  const known = numberFormats.get(key)
  if (known) return known
  const format = new Intl.NumberFormat(locale, { maximumFractionDigits: digits, useGrouping: false })
  numberFormats.set(key, format)
  return format
}

/** A figure without grouping, trailing zeros or "-0". */
function figureWords(value: number, digits: number, { locale }: Reading): string {
  return numberFormat(locale, digits).format(roundTo(value, digits) === 0 ? 0 : value)
}

/** Digits after the point that a step needs: 1 for 0.5, 2 for 0.05. At most 3. */
function digitsOf(step: number): number {
  const written = String(withoutDust(step)).split('.')[1] ?? ''
  return Math.min(3, written.length)
}

const onStep = (value: number, step: number): number => withoutDust(Math.round(value / step) * step)

/** The step of a scale in ounces, of which its step in grams is no round figure. */
const ounceStep = (scaleStepG: number): number =>
  Math.max(0.001, Math.round(toUnit('mass', scaleStepG, 'oz') * 1000) / 1000)

/** What a fine scale shows; a workshop's own scale may be finer. */
const fineStepG = { g: 0.1, oz: 0.005 * gramsPerOunce } as const

/** What is weighed, as the scale shows it. What the scale cannot show at all is told to two digits that count. */
function massWords(g: number, reading: Reading, scaleStepG = reading.scaleStepG): string {
  const { massUnit } = reading
  const value = toUnit('mass', g, massUnit)
  const step = massUnit === 'oz' ? ounceStep(scaleStepG) : scaleStepG
  const told =
    value !== 0 && Math.abs(value) < step / 2
      ? figureWords(Number(value.toPrecision(2)), 4, reading)
      : figureWords(onStep(value, step), digitsOf(step), reading)
  return `${told} ${massUnit}`
}

function barMassWords(g: number, reading: Reading): string {
  const step = barMassStep[reading.massUnit]
  return `${figureWords(onStep(toUnit('mass', g, reading.massUnit), step), digitsOf(step), reading)} ${reading.massUnit}`
}

/** Sixteenths as a rule shows them: "2 3/16". */
function sixteenths(inches: number, reading: Reading): string {
  const count = Math.round(Math.abs(inches) * 16)
  const whole = Math.floor(count / 16)
  let [part, of] = [count % 16, 16]
  while (part > 0 && part % 2 === 0) [part, of] = [part / 2, of / 2]
  const sign = inches < 0 && count > 0 ? '-' : ''
  if (part === 0) return sign + figureWords(whole, 0, reading)
  return `${sign}${whole === 0 ? '' : `${figureWords(whole, 0, reading)} `}${part}/${of}`
}

type Rounding = (value: number, step: number) => number
/** What the change of units leaves behind the sixth digit is no reason to round. */
const downTo: Rounding = (value, step) => withoutDust(Math.floor(withoutDust(value / step)) * step)
const upTo: Rounding = (value, step) => withoutDust(Math.ceil(withoutDust(value / step)) * step)

function lengthWords(mm: number, reading: Reading, round: Rounding = onStep): string {
  if (reading.lengthUnit === 'mm') return `${figureWords(round(mm, 0.5), 1, reading)} mm`
  const inches = toUnit('length', mm, 'in')
  const told =
    reading.inchStyle === 'decimals'
      ? figureWords(round(inches, 0.05), 2, reading)
      : sixteenths(round(inches, 1 / 16), reading)
  return `${told} in`
}

/** To 1 ml or 0.1 fl oz as a jug shows it; of less than a spoon or two a digit more. */
function volumeWords(ml: number, reading: Reading): string {
  const unit = volumeUnitOf(reading)
  const digits = (unit === 'ml' ? 0 : 1) + (Math.abs(ml) < 10 ? 1 : 0)
  return `${figureWords(toUnit('volume', ml, unit), digits, reading)} ${unit}`
}

/** An end of a range in the workshop's unit, rounded into the range so that typing what it says is taken. */
function limitWords(of: LimitKind, base: number, end: 'least' | 'most', reading: Reading): string {
  const round = end === 'least' ? upTo : downTo
  const told = (value: number, digits: number): string => figureWords(round(value, 10 ** -digits), digits, reading)
  const { massUnit, temperatureUnit } = reading
  switch (of) {
    case 'mass':
      return `${told(toUnit('mass', base, massUnit), massUnit === 'oz' ? 3 : 2)} ${massUnit}`
    case 'length':
      return lengthWords(base, reading, round)
    case 'temperature':
      return `${told(toUnit('temperature', base, temperatureUnit), 0)} ${temperatureUnit}`
    case 'rate':
      return reading.massUnit === 'oz' ? `${told(base / 10, 2)} %` : `${told(base, 2)} g/kg`
    case 'share':
      return `${told(base * 100, 2)} %`
    case 'hours':
      return `${told(base, 2)} h`
    case 'days':
      return base === 1 ? '1 day' : `${told(base, 0)} days`
    case 'money':
      return formatMoney(base, reading.currency)
    case 'price':
      return priceAsTyped(base, reading.currency, wholeMassOf(reading).unit)
    case 'volume':
      return `${told(toUnit('volume', base, volumeUnitOf(reading)), 1)} ${volumeUnitOf(reading)}`
    case 'density':
      return `${told(toUnit('density', base, densityUnitOf(reading)), 2)} ${densityUnitOf(reading)}`
    case 'count':
      return told(base, 0)
    case 'number':
      return told(base, 4)
  }
}

/**
 * A quantity as a workshop reads it, by the one rule of precision for its use.
 *
 * @throws {RangeError} if a day is no day of the calendar
 * @example quantityWords({ kind: 'length', mm: 63.5 }, { ...plainReading, lengthUnit: 'in' }) // '2 1/2 in'
 */
export function quantityWords(quantity: Quantity, reading: Reading): string {
  switch (quantity.kind) {
    case 'mass':
      return massWords(quantity.g, reading)
    case 'fine_mass':
      return massWords(quantity.g, reading, Math.min(reading.scaleStepG, fineStepG[reading.massUnit]))
    case 'bar_mass':
      return barMassWords(quantity.g, reading)
    case 'length':
      return lengthWords(quantity.mm, reading)
    case 'volume':
      return volumeWords(quantity.ml, reading)
    case 'density':
      return `${figureWords(toUnit('density', quantity.gMl, densityUnitOf(reading)), 3, reading)} ${densityUnitOf(reading)}`
    case 'temperature':
      return `${figureWords(toUnit('temperature', quantity.c, reading.temperatureUnit), 0, reading)} ${reading.temperatureUnit}`
    case 'share':
      return `${figureWords(quantity.share * 100, quantity.digits, reading)} %`
    case 'hours':
      return `${figureWords(quantity.h, 2, reading)} h`
    case 'days':
      return quantity.days === 1 ? '1 day' : `${figureWords(quantity.days, 0, reading)} days`
    case 'money':
      return formatMoney(quantity.cents, reading.currency)
    case 'figure':
      return figureWords(quantity.figure, quantity.digits, reading)
    case 'limit':
      return limitWords(quantity.of, quantity.base, quantity.end, reading)
    case 'day':
      return formatDay(quantity.day, reading.today)
  }
}
