import type { WorkshopDetails } from '@vendange/contract'
import { blankSeasonSettings, currencyPattern } from '@vendange/contract'
import { gramsPerOunce } from '@vendange/core/units'
import { getTimezone } from 'countries-and-timezones'
import * as countryToCurrency from 'country-to-currency'

const currencies: Readonly<Record<string, string>> = countryToCurrency.default

/** What is measured and written otherwise where ounces are at home. */
const inOunces = {
  massUnit: 'oz',
  lengthUnit: 'in',
  temperatureUnit: '°F',
  labelStyle: 'us',
  scaleResolutionG: 0.05 * gramsPerOunce,
} as const satisfies Partial<WorkshopDetails>

/** How a workshop of a zone measures, pays and labels until its makers say otherwise: as its country does. */
function asInItsCountry(timeZone: string): Partial<WorkshopDetails> {
  const countries = getTimezone(timeZone)?.countries ?? []
  const [country] = countries
  if (country === undefined) return {}
  const currency = currencies[country] ?? ''
  return {
    ...(currencyPattern.test(currency) ? { currency } : {}),
    ...(country === 'US' ? inOunces : {}),
  }
}

/** A new workshop, until its makers say otherwise. Hours, losses and temperatures are estimates to start from. */
export const newWorkshop = (timeZone: string): WorkshopDetails => ({
  name: 'My workshop',
  massUnit: 'g',
  lengthUnit: 'mm',
  temperatureUnit: '°C',
  currency: 'EUR',
  timeZone,
  exceptions: [],
  ...blankSeasonSettings,
  setupHours: 0.5,
  prepHours: 0.75,
  pourHours: 1.5,
  cutHours: 0.75,
  largestPotMl: 0,
  lyeJugMl: 0,
  scaleResolutionG: 1,
  lyeRounding: 'down',
  potLoss: 0.02,
  cureLoss: 0.11,
  soapingTemperatureC: 43,
  ...asInItsCountry(timeZone),
})
