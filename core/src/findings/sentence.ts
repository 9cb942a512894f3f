/** A quantity that a sentence tells, in the house's base unit. The words choose the unit, the digits and the sign. */
export type Quantity =
  /** What is weighed: told on the scale's step. */
  | { readonly kind: 'mass'; readonly g: number }
  /** Powders, wettings and what is kept of them, which a fine scale weighs: told to 0.1 g or 0.005 oz. */
  | { readonly kind: 'fine_mass'; readonly g: number }
  /** What a bar weighs: told to 1 g or 0.05 oz. */
  | { readonly kind: 'bar_mass'; readonly g: number }
  /** Told to 0.5 mm or 1/16 in. */
  | { readonly kind: 'length'; readonly mm: number }
  /** Told to 1 ml or 0.1 fl oz, of what is little to a tenth of it. */
  | { readonly kind: 'volume'; readonly ml: number }
  | { readonly kind: 'density'; readonly gMl: number }
  | { readonly kind: 'temperature'; readonly c: number }
  /** A fraction, told in per cent with so many digits after the point at most. */
  | { readonly kind: 'share'; readonly share: number; readonly digits: number }
  | { readonly kind: 'hours'; readonly h: number }
  | { readonly kind: 'days'; readonly days: number }
  | { readonly kind: 'money'; readonly cents: number }
  | { readonly kind: 'figure'; readonly figure: number; readonly digits: number }
  /** An end of a range, told so that what it says is within the range, whatever the unit. */
  | { readonly kind: 'limit'; readonly of: LimitKind; readonly base: number; readonly end: 'least' | 'most' }
  /** "Thu 11 Mar"; with the year when it is not this one. */
  | { readonly kind: 'day'; readonly day: string }

/** What a range may be of, by its base unit: g, mm, ml, g/ml, g/kg, °C, fraction, h, d, pieces, cents, bare. */
export type LimitKind =
  | 'mass'
  | 'length'
  | 'volume'
  | 'density'
  | 'rate'
  | 'temperature'
  | 'share'
  | 'hours'
  | 'days'
  | 'count'
  | 'money'
  | 'price'
  | 'number'

/** What fills a place in a sentence. Several of them are told as "a, b and c". */
export type Param = string | number | Quantity | Sentence | Series | readonly Param[]

/** Things told one after another, with a space (sentences), a comma or a semicolon between them. */
export interface Series {
  readonly kind: 'series'
  readonly of: readonly Param[]
  readonly between: ' ' | ', ' | '; '
}

/** Something to be told: which sentence of the catalogue, and what fills its places. The words are put together elsewhere. */
export interface Sentence {
  /** Stable identifier in the catalogue, snake case. */
  readonly code: string
  readonly params?: Readonly<Record<string, Param>>
}

/** A sentence of the catalogue. */
export function sentence(code: string, params?: Readonly<Record<string, Param>>): Sentence {
  return params === undefined ? { code } : { code, params }
}

/** Sentences told one after another. */
export const sentences = (...of: readonly Param[]): Series => ({ kind: 'series', of, between: ' ' })

/** Names told one after another, with commas between. */
export const series = (of: readonly Param[]): Series => ({ kind: 'series', of, between: ', ' })

/** Makes the quantities of sentences, each from its base unit. */
export const quantity = {
  /** @param g what is weighed, g */
  mass: (g: number): Quantity => ({ kind: 'mass', g }),
  /** @param g what a fine scale weighs, g */
  fineMass: (g: number): Quantity => ({ kind: 'fine_mass', g }),
  /** @param g what a bar weighs, g */
  barMass: (g: number): Quantity => ({ kind: 'bar_mass', g }),
  /** @param mm a length, mm */
  length: (mm: number): Quantity => ({ kind: 'length', mm }),
  /** @param ml a volume, ml */
  volume: (ml: number): Quantity => ({ kind: 'volume', ml }),
  /** @param gMl a density, g/ml */
  density: (gMl: number): Quantity => ({ kind: 'density', gMl }),
  /** @param c a temperature, °C */
  temperature: (c: number): Quantity => ({ kind: 'temperature', c }),
  /** @param share a fraction @param digits after the point of the percentage, at most */
  share: (share: number, digits = 1): Quantity => ({ kind: 'share', share, digits }),
  /** @param h a time, hours */
  hours: (h: number): Quantity => ({ kind: 'hours', h }),
  /** @param days a time, days */
  days: (days: number): Quantity => ({ kind: 'days', days }),
  /** @param cents hundredths of the workshop's currency */
  money: (cents: number): Quantity => ({ kind: 'money', cents }),
  /** @param figure a bare number @param digits after the point, at most */
  figure: (figure: number, digits = 2): Quantity => ({ kind: 'figure', figure, digits }),
  /** @param base the least of a range, in the base unit of its kind */
  least: (of: LimitKind, base: number): Quantity => ({ kind: 'limit', of, base, end: 'least' }),
  /** @param base the most of a range, in the base unit of its kind */
  most: (of: LimitKind, base: number): Quantity => ({ kind: 'limit', of, base, end: 'most' }),
  /** @param day a day of the calendar, 2027-03-08 */
  day: (day: string): Quantity => ({ kind: 'day', day }),
}
