import type { StoresView } from '@vendange/contract'
import { expect } from '@playwright/test'
import { answer, type } from './hands'
import { layoutFaults } from './layout'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
})
test.afterAll(() => workshop.dispose())

const stores = async (): Promise<StoresView> => (await (await fetch(`${workshop.url}/api/stores`)).json()) as StoresView

test('a herb steeps in an oil of the stores, is strained, and is there for recipes as that oil', async ({ page }) => {
  const oil = (await stores()).ingredients.find(({ name }) => name === 'Olive oil')
  await page.goto(`${workshop.url}/stores/ingredients/${oil?.id ?? ''}`)
  await expect(answer(page)).toContainText('8009 g in store')
  const panel = page.getByTestId('infuse')
  await panel.locator('summary').click()
  await type(page, 'Olive oil', '500 g', panel)
  await panel.getByLabel('Herb', { exact: true }).fill('Marigold petals')
  await type(page, 'Dried herb', '50 g', panel)
  // 50 g of herb keep 1.2 times their mass back.
  await expect(page.getByTestId('expected-yield')).toContainText('440 g will come out')
  await page.setViewportSize({ width: 360, height: 740 })
  expect(await layoutFaults(page)).toEqual([])
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.getByTestId('start-infusion').click()

  await expect(answer(page)).toContainText('Olive oil, marigold petals: 0 g in store')
  await expect(page.getByText('Lot I270308 steeps until Mon 5 Apr, and is strained then.')).toBeVisible()
  const steeping = page.getByTestId('steeping')
  await expect(steeping).toContainText('50 g of marigold petals in 500 g')
  await type(page, 'Came out', '420 g', steeping)
  await page.getByTestId('strain').click()
  await expect(answer(page)).toContainText('Olive oil, marigold petals: 420 g in store')
  await expect(page.getByTestId('strain')).toHaveCount(0)

  await page.goto(`${workshop.url}/formulate`)
  await expect(page.getByTestId('own-fats')).toContainText('Olive oil, marigold petals')
  const left = (await stores()).lots.find(({ lotNumber }) => lotNumber === 'O-2602')?.leftAmount
  expect(left).toBe(2509)
})
