import type { Day, DayOrder } from '@vendange/core/calendar'
import { gramsPerOunce } from '@vendange/core/units'

/** How a workshop reads: its units, its scale, its money and its language. */
export interface Reading {
  readonly massUnit: 'g' | 'oz'
  readonly lengthUnit: 'mm' | 'in'
  readonly temperatureUnit: '°C' | '°F'
  /** Inches as a rule shows them, or in steps of 0.05. */
  readonly inchStyle: 'sixteenths' | 'decimals'
  /** ISO 4217. */
  readonly currency: string
  /** What the scale shows, g. */
  readonly scaleStepG: number
  /** BCP 47. */
  readonly locale: string
  /** How days are written in figures. */
  readonly dayOrder: DayOrder
  /** Days of another year are told with their year. */
  readonly today?: Day
}

/** A workshop of grams until one has said how it reads. */
export const plainReading: Reading = {
  massUnit: 'g',
  lengthUnit: 'mm',
  temperatureUnit: '°C',
  inchStyle: 'sixteenths',
  currency: 'EUR',
  scaleStepG: 1,
  locale: 'en-GB',
  dayOrder: 'day_first',
}

/** What volumes are told in: who weighs in ounces pours in fluid ounces. */
export const volumeUnitOf = ({ massUnit }: Pick<Reading, 'massUnit'>): 'ml' | 'fl oz' =>
  massUnit === 'oz' ? 'fl oz' : 'ml'

/** The mass that figures are told for: a kilo, or a pound where masses are told in ounces. */
export const wholeMassOf = ({
  massUnit,
}: Pick<Reading, 'massUnit'>): {
  readonly g: number
  readonly unit: 'lb' | 'kg'
  readonly words: string
  readonly atStart: string
} =>
  massUnit === 'oz'
    ? { g: 16 * gramsPerOunce, unit: 'lb', words: 'a pound', atStart: 'A pound' }
    : { g: 1000, unit: 'kg', words: 'a kilo', atStart: 'A kilo' }

/** What densities are told in. */
export const densityUnitOf = ({ massUnit }: Pick<Reading, 'massUnit'>): 'g/ml' | 'oz/fl oz' =>
  massUnit === 'oz' ? 'oz/fl oz' : 'g/ml'

/** What of a workshop's settings decides how it reads. */
export interface ReadingSettings {
  readonly massUnit: Reading['massUnit']
  readonly lengthUnit: Reading['lengthUnit']
  readonly temperatureUnit: Reading['temperatureUnit']
  readonly inchStyle: Reading['inchStyle']
  readonly currency: string
  readonly scaleResolutionG: number
  readonly labelStyle: 'eu' | 'us'
}

/** How a workshop reads, from its settings. @param today days of another year are told with their year */
export function readingOf(settings: ReadingSettings, today?: Day): Reading {
  const { massUnit, lengthUnit, temperatureUnit, inchStyle, currency, scaleResolutionG, labelStyle } = settings
  return {
    massUnit,
    lengthUnit,
    temperatureUnit,
    inchStyle,
    currency,
    scaleStepG: scaleResolutionG,
    locale: labelStyle === 'us' ? 'en-US' : 'en-GB',
    dayOrder: labelStyle === 'us' ? 'month_first' : 'day_first',
    ...(today === undefined ? {} : { today }),
  }
}
