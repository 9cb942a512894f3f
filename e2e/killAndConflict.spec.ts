import type { Page } from '@playwright/test'
import { expect } from '@playwright/test'
import { answer, doStep, doStepsUntil, saving, type } from './hands'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
})
test.afterAll(() => workshop.dispose())

/** What the bench's list says of each step that it shows as done. */
async function stepsShownDone(page: Page): Promise<readonly string[]> {
  const texts = await page.getByTestId('step-done').allInnerTexts()
  return texts.map((text) => text.replace(/\s+/g, ' ').trim())
}

test('a killed server loses no step that the bench showed as saved', async ({ page }) => {
  await page.goto(`${workshop.url}/pour`)
  await page.getByRole('link', { name: /^To the bench/ }).click()
  await doStepsUntil(page, 'Coconut oil, into the fats')
  // 456 g asked for in the demo's Signal Lamps.
  await expect(page.getByTestId('target')).toHaveText('456 g')
  await doStep(page, '470')
  await doStep(page)
  await expect(page.getByTestId('step-done')).toHaveCount(4)
  const before = await stepsShownDone(page)

  await workshop.kill()
  // These steps cannot reach the server: they must not be shown as saved, and not be lost.
  await doStep(page, '171')
  await expect(page.getByText('Not saved yet: the server does not answer.')).toBeVisible()
  await doStep(page)
  expect(await stepsShownDone(page)).toEqual(before)
  await expect(page.getByTestId('step-kept')).toHaveCount(2)
  await expect(page.getByTestId('step-kept').first()).toContainText('171 g')

  await workshop.start('2027-03-08')
  // Sent again by itself, in order.
  await expect(page.getByTestId('step-done')).toHaveCount(6)
  await expect(page.getByTestId('step-kept')).toHaveCount(0)
  await page.reload()
  await expect(page.getByTestId('step-done')).toHaveCount(6)
  const after = await stepsShownDone(page)
  expect(after.slice(0, 4)).toEqual(before)
  expect(after[4]).toContain('171 g')
})

test('a killed server between any two steps leaves what was shown', async ({ page }) => {
  await page.goto(`${workshop.url}/pour`)
  await page
    .getByRole('row', { name: /Lantern Glass/ })
    .getByRole('link', { name: 'Bench' })
    .click()
  for (let round = 0; round < 3; round++) {
    await doStep(page)
    await doStep(page)
    await expect(page.getByTestId('step-kept')).toHaveCount(0)
    const before = await stepsShownDone(page)
    await workshop.kill()
    await workshop.start('2027-03-08')
    await page.reload()
    await expect(page.getByTestId('step-done')).toHaveCount(before.length)
    expect(await stepsShownDone(page)).toEqual(before)
  }
})

test('a full disk is said at the bench, and what waits is taken once there is room', async ({ page }) => {
  await page.goto(`${workshop.url}/pour`)
  await page
    .getByRole('row', { name: /Dawn Arrival/ })
    .getByRole('link', { name: 'Bench' })
    .click()
  await expect(page.getByTestId('done')).toBeVisible()
  // The server's own refusal is tested there; here it is only what the bench makes of it.
  await page.route('**/steps', (route) =>
    route.fulfill({
      status: 507,
      contentType: 'application/problem+json',
      json: { type: 'about:blank', title: 'No room', status: 507, detail: 'The disk is full.' },
    }),
  )
  await doStep(page)
  await expect(page.getByText('Not saved yet: the disk is full, make room there. One step is kept')).toBeVisible()
  await page.unroute('**/steps')
  await expect(page.getByTestId('step-done')).toHaveCount(1)
  await expect(page.getByTestId('step-kept')).toHaveCount(0)
})

test('two windows editing one recipe: both values are shown, neither is lost', async ({ page, context }) => {
  // This one hears of nothing: what the other changes comes upon it as it saves.
  await page.route('**/api/changes', (route) => route.abort())
  await page.goto(`${workshop.url}/formulate`)
  await page.getByRole('link', { name: 'House bar' }).click()
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('House bar')
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(other.getByLabel('Name', { exact: true })).toHaveValue('House bar')

  await saving(other, () => type(other, 'Name', 'House bar, winter'))
  await saving(other, () => type(other, 'Superfat', '6'))
  await type(page, 'Name', 'House bar, summer')
  await type(page, 'Cure', '35 days')

  const conflict = page.getByTestId('conflict')
  await expect(conflict).toBeVisible()
  await expect(page.getByTestId('save-state')).toContainText('Not saved: changed meanwhile')
  await expect(conflict.getByRole('row', { name: /^Name/ })).toContainText('House bar, summer')
  await expect(conflict.getByRole('row', { name: /^Name/ })).toContainText('House bar, winter')
  await expect(conflict.getByRole('row', { name: /^Superfat/ })).toContainText('0.06')
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('House bar, summer')

  // Keep our name and cure, take their superfat.
  await conflict
    .getByRole('row', { name: /^Superfat/ })
    .getByRole('radio')
    .nth(1)
    .check()
  await page.getByTestId('settle').click()
  await expect(page.getByTestId('save-state')).toHaveText('Saved')
  await page.reload()
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('House bar, summer')
  await expect(page.getByLabel('Superfat', { exact: true })).toHaveValue('6 %')
  await expect(page.getByLabel('Cure', { exact: true })).toHaveValue('35 days')
  await other.close()
})

test('a form keeps what was typed while the server is away, and saves it then', async ({ page }) => {
  await page.goto(`${workshop.url}/stores`)
  await page.getByRole('link', { name: /Short loaf/ }).click()
  await expect(page.getByLabel('Inner length')).toHaveValue('250 mm')
  await workshop.kill()
  await type(page, 'Inner length', '10 in')
  await expect(page.getByTestId('save-state')).toContainText('Not saved: the server does not answer')
  await workshop.start('2027-03-08')
  await expect(page.getByTestId('save-state')).toHaveText('Saved')
  await page.reload()
  await expect(page.getByLabel('Inner length')).toHaveValue('254 mm')
  await expect(answer(page)).toContainText('Short loaf takes')
})
