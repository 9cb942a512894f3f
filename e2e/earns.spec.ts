import type { SeasonView } from '@vendange/contract'
import { expect } from '@playwright/test'
import { readFileSync } from 'node:fs'
import { answer, saving, type } from './hands'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
})
test.afterAll(() => workshop.dispose())

test('what a bar costs is told while it is designed, and what it earned once it is sold', async ({ page }) => {
  const season = (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView
  const soap = season.designs.find(({ name }) => name === 'Lantern Glass')!
  await page.goto(`${workshop.url}/soaps/${soap.id}`)
  const cost = page.getByTestId('bar-cost')
  await expect(cost).toContainText('A bar costs €')
  const costs = Number((await page.getByTestId('bar-costs').innerText()).replace('€', ''))
  // A price of its own: with 23 % of tax in it 12.30 is 10.00.
  await saving(page, () => type(page, 'Its own price in public', '12.30'))
  const web = page.getByTestId('earns-Web')
  await expect(web).toContainText('€12.30')
  await expect(web).toContainText(`€${(10 - costs).toFixed(2)}`)
  await expect(page.getByTestId('levers')).toContainText('for each pour')

  // A colour that the stores do not know yet: its price is typed here, and stands in the stores.
  const pots = soap.colours.length
  await page.getByRole('button', { name: 'Pot', exact: true }).click()
  await saving(page, () => type(page, `Pot ${pots + 1}`, 'harbour grey'))
  await page.getByRole('button', { name: 'All alike' }).click()
  await saving(page, () => page.getByLabel('Colourant').last().fill('4 g/kg'))
  const missing = page.getByTestId('missing-prices')
  await missing.getByLabel('harbour grey', { exact: true }).fill('30/kg')
  await missing.getByTestId('keep-prices').click()
  await expect(missing).toHaveCount(0)
  await expect(cost.getByRole('row', { name: /^harbour grey estimate/ })).toBeVisible()

  await page.goto(`${workshop.url}/notebook`)
  await page.getByTestId('earnings').click()
  await expect(answer(page)).toContainText(/^40 bars brought €\d/)
  const earned = page.getByTestId('earnings')
  await expect(earned.getByRole('row', { name: /^Sleeper Blue 12/ })).toBeVisible()
  await page.getByTestId('by-channel').click()
  await expect(earned.getByRole('row', { name: /^Web/ })).toBeVisible()
  const download = page.waitForEvent('download')
  await page.getByTestId('save-earnings').click()
  const file = readFileSync(await (await download).path(), 'utf8')
  expect(file.split('\n')[0]).toBe('name,bars,taken,ingredients,packing,work,shared,profit,hours,an hour')
  // Nothing was sold on these days.
  await type(page, 'Sold from', '1 June 2026')
  await type(page, 'Sold until', '30 June 2026')
  await expect(answer(page)).toHaveText('Nothing was sold in these days.')
})
