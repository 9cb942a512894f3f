import { expect } from '@playwright/test'
import { orderJourney, weighed } from './orderJourney'
import type { Twin } from './orderJourney'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const workshop = new WorkshopProcess()
test.beforeAll(() => workshop.start('2027-03-08')) // a Monday
test.afterAll(() => workshop.dispose())

const grams: Twin = {
  units: { mass: 'g', length: 'mm', temperature: '°C' },
  scaleStep: '1 g',
  // The same slab: 17 × 12 × 2 1/2 in, filled to 2 in, bars of an inch.
  slab: ['431.8 mm', '304.8 mm', '63.5 mm', '50.8 mm', '25.4 mm'],
  slabWords: 'Slab takes 6686 ml of batter and gives 68 bars of 25 mm.',
  label: '85 g',
  // The same prices by the kilo: $4.00 a pound is $8.82.
  prices: ['8.82/kg', '6.61/kg', '13.23/kg', '7.05/kg', '132.28/kg', '66.14/kg'],
  quote: {
    option: ['2 × Slab, cut 25 mm', '136 bars, 4 spare; 2 pours', '87 g', '10.4'],
    ingredients: [
      ['Olive oil', '3764 g', '€33.20'],
      ['Coconut oil', '2824 g', '€18.67'],
      ['Shea butter', '2824 g', '€37.36'],
      ['Sodium hydroxide', '1320 g', '€9.31'],
      ['Curtain blend', '282 g', '€37.30'],
      ['velvet', '37 g', '€2.42'],
      ['gilt', '37 g', '€2.42'],
      ['chalk', '37 g', '€2.42'],
    ],
    parts: [
      ['Ingredients', '€143.10'],
      ['Work', '€208.00'],
      ['Packing', '€39.60'],
      ['Bevelling', '€52.80'],
      ['Stamp', '€60.00'],
    ],
    price: '€503.50',
  },
  soapedAt: '43 °C',
  firstBar: '99 g',
  curedBar: '88 g',
  curedWords: 'it has lost 11.1 %',
}

test('an order of 132 bars in grams, from an empty workshop to its release', async ({ page }) => {
  test.setTimeout(300_000)
  await orderJourney(page, workshop, grams)
})

test('the same order is the same soap in ounces and in grams, within the steps of the scales', () => {
  const gramsPerOunce = 28.349523125
  for (const [title, massG] of Object.entries(weighed.g)) {
    const ounces = weighed.oz[title as keyof typeof weighed.oz]
    // A gram, and 0.05 oz; what follows from rounded fats and lye is off by both at the most.
    const stepsG = 1 + 0.05 * gramsPerOunce
    expect(Math.abs(ounces * gramsPerOunce - massG), title).toBeLessThanOrEqual(stepsG)
  }
})
