import type { BatchView, LoafView, SeasonView } from '@vendange/contract'
import type { Page } from '@playwright/test'
import { expect } from '@playwright/test'
import { doStep } from './hands'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
})
test.afterAll(() => workshop.dispose())

const title = (page: Page) => page.getByRole('heading', { level: 1 })
const get = async <T>(path: string): Promise<T> => (await (await fetch(workshop.url + path)).json()) as T
const batchNamed = async (name: string): Promise<string> =>
  (await get<SeasonView>('/api/season')).batches.find((batch) => batch.name === name)?.id ?? ''

/** Weighs the step at hand with the simulated scale: pours what it asks for, and so much over, and takes it with W. */
async function weigh(page: Page, over: readonly string[] = []): Promise<void> {
  const before = await page.getByTestId('bench-count').textContent()
  await expect(page.getByTestId('live')).toContainText(/^Scale: -?0 /)
  await page.getByTestId('pour-rest').click()
  for (const step of over) await page.getByTestId('stand-in').getByRole('button', { name: step }).click()
  await expect(page.getByTestId('to-go')).toHaveText(over.length === 0 ? 'just right' : /over/)
  await expect(page.getByTestId('done')).toHaveText(/^Take/)
  await page.keyboard.press('w')
  await expect(page.getByTestId('bench-count').or(page.getByTestId('finish'))).not.toHaveText(before ?? '')
}

/** Dips the probe in and takes its reading once it stands still; it may still hang in the jug before. */
async function dip(page: Page): Promise<void> {
  const before = await page.getByTestId('bench-count').textContent()
  await page.getByTestId('dip').click()
  await expect(async () => {
    await page.getByTestId('done').click()
    await expect(page.getByTestId('bench-count')).not.toHaveText(before ?? '', { timeout: 1000 })
  }).toPass()
}

/** Does steps as they come, with the instruments, until the title matches. */
async function goOnUntil(page: Page, wanted: RegExp): Promise<void> {
  for (let step = 0; step < 40; step++) {
    if (wanted.test((await title(page).textContent()) ?? '')) return
    if (await page.getByTestId('dip').isVisible()) await dip(page)
    else if (await page.getByTestId('pour-rest').isVisible()) await weigh(page)
    else await doStep(page)
  }
  throw new Error(`Expected to come to ${String(wanted)}`)
}

test('a whole pour day at the bench with the simulated scale, an over-pour, a network drop and a killed server', async ({
  page,
  context,
}) => {
  test.setTimeout(480_000)
  const id = await batchNamed('Lantern Glass')
  const { plan } = await get<BatchView>(`/api/batches/${id}`)
  await page.goto(`${workshop.url}/bench/${id}`)
  await expect(title(page)).not.toBeEmpty()
  // The instruments are connected once, on the first step that weighs.
  while (!(await page.getByTestId('connect').isVisible())) await doStep(page)
  await page.getByTestId('connect').click()
  await expect(page.getByTestId('live')).toContainText('Scale: 0 g')

  await test.step('a mass is taken only when it stands still, and neither from an empty pan nor from one overloaded', async () => {
    const before = await page.getByTestId('bench-count').textContent()
    await page.keyboard.press('w')
    await expect(page.getByText('Nothing is on the pan yet. If that is right, type 0.')).toBeVisible()
    await page.getByTestId('stand-in').getByRole('button', { name: '+100 g' }).click()
    await expect(page.getByTestId('done')).toHaveText('Wait for it to settle')
    for (let bag = 0; bag < 3; bag++)
      await page.request.post(`${workshop.url}/api/instruments/scale`, { data: { line: 'put 2000 g' } })
    await expect(page.getByTestId('live')).toContainText('overload')
    await page.keyboard.press('w')
    await expect(page.getByText('The scale is overloaded.')).toBeVisible()
    expect(await page.getByTestId('bench-count').textContent()).toBe(before)
    await page.getByTestId('stand-in').getByRole('button', { name: 'Empty' }).click()
    await expect(page.getByTestId('live')).toContainText('Scale: 0 g')
  })

  await test.step('the lye of the night before', async () => {
    // Slow pour makes its lye the night before: water and lye come first.
    await expect(title(page)).toHaveText('Cold water, into the lye jug')
    await goOnUntil(page, /Line the mould/)
    await expect(page.getByTestId('step-kept')).toHaveCount(0)
  })

  await test.step('a fat goes over: the new superfat is stated, with what mends it', async () => {
    await goOnUntil(page, /into the fats/)
    await weigh(page, ['+10 g', '+10 g', '+10 g'])
    await expect(page.getByTestId('bench-notes')).toContainText(
      '30 g over. The lye was weighed already: the superfat is now',
    )
  })

  await test.step('the network drops: the steps go on and are kept here, and sent in order', async () => {
    await context.setOffline(true)
    // Without the network the scale is not heard; what it shows is typed.
    await page.getByTestId('connect').click()
    await doStep(page)
    await doStep(page)
    await expect(page.getByTestId('step-kept')).toHaveCount(2)
    await expect(page.getByText('2 steps are kept on this device')).toBeVisible()
    await context.setOffline(false)
    await expect(page.getByTestId('step-kept')).toHaveCount(0)
    await page.getByTestId('connect').click()
  })

  await test.step('the server is killed: what was kept survives even a reload', async () => {
    await workshop.kill()
    await page.getByTestId('connect').click()
    await doStep(page)
    await expect(page.getByTestId('step-kept')).toHaveCount(1)
    await workshop.start('2027-03-08')
    await page.reload()
    await expect(page.getByTestId('step-kept')).toHaveCount(0)
    await expect(title(page)).not.toBeEmpty()
  })

  await test.step('timers outlive a reload', async () => {
    await goOnUntil(page, /Temperature of the lye/)
    await page.getByTestId('start-timer').click()
    await expect(page.getByTestId('timer')).toContainText('Look at the temperature of the lye again')
    await page.reload()
    await expect(page.getByTestId('timer')).toContainText(/9:\d\d/)
  })

  await test.step('to the end, every gram on record', async () => {
    if (await page.getByTestId('connect').isVisible()) {
      const label = await page.getByTestId('connect').textContent()
      if (label?.startsWith('Read it')) await page.getByTestId('connect').click()
    }
    for (let step = 0; step < 40 && !(await page.getByTestId('finish').isVisible()); step++) {
      if (await page.getByTestId('dip').isVisible()) await dip(page)
      else if (await page.getByTestId('pour-rest').isVisible()) await weigh(page)
      else await doStep(page)
    }
    await expect(page.getByTestId('step-kept')).toHaveCount(0)
    await page.getByTestId('finish').click()
    await expect(page).toHaveURL(/\/cut$/)

    const { records, loafIds } = await get<BatchView>(`/api/batches/${id}`)
    const weighed = (key: string): number => records.findLast(({ stepKey }) => stepKey === key)?.actual ?? 0
    // Every step once: nothing was sent twice.
    expect(new Set(records.map(({ stepKey }) => stepKey)).size).toBe(records.length)
    const first = plan.weights.fats[0]
    expect(weighed(`fat:${first?.fatKey ?? ''}`)).toBe((first?.massG ?? 0) + 30)
    for (const { fatKey, massG } of plan.weights.fats.slice(1)) expect(weighed(`fat:${fatKey}`)).toBe(massG)
    expect(weighed('naoh')).toBe(plan.weights.naohG)
    // All that went in comes out at the pots, the scent last.
    const fatsG = plan.weights.fats.reduce((sum, { fatKey }) => sum + weighed(`fat:${fatKey}`), 0)
    const wettingG = plan.weights.pots.reduce((sum, { wetting }) => sum + (wetting?.massG ?? 0), 0)
    const fatWettingG = plan.weights.pots.reduce(
      (sum, pot) => sum + (pot.wetting?.with === 'fat' ? pot.wetting.massG : 0),
      0,
    )
    expect(wettingG).toBeGreaterThan(fatWettingG)
    const inG = fatsG - fatWettingG + weighed('naoh') + weighed('water')
    const outG = plan.weights.pots.reduce((sum, _, index) => sum + weighed(`pot:${index}`), 0)
    expect(Math.abs(outG - inG)).toBeLessThanOrEqual(2)
    // And each weighing names its lots.
    const { lotsUsed } = await get<LoafView>(`/api/loaves/${loafIds[0] ?? ''}`)
    expect(
      lotsUsed.filter(({ name }) => name === 'Sodium hydroxide').reduce((sum, { amount }) => sum + amount, 0),
    ).toBe(plan.weights.naohG)
  })
})

test('what another tablet has recorded meanwhile is not written over unseen', async ({ page, context, browser }) => {
  const id = await batchNamed('Signal Lamps')
  await page.goto(`${workshop.url}/bench/${id}`)
  while (!(await page.getByTestId('reading').isVisible())) await doStep(page)
  await expect(page.getByTestId('step-kept')).toHaveCount(0)
  const planned = Number((await page.getByTestId('target').textContent())?.split(' ')[0])
  // While this tablet is without a network, somebody weighs the same step at another.
  await context.setOffline(true)
  await doStep(page, String(planned + 3))
  await expect(page.getByTestId('step-kept')).toHaveCount(1)
  const others = await browser.newContext()
  const other = await others.newPage()
  await other.goto(page.url())
  await expect(other.getByTestId('target')).toContainText(String(planned))
  await doStep(other, String(planned + 5))
  await expect(other.locator('.item.kept')).toHaveCount(0)

  await context.setOffline(false)
  await expect(page.getByText(/was recorded as \d+ g by \w+ meanwhile, at another tablet/)).toBeVisible()
  await expect(page.getByTestId('step-kept')).toHaveCount(0)
  await expect(page.getByTestId('step-done').last()).toContainText(`${planned + 5} g`)
  await others.close()
})
