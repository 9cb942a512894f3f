import { createClient, endpoints } from '@vendange/contract'
import { expect } from '@playwright/test'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
})
test.afterAll(() => workshop.dispose())

test('a bar is tried at the basin, and the recipe is told with what was noticed', async ({ page }) => {
  const api = createClient({ baseUrl: workshop.url })
  const loaves = await api(endpoints.loaves.list)
  const loaf = loaves.find(({ state }) => state.status === 'released')
  const { designs } = await api(endpoints.season)
  const recipeId = designs.find(({ id }) => id === loaf?.designId)?.recipeId
  await page.goto(`${workshop.url}/formulate/${recipeId}`)
  const foam = page.getByTestId('observed-foam')
  await expect(foam).toContainText('(estimate)')

  await page.goto(`${workshop.url}/loaves/${loaf?.id}`)
  const form = page.getByTestId('bar-tried')
  await expect(form.getByTestId('write-tried')).toBeDisabled()
  await form.getByRole('button', { name: 'rich' }).click()
  await form.getByRole('button', { name: 'tight, dry skin' }).click()
  await form.getByLabel('Rubs until it foamed').fill('4')
  await form.getByTestId('write-tried').click()
  await expect(page.getByTestId('story')).toContainText('Tried: rich foam after 4 rubs; tight, dry skin.')
  await expect(form.getByLabel('Rubs until it foamed')).toHaveValue('')

  await page.goto(`${workshop.url}/formulate/${recipeId}`)
  await expect(foam).toContainText('estimate, moved by 1 record of yours, 1 of this recipe')
})
