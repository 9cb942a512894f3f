import type { SeasonView } from '@vendange/contract'
import { expect } from '@playwright/test'
import { pick, saving, type } from './hands'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
})
test.afterAll(() => workshop.dispose())

test('an early moment for a stall has so many bars, and they reach giving out', async ({ page }) => {
  const { collections } = (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView
  const id = collections.find(({ name }) => name === 'Night Train, first run')?.id ?? ''
  await page.goto(`${workshop.url}/plan/${id}`)
  await page.getByRole('button', { name: 'Early moment', exact: true }).click()
  const who = page.getByRole('combobox', { name: 'Who 1', exact: true })
  await who.fill('Quay market')
  await who.press('Tab')
  await pick(page.locator('.v-select').filter({ hasText: 'Buy through 1' }), 'Stalls')
  await saving(page, () => type(page, 'Bars at most 1', '4'))
  await expect
    .poll(async () => {
      const season = (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView
      return season.collections.find((one) => one.id === id)?.early.map(({ local: _at, ...moment }) => moment)
    })
    .toEqual([{ audience: 'Quay market', channel: 'Stalls', bars: 4 }])

  await page.goto(`${workshop.url}/give-out/${id}`)
  const wish = page.getByTestId('wish-early:Quay market')
  await expect(wish).toContainText(/of 4$/)
})
