import type { Prices } from '../src/stores'

/** Prices as listed, cents a kg by key: "fat:olive". */
export const listedPrices = (centsPerKg: Readonly<Record<string, number>>): Prices =>
  Object.entries(centsPerKg).map(([key, cents]) => ({
    key,
    lots: [],
    beyond: { unitCents: cents / 1000, source: 'list' },
    perBar: 0,
  }))
