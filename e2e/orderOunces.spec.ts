import { orderJourney } from './orderJourney'
import type { Twin } from './orderJourney'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const workshop = new WorkshopProcess()
test.beforeAll(() => workshop.start('2027-03-08')) // a Monday
test.afterAll(() => workshop.dispose())

const ounces: Twin = {
  units: { mass: 'oz', length: 'in', temperature: '°F' },
  scaleStep: '0.05 oz',
  slab: ['17 in', '12 in', '2 1/2 in', '2 in', '1 in'],
  slabWords: 'Slab takes 226.1 fl oz of batter and gives 68 bars of 1 in.',
  label: '3 oz',
  prices: ['$4.00/lb', '3 a lb', '6.00/lb', '3.20/lb', '3.75/oz', '30/lb'],
  quote: {
    // 132 / 0.98 = 134.7 bars are to be made: two slabs of 17 × 4.
    option: ['2 × Slab, cut 1 in', '136 bars, 4 spare; 2 pours', '3.1 oz', '10.4'],
    ingredients: [
      ['Olive oil', '132.8 oz', '$33.20'],
      ['Coconut oil', '99.6 oz', '$18.68'],
      ['Shea butter', '99.6 oz', '$37.35'],
      ['Sodium hydroxide', '46.5 oz', '$9.30'],
      ['Curtain blend', '10 oz', '$37.50'],
      ['velvet', '1.3 oz', '$2.42'],
      ['gilt', '1.3 oz', '$2.42'],
      ['chalk', '1.3 oz', '$2.41'],
    ],
    parts: [
      ['Ingredients', '$143.28'],
      // 2 × 3.5 h, and 136 bars at a minute and a half: 10.4 h at $20.
      ['Work', '$208.00'],
      ['Packing', '$39.60'],
      ['Bevelling', '$52.80'],
      ['Stamp', '$60.00'],
    ],
    price: '$503.68',
  },
  soapedAt: '109 °F',
  firstBar: '3.5 oz',
  curedBar: '3.1 oz',
  curedWords: 'it has lost 11.4 %',
}

test('an order of 132 bars in ounces, from an empty workshop to its release', async ({ page }) => {
  test.setTimeout(300_000)
  await orderJourney(page, workshop, ounces)
})
