import type { Reading } from '../src'

/** A workshop of ounces, inches, °F and dollars, with a scale that steps by 0.05 oz. */
export const ounceReading: Reading = {
  massUnit: 'oz',
  lengthUnit: 'in',
  temperatureUnit: '°F',
  inchStyle: 'sixteenths',
  currency: 'USD',
  scaleStepG: 0.05 * 28.349523125,
  locale: 'en-US',
  dayOrder: 'month_first',
  today: '2027-03-08',
}
