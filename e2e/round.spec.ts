import { expect, test } from '@playwright/test'
import type { SeasonView } from '@vendange/contract'
import { answer, type } from './hands'
import { WorkshopProcess } from './server'

const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  // Eight loaves of an order, and others, are due by then.
  await workshop.start('2027-03-12')
})
test.afterAll(() => workshop.dispose())

const loaves = async () => ((await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView).loaves

test('the marked bars are weighed in the order they stand, a press each; what is odd is asked for again, and the last taken back', async ({
  page,
}) => {
  let presses = 0
  const press = async (key: string): Promise<void> => {
    presses += 1
    await page.keyboard.press(key)
  }
  await page.goto(`${workshop.url}/cure`)
  await page.getByTestId('to-round').click()
  const bars = page.getByTestId('round-bar')
  await expect(bars.first()).toBeVisible()
  const due = await bars.count()
  expect(due).toBeGreaterThanOrEqual(8)
  await page.getByTestId('connect-scale').click()
  await expect(page.getByTestId('shown')).toHaveText(/^0(\.0)? g$/)
  await expect(page.getByTestId('take')).toBeDisabled()

  for (let bar = 1; bar <= 8; bar++) {
    await expect(page.getByTestId('weigh-now')).toContainText(`${bar} of ${due}`)
    // The hand of the simulated scale puts the bar on, and takes it off again.
    await page.getByTestId('pour-rest').click()
    await expect(page.getByTestId('take')).toHaveText(/^Take \d/)
    await page.getByRole('heading', { level: 1 }).click()
    await press(' ')
    await expect(page.getByTestId('odd')).toHaveCount(0)
    if (bar === 8) break
    await expect(page.getByTestId('take')).toBeDisabled()
    await page.getByRole('button', { name: 'Tare' }).click()
    await expect(page.getByTestId('shown')).toHaveText(/^0(\.0)? g$/)
  }
  expect(presses).toBe(8)
  await expect(bars.filter({ hasText: /\d g$/ })).toHaveCount(8)

  await test.step('the last one is taken back, and a mass that is odd is asked for again', async () => {
    await page.getByTestId('undo-weighing').click()
    await expect(bars.filter({ hasText: /\d g$/ })).toHaveCount(7)
    await type(page, 'Or typed', '400 g')
    await page.getByTestId('take').click()
    await expect(page.getByTestId('odd')).toContainText('Take it once more if it is so.')
    await expect(bars.filter({ hasText: /\d g$/ })).toHaveCount(7)
    await page.getByTestId('later').click()
    await expect(page.getByTestId('odd')).toHaveCount(0)
    await expect(bars.filter({ hasText: /later$/ })).toHaveCount(1)
  })
  // What was taken stands on the record once it can no longer be taken back.
  await expect
    .poll(
      async () => (await loaves()).filter(({ state }) => state.weighIns.some(({ day }) => day === '2027-03-12')).length,
      {
        timeout: 30_000,
      },
    )
    .toBe(7)
  await expect(answer(page)).toContainText('lot')
})
