import type { BatchView, SeasonView } from '@vendange/contract'
import { expect } from '@playwright/test'
import { answer, choose, doStep, doStepsUntil, pick, saving, type } from './hands'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
})
test.afterAll(() => workshop.dispose())

const get = async <T>(path: string): Promise<T> => (await (await fetch(workshop.url + path)).json()) as T
const season = (): Promise<SeasonView> => get<SeasonView>('/api/season')
const recipeNamed = async (name: string) => (await season()).recipes.find((recipe) => recipe.name === name)
const soapNamed = async (name: string) => (await season()).designs.findLast((design) => design.name === name)

test('a fat of one’s own, by its certificate, goes into a recipe; the older version comes back', async ({ page }) => {
  await page.goto(`${workshop.url}/formulate`)
  await page.getByTestId('new-fat').click()
  await saving(page, () => type(page, 'Name', 'Black cumin oil'))
  // The commonest slip: a figure for sodium hydroxide, a fraction of a gram.
  await type(page, 'Reckoned with', '0.14')
  await expect(page.getByText('A value for NaOH is to be multiplied by 1.403.').first()).toBeVisible()
  await type(page, 'Least', '193')
  await type(page, 'Most', '201')
  await saving(page, () => type(page, 'Reckoned with', '197'))
  // 1000 g · 197 mg/g · 39.997 / 56.1056.
  await expect(answer(page)).toContainText('140.4 g of sodium hydroxide')

  const house = await recipeNamed('House bar')
  await page.goto(`${workshop.url}/formulate/${house?.id ?? ''}`)
  await expect(page.getByTestId('versions').getByText('Superfat 6 % → 5 %')).toBeVisible()
  await saving(page, () => choose(page, 'Fat 4', 'Black cumin oil'))
  await expect(page.getByTestId('swapped')).toContainText(
    'Black cumin oil in place of Rice bran oil, the rest as it was',
  )
  await expect(page.getByTestId('versions').getByText('Black cumin oil came in, 10 %')).toBeVisible()
  expect((await recipeNamed('House bar'))?.fats.some(({ fatKey }) => fatKey.startsWith('own:'))).toBe(true)

  // And made so again as it was, with undo as for every other change.
  await saving(page, () => page.getByTestId('bring-back').first().click())
  expect((await recipeNamed('House bar'))?.fats).toEqual(house?.fats)
  await expect(page.getByRole('combobox', { name: 'Fat 4' })).toHaveValue('Rice bran oil')
})

test('a recipe says what is wrong with it in words and loses nothing typed', async ({ page }) => {
  const slow = await recipeNamed('Slow pour')
  await page.goto(`${workshop.url}/formulate/${slow?.id ?? ''}`)
  await type(page, 'Share 1', '50 %')
  await expect(page.getByText('The shares add up to 116 %: 16 % is too much.').first()).toBeVisible()
  for (const [typed, message] of [
    ['0 %', 'from 80 % to 100 %'],
    ['140 %', 'from 80 % to 100 %'],
  ] as const) {
    await type(page, 'Purity of the flakes', typed)
    await expect(page.getByText(message).first()).toBeVisible()
    await expect(page.getByLabel('Purity of the flakes', { exact: true })).toHaveValue(typed)
  }
  await type(page, 'Purity of the flakes', '99 %')
  for (let left = slow?.fats.length ?? 0; left > 0; left--)
    await page.getByRole('button', { name: 'Take fat 1 away' }).click()
  await expect(page.getByText('Choose at least one fat.').first()).toBeVisible()
  await expect(answer(page)).toHaveText('This recipe cannot be made as it stands.')

  // A table from elsewhere: wrong, and nothing is taken; right, and all of it is.
  const paste = (text: string): Promise<void> =>
    page.getByTestId('add-fat').evaluate((button, clip) => {
      const clipboardData = new DataTransfer()
      clipboardData.setData('text/plain', clip)
      button.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }))
    }, text)
  await paste('Olive oil\t600\nMoon oil\t400')
  await expect(page.getByText('Line 2: “Moon oil” is no fat of the table, nor one of your own.')).toBeVisible()
  await expect(page.getByTestId('fat-line')).toHaveCount(0)
  await saving(page, () => paste('Olive oil\t1 1/2 kg\nCoconut oil\t1,0 kg'))
  await expect(page.getByLabel('Share 1')).toHaveValue('60 %')
  // What is on the server is whole: the torn states in between never went there.
  expect((await recipeNamed('Slow pour'))?.fats.map(({ fatKey }) => fatKey)).toEqual(['olive', 'coconut'])
})

test('a file of 20 MB is refused in words, and the page goes on', async ({ page }) => {
  const line = 'fat,Olive oil,,A,2027-01-01,,1 kg,,,,\n'
  const buffer = Buffer.from(line.repeat(Math.ceil(20_000_000 / line.length)))
  await page.goto(`${workshop.url}/formulate`)
  await page.getByTestId('recipe-file').setInputFiles({ name: 'long.csv', mimeType: 'text/csv', buffer })
  await expect(page.getByText('This file is too long for a recipe.')).toBeVisible()
  await page.goto(`${workshop.url}/stores`)
  await page
    .getByTestId('stores-file')
    .locator('input[type=file]')
    .setInputFiles({ name: 'long.csv', mimeType: 'text/csv', buffer })
  await expect(page.getByText('This file is too long for stores. Split it.')).toBeVisible()
})

test('pots by mass, wetted and scented each in its own way, add up to the batter', async ({ page }) => {
  const soap = await soapNamed('Signal Lamps')
  await page.goto(`${workshop.url}/soaps/${soap?.id ?? ''}`)
  const pots = page.getByTestId('pot')
  const grams = async (index: number): Promise<number> =>
    Number(/^(\d+) g of batter/.exec((await pots.nth(index).getByTestId('pot-comes-to').textContent()) ?? '')?.[1])
  const state = async (index: number, by: string): Promise<void> => {
    await pick(pots.nth(index).getByTestId(`portion-${index + 1}`), by)
    await expect(page.getByRole('option')).toHaveCount(0)
  }
  await state(0, 'Mass')
  await expect(page.getByText('Let one pot take the rest, so that no batter is left over.')).toBeVisible()
  await saving(page, () => state(1, 'The rest'))
  await saving(page, () => type(page, 'Mass', '900 g', pots.nth(0)))
  const [first, second] = [await grams(0), await grams(1)]
  // 900 g with the scent that comes last.
  expect(first).toBeLessThan(900)
  expect(first).toBeGreaterThan(870)
  await pick(pots.nth(0).getByTestId('wetted-1'), 'In water')
  await expect(pots.nth(0).getByTestId('pot-comes-to')).toContainText('of water')
  expect(await grams(0)).toBeLessThan(first)
  expect(await grams(1)).toBe(second)
  await saving(page, () => type(page, 'Scent, parts', '0', pots.nth(0)))
  await expect(pots.nth(0).getByTestId('pot-comes-to')).not.toContainText('of scent')
  await saving(page, () => type(page, 'Mass', '9 kg', pots.nth(0)))
  await expect(page.getByText(/The pots ask for .+ more than the .+ of batter/)).toBeVisible()
  await saving(page, () => page.getByTestId('equal-pots').click())
  const shares = (await soapNamed('Signal Lamps'))?.colours.map(({ share }) => share) ?? []
  expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 6)
  expect(Math.max(...shares) - Math.min(...shares)).toBeLessThan(0.001)
})

test('a blend of scents is held to the limit of each of its parts', async ({ page }) => {
  const soap = await soapNamed('Dining Car')
  await page.goto(`${workshop.url}/soaps/${soap?.id ?? ''}`)
  await page.getByTestId('blend-add').click()
  await expect(page.getByTestId('blend-limit')).toContainText('has no limit until each of its scents has one')
  const row = page.getByRole('group', { name: 'Second scent of the blend' })
  await saving(page, () => type(page, 'Limit in the bar', '0.5 %', row))
  await expect(page.getByText(/Second scent would be .+ of the cured bar; its certificate allows 0.5 %/)).toBeVisible()
  // Half of the blend at half a percent lets it be one percent of the bar.
  await expect(page.getByTestId('blend-limit')).toContainText('be 1 % of the cured bar')
})

test('a batch that does not fit the pot is weighed part by part, and its sheet is a PDF', async ({ page }) => {
  await page.goto(`${workshop.url}/workshop`)
  await saving(page, () => type(page, 'Largest pot', '1300'))
  const batch = (await season()).batches.find(({ name }) => name === 'Lantern Glass')
  const path = `/api/batches/${batch?.id ?? ''}`
  await page.goto(`${workshop.url}/pour/${batch?.id ?? ''}`)
  const sheet = await page.request.get(`${workshop.url}${(await page.getByTestId('pdf').getAttribute('href')) ?? ''}`)
  expect((await sheet.body()).subarray(0, 5).toString()).toBe('%PDF-')

  await page.goto(`${workshop.url}/bench/${batch?.id ?? ''}`)
  await doStepsUntil(page, /Cold water/)
  const { plan } = await get<BatchView>(path)
  await expect(page.getByTestId('part')).toHaveText('part 1 of 2')
  const before = await page.getByTestId('bench-count').textContent()
  await page.getByTestId('reading').locator('input').fill('220')
  await page.getByTestId('done').click()
  // Nothing is on record yet; the second part makes up for the first.
  await expect(page.getByTestId('part')).toHaveText('part 2 of 2')
  await expect(page.getByTestId('bench-count')).toHaveText(before ?? '')
  await expect(page.getByTestId('target')).toHaveText(`${Math.round(plan.weights.waterG - 220)} g`)
  await doStep(page)
  // The step counts as done once the device keeps it; the workshop hears of it a moment later.
  await expect
    .poll(async () => (await get<BatchView>(path)).records.find(({ stepKey }) => stepKey === 'water')?.actual)
    .toBe(220 + Math.round(plan.weights.waterG - 220))
})
