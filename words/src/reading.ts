import type { Day } from '@vendange/core/calendar'

/** How a workshop reads: its units, its scale, its money and its language. */
export interface Reading {
  readonly massUnit: 'g' | 'oz'
  readonly lengthUnit: 'mm' | 'in'
  readonly temperatureUnit: '°C' | '°F'
  /** ISO 4217. */
  readonly currency: string
  /** What the scale shows, g. */
  readonly scaleStepG: number
  /** BCP 47. */
  readonly locale: string
  /** Days of another year are told with their year. */
  readonly today?: Day
}

/** A workshop of grams until one has said how it reads. */
export const plainReading: Reading = {
  massUnit: 'g',
  lengthUnit: 'mm',
  temperatureUnit: '°C',
  currency: 'EUR',
  scaleStepG: 1,
  locale: 'en-GB',
}

/** What of a workshop's settings decides how it reads. */
export interface ReadingSettings {
  readonly massUnit: Reading['massUnit']
  readonly lengthUnit: Reading['lengthUnit']
  readonly temperatureUnit: Reading['temperatureUnit']
  readonly currency: string
  readonly scaleResolutionG: number
  readonly labelStyle: 'eu' | 'us'
}

/** How a workshop reads, from its settings. @param today days of another year are told with their year */
export function readingOf(settings: ReadingSettings, today?: Day): Reading {
  const { massUnit, lengthUnit, temperatureUnit, currency, scaleResolutionG, labelStyle } = settings
  return {
    massUnit,
    lengthUnit,
    temperatureUnit,
    currency,
    scaleStepG: scaleResolutionG,
    locale: labelStyle === 'us' ? 'en-US' : 'en-GB',
    ...(today === undefined ? {} : { today }),
  }
}
