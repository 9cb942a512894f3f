import type { SeasonView } from '@vendange/contract'
import { expect } from '@playwright/test'
import { answer, saving, type } from './hands'
import { pourOffScreen } from './pourOffScreen'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
})
test.afterAll(() => workshop.dispose())

const season = async (): Promise<SeasonView> => (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView

test('60 bars of one soap are poured in two, one loaf fails, and is made good', async ({ page }) => {
  const { designs } = await season()
  const soap = designs.find(({ name }) => name === 'Malachite')
  if (!soap) throw new Error('The demo has no Malachite')
  const pours = page.getByTestId('pour-of-soap')

  await test.step('split by a press, each pour on days of its own', async () => {
    await page.goto(`${workshop.url}/soaps/${soap.id}`)
    await saving(page, () => type(page, 'Bars wanted', '60'))
    // 60 / 18 = 3.3: four loaves, and the workshop has two long moulds.
    const way = page.getByTestId('ways-out').getByRole('row', { name: /Pour it in 2 batches/ })
    await expect(way).toContainText(/2 loaves \w+ \d+ \w+ and 2 loaves \w+ \d+ \w+/)
    await expect(way).toContainText('72')
    await page.getByTestId('take-second_batch').click()
    await expect(pours).toHaveCount(2)
    await expect(answer(page)).toContainText('Malachite gives 72 bars in 2 pours, 12 more than wanted')
    const days = (await season()).batches.filter(({ designId }) => designId === soap.id).map(({ days }) => days.pourDay)
    expect(new Set(days).size).toBe(2)
    await page.getByRole('button', { name: 'Undo' }).last().click()
    await expect(pours).toHaveCount(0)
    await page.getByTestId('take-second_batch').click()
    await expect(pours).toHaveCount(2)
  })

  await test.step('each is moved and pinned by itself, and stands in the line-up', async () => {
    const second = pours.filter({ hasText: 'pour 2 of 2' })
    const isIt = ({ name }: { readonly name: string }): boolean => name === 'Malachite, pour 2 of 2'
    await second.getByTestId('move-pour').click()
    await type(page, 'Pour on', '7 Apr', second)
    await second.getByRole('button', { name: 'Move it here' }).click()
    await expect.poll(async () => (await season()).batches.find(isIt)?.days.pourDay).toBe('2027-04-07')
    await second.getByRole('button', { name: 'Pin' }).click()
    await expect(second.getByRole('button', { name: 'Let it go' })).toBeVisible()
    await page.goto(`${workshop.url}/plan/${soap.collectionId}`)
    await expect(page.getByTestId('soap').filter({ hasText: 'Malachite, pour' })).toHaveCount(2)
    await expect(page.getByTestId('soap').filter({ hasText: 'pour 2 of 2' })).toContainText('36 of 24')
  })

  await test.step('a loaf fails, fewer bars are counted, and the missing ones have a pour by a press', async () => {
    const first = (await season()).batches.find(({ name }) => name === 'Malachite, pour 1 of 2')!
    await workshop.goOnOn(first.days.pourDay)
    await pourOffScreen(workshop.url, first.id)
    await page.goto(`${workshop.url}/plan/${soap.collectionId}`)
    await page.getByTestId('soap').filter({ hasText: 'pour 1 of 2' }).getByTestId('loaf-failed').click()
    const row = page.getByTestId('soap').filter({ hasText: 'pour 1 of 2' })
    await row.getByTestId('fail-reason').locator('input').fill('It separated')
    await row.getByTestId('fail-it').click()
    await expect(page).toHaveURL(/\/plan\?mend|\/plan$/)
    await page.goto(`${workshop.url}/soaps/${soap.id}`)
    await expect(answer(page)).toContainText('Malachite: 54 bars in 2 pours, 6 fewer than wanted; 1 loaf failed.')
    const good = page.getByTestId('make-good')
    await expect(good.getByRole('heading')).toHaveText('Malachite: 1 loaf failed, 6 bars are missing of 60')
    await good.getByRole('button', { name: 'Make them good' }).click()
    await expect(pours).toHaveCount(3)
    await expect(good).toHaveCount(0)
    await expect(pours.filter({ hasText: 'Malachite, pour 3' })).toContainText('18 bars')
  })
})
