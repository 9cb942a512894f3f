import { expect } from '@playwright/test'
import type { SeasonView } from '@vendange/contract'
import { answer, choose, pick, saving, type } from './hands'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const workshop = new WorkshopProcess()
test.beforeEach(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
})
test.afterEach(() => workshop.dispose())

const recipes = async (): Promise<SeasonView['recipes']> =>
  ((await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView).recipes

test('a recipe is made from nothing with milk, clay, two alkalis and a fat at trace', async ({ page }) => {
  await page.goto(`${workshop.url}/formulate`)
  await page.getByTestId('new-recipe').click()
  await saving(page, () => type(page, 'Name', 'Milk and clay'))
  // By share, the others making room: 50 % olive oil leave 25 and 25.
  await page.getByTestId('holds-sum').locator('input').check()
  await saving(page, () => type(page, 'Share 1', '50 %'))
  await expect(page.getByLabel('Share 2')).toHaveValue('25 %')
  await expect(page.getByLabel('Share 3')).toHaveValue('25 %')
  await saving(page, () => page.getByRole('button', { name: 'Shea butter stirred in at trace' }).click())
  // A fat that is there already: the two change places, their shares stay where they are, and back by part of its name.
  await choose(page, 'Fat 2', 'Shea butter')
  await expect(page.getByLabel('Fat 3', { exact: true })).toHaveValue('Coconut oil')
  await choose(page, 'Fat 2', 'Coconut oil')
  await expect(page.getByLabel('Fat 3', { exact: true })).toHaveValue('Shea butter')
  await page.getByRole('combobox', { name: 'Fat 2', exact: true }).fill('butter of no plant')
  await page.getByLabel('Share 2').click()
  await expect(page.getByText('“butter of no plant” is not among the choices.')).toBeVisible()
  await saving(page, () => type(page, 'Of it potassium hydroxide', '5 %'))
  // Coconut oil by the certificates of its lots: 500 g · 190 + 250 g · 257.5 + 250 g · 180 mg/g are 204.375 g of KOH, or
  // 145.70 g of NaOH, less 5 % superfat; a twentieth of it as potassium hydroxide of 90 %.
  await expect(page.getByTestId('certified')).toContainText('Coconut oil 257.5 mg KOH/g')
  await expect(page.getByTestId('recipe-naoh')).toHaveText('131 g')
  await expect(page.getByTestId('recipe-koh')).toHaveText('10 g')

  await page.getByTestId('add-liquid').click()
  await saving(page, () => type(page, 'Of the water', '70 %'))
  await expect(answer(page)).toContainText('of Milk')
  // More of the water than the lye can do without, put into the fats, is refused with the way out.
  const goesIn = page.getByTestId('liquid').locator('.v-select').filter({ hasText: 'Goes in' })
  await pick(goesIn, 'In the fats')
  await expect(page.getByText(/only .+ of water is left for .+ of alkali/).first()).toBeVisible()
  await pick(goesIn, 'In the lye')
  await page.getByTestId('add-additive').click()
  await expect(page.getByText('White clay').first()).toBeVisible()
  // One of the library brings what is usual of it; an acid brings the lye that it takes up.
  await choose(page, 'Additive 1', 'Citric acid')
  await expect(page.getByLabel('How much')).toHaveValue('1 %')
  await expect(page.getByTestId('meets-acids').locator('input')).toBeChecked()
  await expect(page.getByTestId('part-told').filter({ hasText: 'takes up lye' })).toBeVisible()
  await expect(page.getByText(/Citric acid takes up .* and that is weighed on top/)).toBeVisible()
  await choose(page, 'Additive 1', 'White clay')
  await expect(page.getByLabel('How much')).toHaveValue('2 %')

  // Milk is no vegan ingredient.
  await pick(page.getByTestId('claims'), 'vegan')
  await page.keyboard.press('Escape')
  await expect(page.getByText(/is not vegan: Milk/)).toBeVisible()
  await expect
    .poll(async () => (await recipes()).find(({ name }) => name === 'Milk and clay')?.claims)
    .toEqual(['vegan'])
  const saved = (await recipes()).find(({ name }) => name === 'Milk and clay')
  expect(saved).toMatchObject({ kohShare: 0.05, liquids: [{ partOfWater: 0.7, place: 'lye' }] })
  expect(saved?.fats.find(({ fatKey }) => fatKey === 'shea')?.atTrace).toBe(true)
})

test('the water is stated in three ways, each following from the others', async ({ page }) => {
  const house = (await recipes()).find(({ name }) => name === 'House bar')
  await page.goto(`${workshop.url}/formulate/${house?.id ?? ''}`)
  const state = (style: string): Promise<void> => pick(page.getByTestId('water-style'), style)
  await state('Water to lye')
  await expect(page.getByLabel('Water to lye', { exact: true })).toHaveValue('2.03')
  await saving(page, () => type(page, 'Water to lye', '2'))
  await expect(page.getByTestId('water-figures')).toContainText('a lye of 33.3 %')
  await state('Water to fats')
  await saving(page, () => type(page, 'Water to fats', '30 %'))
  await expect(page.getByTestId('water-figures')).toContainText('30 % of the fats')
  // The share of the fats is what is kept when the superfat changes the lye.
  await saving(page, () => type(page, 'Superfat', '8 %'))
  await expect(page.getByTestId('water-figures')).toContainText('30 % of the fats')
})

test('wishes give the nearest recipe, or say which contradict each other', async ({ page }) => {
  const house = (await recipes()).find(({ name }) => name === 'House bar')
  await page.goto(`${workshop.url}/formulate/${house?.id ?? ''}`)
  const wishes = page.getByTestId('wishes')
  await wishes.getByTestId('add-wish').click()
  await wishes.getByLabel('Which fat').click()
  await page.getByRole('option', { name: 'Coconut oil', exact: true }).click()
  await wishes.getByTestId('ask-wishes').click()
  // Coconut oil goes from 27 % to 20 %.
  await expect(wishes.getByTestId('wish-answer')).toContainText(/Coconut oil27 %(20|19\.9\d?) %/)
  await saving(page, () => wishes.getByTestId('take-wishes').click())
  const share = (await recipes())
    .find(({ id }) => id === house?.id)
    ?.fats.find(({ fatKey }) => fatKey === 'coconut')?.share
  expect(share).toBeGreaterThan(0.19)
  expect(share).toBeLessThanOrEqual(0.2)

  await wishes.getByTestId('add-wish').click()
  const second = wishes.getByTestId('wish').nth(1)
  await pick(second.locator('.v-select', { hasText: 'Wish 2' }), 'Quick foam')
  await pick(second.locator('.v-select', { hasText: 'Sense' }), 'at least')
  await type(page, 'Limit', '60 %', second)
  await page.getByLabel('Other fats may come in').uncheck()
  await wishes.getByTestId('ask-wishes').click()
  await expect(wishes.getByTestId('contradiction')).toContainText('at least 60 % quick foam')
})

test('a recipe from nothing is scaled into two loaves and a tray', async ({ page }) => {
  await page.goto(`${workshop.url}/stores`)
  await page.getByTestId('new-mould').click()
  await saving(page, () => type(page, 'Name', 'Six-cavity tray'))
  await pick(page.getByTestId('shape'), 'Tray of cavities')
  await type(page, 'Cavities', '6')
  await saving(page, () => type(page, 'One holds', '95'))
  await expect(answer(page)).toHaveText('Six-cavity tray takes 570 ml of batter and gives 6 bars of 95 ml.')

  await page.goto(`${workshop.url}/formulate`)
  await page.getByTestId('new-recipe').click()
  await saving(page, () => type(page, 'Name', 'Plain three'))
  const scaled = page.getByTestId('scale-to')
  // Long loaves of 460 × 86 × 80 mm, a liner of 1 mm, filled to 62 mm: 2385.5 ml each.
  await pick(scaled.getByTestId('mould-1'), 'Long loaf')
  await type(page, 'How many of mould 1', '2', scaled)
  await scaled.getByTestId('add-mould').click()
  await pick(scaled.getByTestId('mould-2'), 'Six-cavity tray')
  await expect(scaled.getByRole('row', { name: /2 × Long loaf/ })).toContainText('4771 ml')
  await expect(scaled.getByRole('row', { name: /2 × Long loaf/ })).toContainText('36')
  await expect(scaled.getByRole('row', { name: /Six-cavity tray/ })).toContainText('570 ml')
  // 4771 + 570 ml over 0.98 is what is made; fats, lye and water add up to the batter that is shown.
  const figures = await scaled.locator('table').last().locator('tr').allInnerTexts()
  const grams = (name: RegExp): number =>
    Number(/([\d.]+) g\s*$/.exec(figures.find((line) => name.test(line)) ?? '')?.[1] ?? Number.NaN)
  const batterG = grams(/^Batter/)
  expect(grams(/^Fats/) + grams(/^Water/) + grams(/^Sodium hydroxide/)).toBe(batterG)
  const densityGMl = Number(
    /^Batter, ([\d.]+) g\/ml/.exec(figures.find((line) => line.startsWith('Batter')) ?? '')?.[1],
  )
  expect(Math.abs(batterG / densityGMl - 5341 / 0.98)).toBeLessThan(5)

  // And the other way round: what is asked for sets the moulds.
  const scaleBy = async (title: string): Promise<void> => {
    await pick(scaled.getByTestId('scale-by'), title)
    await expect(page.getByRole('option')).toHaveCount(0)
  }
  await scaled.getByRole('button', { name: 'Take mould 2 away' }).click()
  await scaleBy('Bars wanted')
  await type(page, 'Bars wanted', '50', scaled)
  await expect(scaled.getByTestId('scale-answer')).toHaveText('3 × Long loaf give 54 bars.')
  await scaleBy('The fat that is left')
  await type(page, 'Is left', '1,2 kg', scaled)
  await expect(scaled.getByRole('row', { name: /Olive oil/ })).toContainText('1200 g')
  await scaleBy('A mass of batter')
  await type(page, 'Batter in all', '2500', scaled)
  await expect(scaled.getByTestId('scale-answer')).toContainText('Long loaf: filled to 3')
  await scaleBy('Mass of a cured bar')
  await type(page, 'A cured bar weighs', '90', scaled)
  await expect(scaled.getByRole('row', { name: /2 × Long loaf/ })).toContainText('90 g')
})

test('a recipe goes out as a file and comes in again, checked; two stand side by side', async ({ page }) => {
  await page.goto(`${workshop.url}/formulate`)
  await page.getByRole('link', { name: 'House bar' }).click()
  const download = page.waitForEvent('download')
  await page.getByTestId('save-json').click()
  const file = JSON.parse((await (await (await download).createReadStream()).toArray()).join('')) as {
    recipe: { name: string; superfat: number }
  }
  const bringIn = (recipe: object): Promise<void> =>
    page.getByTestId('recipe-file').setInputFiles({
      name: 'brought.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify({ ...file, recipe: { ...file.recipe, ...recipe } })),
    })
  await page.goto(`${workshop.url}/formulate`)
  await bringIn({ superfat: -0.05 })
  await expect(page.getByText('more sodium hydroxide than they can take')).toBeVisible()
  await bringIn({ name: 'Brought in', superfat: 0.08 })
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Brought in')

  await page.goto(`${workshop.url}/formulate`)
  const table = page.getByTestId('side-by-side')
  for (const [place, name] of [
    ['compare-1', 'House bar'],
    ['compare-2', 'Brought in'],
  ] as const) {
    await pick(table.getByTestId(place), name)
    // The next list opens only once this one is closed.
    await expect(page.getByRole('option')).toHaveCount(0)
  }
  await expect(table.getByRole('row', { name: /^Superfat/ })).toHaveText(/Superfat\s*5 %\s*8 %/)
  await expect(table.getByRole('row', { name: /^Olive oil/ })).toHaveText(/Olive oil\s*42 %\s*42 %/)
})
