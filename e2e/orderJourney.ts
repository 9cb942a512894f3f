import type { SavedOrder, SeasonView } from '@vendange/contract'
import type { Page } from '@playwright/test'
import { expect, test } from '@playwright/test'
import { answer, choose, doStepsUntil, pick, saving, type } from './hands'
import { layoutFaults } from './layout'
import type { WorkshopProcess } from './server'

/** What each step of the first pour weighs, in the twin's own unit: the same soap in both, within the steps of the scales. */
export const weighed = {
  oz: {
    'Olive oil, into the fats': 66.4,
    'Coconut oil, into the fats': 49.8,
    'Shea butter, into the fats': 49.8,
    // 47.2045 = 23.25 · 67 / 33
    'Cold water, into the lye jug': 47.2,
    // (66.4 · 190 + 49.8 · 257 + 49.8 · 180) mg/g · 39.997 / 56.1056 · 0.95 = 23.28, down to the step of the scale.
    'Sodium hydroxide, into a dry cup': 23.25,
    // A third of 241.45, less its third of the scent: 78.82.
    'Batter for velvet': 78.85,
    // 166 · 0.03 = 4.98
    'Curtain blend, shared among the pots': 5,
  },
  g: {
    'Olive oil, into the fats': 1882,
    'Coconut oil, into the fats': 1412,
    'Shea butter, into the fats': 1412,
    'Cold water, into the lye jug': 1340,
    // (1882 · 190 + 1412 · 257 + 1412 · 180) mg/g · 39.997 / 56.1056 · 0.95 = 660.06, down to the gram.
    'Sodium hydroxide, into a dry cup': 660,
    'Batter for velvet': 2236,
    // 4706 · 0.03 = 141.2
    'Curtain blend, shared among the pots': 141,
  },
} as const

/** What is typed in one twin of the journey, and what it shows: the same soap, in ounces or in grams. */
export interface Twin {
  readonly units: { readonly mass: 'oz' | 'g'; readonly length: 'in' | 'mm'; readonly temperature: string }
  readonly scaleStep: string
  /** Slab: length, width, height, fill height, thickness of a bar. */
  readonly slab: readonly [string, string, string, string, string]
  /** What the slab takes and gives, in the headline of its page. */
  readonly slabWords: string
  readonly label: string
  /** Prices a pound or a kilo of olive, coconut, shea, lye, scent and colourants. */
  readonly prices: readonly string[]
  readonly quote: {
    readonly option: readonly string[]
    /** Ingredients of both pours with their costs, as the maker's own sheet has them. */
    readonly ingredients: readonly (readonly [string, string, string])[]
    readonly parts: readonly (readonly [string, string])[]
    readonly price: string
  }
  /** What lye and fats are to be used at. */
  readonly soapedAt: string
  readonly firstBar: string
  readonly curedBar: string
  readonly curedWords: string
}

const season = async (workshop: WorkshopProcess): Promise<SeasonView> =>
  (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView
const orderOf = async (workshop: WorkshopProcess): Promise<SavedOrder> => (await season(workshop)).orders[0]!

/** The weighings of the first pour in the order of the bench. */
const stepsInOrder = (unit: 'oz' | 'g'): readonly (readonly [string, string])[] =>
  Object.entries(weighed[unit]).map(([title, mass]) => [title, `${mass} ${unit}`])

/** Logs one kind of finishing for all the bars that wait for it. */
async function finishAll(page: Page, finish: 'stamped' | 'bevelled', words: string, minutes: string): Promise<void> {
  const today = page.getByTestId('finish-today')
  await expect(today).toContainText(words)
  const log = page.getByTestId(`log-all-${finish}`)
  await today.locator('form').filter({ has: log }).getByLabel('All took, min').fill(minutes)
  await log.click()
  await expect(log).toHaveCount(0)
}

/** From an empty workshop to a released order of 132 bars, every figure typed and looked at. */
export async function orderJourney(page: Page, workshop: WorkshopProcess, twin: Twin): Promise<void> {
  const { units } = twin

  await test.step('the workshop: units, three days a week', async () => {
    await page.goto(`${workshop.url}/workshop`)
    await page.getByLabel('Name of a maker').fill('Ilse')
    await page.getByTestId('add-maker').click()
    if (units.mass === 'oz') {
      await saving(page, () => pick(page.getByTestId('mass-unit'), 'oz'))
      await saving(page, () => pick(page.getByTestId('length-unit'), 'in'))
      await saving(page, () => pick(page.locator('.v-select', { hasText: 'Temperatures in' }), '°F'))
      await saving(page, () => choose(page, 'Currency', 'USD'))
    }
    if (units.mass === 'oz') await saving(page, () => type(page, 'Scale’s step', twin.scaleStep))
    for (const [day, hours] of [
      ['Mon', '0'],
      ['Tue', '2.5 h'],
      ['Wed', '0'],
      ['Thu', '150 min'],
      ['Fri', '0'],
    ] as const)
      await saving(page, () => type(page, `${day}, Ilse`, hours))
    // 2.5 + 2.5 + 6 hours.
    await expect(answer(page)).toHaveText('Ilse has 11 h a week for soap.')
    await saving(page, () => type(page, 'Bars lost to breakage', '2 %'))
    await expect(page.getByTestId('save-state').filter({ hasNotText: /^Saved$/ })).toHaveCount(0)
    await saving(page, () => type(page, 'Maker and address, as on labels', 'Quillon Lane, 7 Sample Row'))
  })

  await test.step('a slab that is split into four logs', async () => {
    await page.goto(`${workshop.url}/stores`)
    await page.getByTestId('new-mould').click()
    const [length, width, height, fill, thickness] = twin.slab
    await type(page, 'Name', 'Slab')
    await pick(page.getByTestId('shape'), 'Slab, split into logs')
    await type(page, 'Inner length', length)
    await type(page, 'Inner width', width)
    await type(page, 'Inner height', height)
    await type(page, 'Split into logs', '4')
    await type(page, 'Fill height', fill)
    await saving(page, () => type(page, 'Bar thickness', thickness))
    await expect(answer(page)).toHaveText(twin.slabWords)
  })

  await test.step('colourants with their numbers, for the label', async () => {
    for (const [name, inci] of [
      ['velvet', 'CI 77491'],
      ['gilt', 'CI 77492'],
      ['chalk', 'CI 77891'],
    ] as const) {
      await page.goto(`${workshop.url}/stores`)
      await page.getByTestId('new-ingredient').click()
      await type(page, 'Name', name)
      await saving(page, () => type(page, 'INCI name or CI number', inci))
    }
  })

  await test.step('a recipe that stays up to three days in its mould', async () => {
    await page.goto(`${workshop.url}/formulate`)
    await page.getByTestId('new-recipe').click()
    await type(page, 'Name', 'House bar')
    await saving(page, () => type(page, 'In the mould, most', '3'))
  })

  await test.step('an order of 132 stamped, bevelled bars in three colours is quoted', async () => {
    await page.goto(`${workshop.url}/plan`)
    await page.getByTestId('new-order').click()
    await type(page, 'Client', 'Theatre on the hill')
    await type(page, 'Bars', '132')
    await type(page, 'Mass on the label', twin.label)
    await type(page, 'Due', '30 May')
    await type(page, 'Packing', 'Paper band')
    await saving(page, () => type(page, 'Stamp there in', '10'))
    await saving(page, () => page.getByLabel('Bevelled edges').check())
    await page.getByRole('button', { name: 'Add a scent' }).click()
    await type(page, 'Name of the scent', 'Curtain blend')
    await saving(page, () => type(page, 'Share of the fats', '3 %'))
    for (const [at, [name, hex]] of [
      ['velvet', '#7a1f2b'],
      ['gilt', '#c9a227'],
      ['chalk', '#f2eee6'],
    ].entries() as ArrayIterator<[number, [string, string]]>) {
      await page.getByRole('button', { name: 'Colour', exact: true }).click()
      await page.getByLabel(`Colour ${at + 1}`, { exact: true }).fill(hex)
      await saving(page, () => type(page, `Name of colour ${at + 1}`, name))
    }
    // No price is known yet: they are typed into the quote, and stand in the stores from then on.
    const missing = page.getByTestId('missing-prices')
    const [olive, coconut, shea, lye, scent, colour] = twin.prices
    for (const [name, typed] of [
      ['Olive oil', olive],
      ['Coconut oil', coconut],
      ['Shea butter', shea],
      ['Sodium hydroxide', lye],
      ['Curtain blend', scent],
      ['velvet', colour],
      ['gilt', colour],
      ['chalk', colour],
    ] as const)
      await missing.getByLabel(name, { exact: true }).fill(typed ?? '')
    await missing.getByTestId('keep-prices').click()
    await expect(missing).toHaveCount(0)
    const option = page.getByTestId('option').first()
    for (const words of twin.quote.option) await expect(option).toContainText(words)
    for (const [name, mass, cost] of twin.quote.ingredients)
      await expect(page.getByRole('row', { name: `${name} ${mass} ${cost} estimate`, exact: true })).toBeVisible()
    for (const [name, cost] of twin.quote.parts)
      await expect(page.getByRole('row', { name: `${name} ${cost}`, exact: true })).toBeVisible()
    await expect(page.getByTestId('price')).toHaveText(twin.quote.price)
    // The stamp is there on Thu 18 March; the one slab is free again on Sat 20. The next is poured on Tue 23, cut on Thu 25
    // and cured 28 days later.
    await expect(page.getByTestId('promise')).toHaveText(
      'Nothing else moves: ready on Thu 22 Apr, pours on Thu 18 Mar, Tue 23 Mar.',
    )
    await page.getByTestId('accept').click()
    await expect(page).toHaveURL(/\/plan\/[\w-]+$/)
    const order = await orderOf(workshop)
    await page.goto(`${workshop.url}/orders/${order.id}`)
    await expect(answer(page)).toHaveText(
      'Theatre on the hill: 132 bars promised for Thu 22 Apr; as it stands ready on Thu 22 Apr, that very day.',
    )
    await expect(page.getByTestId('charges')).toContainText(`It comes to ${twin.quote.price}`)
  })

  for (const [number, pourDay, cutDay] of [
    [1, '2027-03-18', '2027-03-20'],
    [2, '2027-03-23', '2027-03-25'],
  ] as const) {
    const name = `Theatre on the hill, pour ${number} of 2`
    await test.step(`pour ${number}: every weight as it is asked for`, async () => {
      await workshop.goOnOn(pourDay)
      await page.goto(`${workshop.url}/pour`)
      await expect(answer(page)).toHaveText(`Today you pour ${name}.`)
      await page.getByRole('link', { name: `To the bench: ${name}` }).click()
      if (number === 1) {
        for (const [title, target] of stepsInOrder(units.mass)) {
          await doStepsUntil(page, title)
          await expect(page.getByTestId('target')).toHaveText(target)
        }
        // The longest of them is read on a telephone too, with nothing cut off.
        const size = page.viewportSize()
        await page.setViewportSize({ width: 360, height: 740 })
        expect(await layoutFaults(page)).toEqual([])
        if (size) await page.setViewportSize(size)
        await expect(page.getByRole('button', { name: 'Lye’s temperature' })).toContainText(twin.soapedAt)
      }
      await doStepsUntil(page, 'Every step is done.')
      await page.getByTestId('finish').click()
      await expect(page).toHaveURL(/\/cut$/)
    })

    await test.step(`pour ${number}: cut into 68, and stamped while soft`, async () => {
      await workshop.goOnOn(cutDay)
      await page.goto(`${workshop.url}/cut`)
      await expect(answer(page)).toHaveText(`${name} can come out of its mould today.`)
      await page.getByTestId('unmould').click()
      await type(page, 'Bars got', '68')
      await type(page, 'Ends', '0')
      await type(page, 'Mass of the first bar', twin.firstBar)
      await page.getByTestId('log-cut').click()
      // Half a minute each.
      await finishAll(page, 'stamped', 'Stamp: 68 bars, about 34 min', '34')
    })
  }

  await test.step('all of them bevelled on a Saturday, a minute each', async () => {
    await workshop.goOnOn('2027-03-27')
    await page.goto(`${workshop.url}/cut`)
    await finishAll(page, 'bevelled', 'Bevel the edges: 136 bars, about 136 min', '136')
  })

  await test.step('cured, released, and set aside for the client', async () => {
    await workshop.goOnOn('2027-04-22')
    const { loaves } = await season(workshop)
    expect(loaves.map(({ state }) => state.cut?.bars)).toEqual([68, 68])
    for (const { id } of loaves) {
      await page.goto(`${workshop.url}/cure/${id}`)
      await type(page, 'The bar weighs', twin.curedBar)
      await page.getByTestId('weigh').click()
      await expect(page.getByText(twin.curedWords).first()).toBeVisible()
      await page.goto(`${workshop.url}/release/${id}`)
      // What the client reads names no pour.
      await expect(page.getByTestId('label-panel')).toContainText('Theatre on the hill')
      await expect(page.getByTestId('label-panel')).not.toContainText('pour')
      await type(page, 'pH strip', '9.5')
      await page.getByLabel('Looks sound').check()
      await page.getByLabel('Label complete').check()
      await page.getByTestId('release').click()
      await expect(answer(page)).toHaveText(
        /68 bars of Theatre on the hill, pour \d of 2 were released on Thu 22 Apr\./,
      )
    }
    await page.goto(`${workshop.url}/release`)
    await pick(page.getByTestId('give-soap'), 'Theatre on the hill')
    const form = page.getByTestId('give-out')
    await type(page, 'Bars', '132', form)
    await pick(page.getByTestId('give-channel'), 'Orders')
    await pick(form.locator('.v-select', { hasText: 'Order' }).last(), 'Theatre on the hill')
    await page.getByTestId('give').click()
    // The oldest first: all of the first slab, and 64 of the second.
    await expect(form).toContainText(/Set aside: 68 of lot 270318-1, 64 of lot 270323-1\./)
  })
}
