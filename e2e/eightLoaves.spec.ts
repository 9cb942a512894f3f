import type { LoafSummary, SeasonView } from '@vendange/contract'
import { createClient, endpoints } from '@vendange/contract'
import { expect } from '@playwright/test'
import type { Locator } from '@playwright/test'
import { answer } from './hands'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const today = '2027-03-22'
const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start(today)
})
test.afterAll(() => workshop.dispose())

const season = async (): Promise<SeasonView> => (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView
const regatta = async (): Promise<readonly LoafSummary[]> =>
  (await season()).loaves.filter(({ name }) => name.startsWith('Regatta'))

/** Nothing but the order's loaves is due: the others were weighed already, and stay where they are. */
async function putOthersAside(): Promise<void> {
  const { makers, loaves } = await season()
  const api = createClient({ baseUrl: workshop.url, makerId: () => makers[0]?.id })
  for (const { id, name, version, state } of loaves) {
    if (name.startsWith('Regatta') || state.status === 'released' || state.status === 'failed') continue
    const barG = state.weighIns.at(-1)?.massG
    const weighed =
      barG === undefined
        ? undefined
        : await api(endpoints.loaves.record, {
            params: { id },
            body: { type: 'weighed', day: today, barG, isSure: true, version },
          }).catch(() => undefined)
    await api(endpoints.loaves.record, {
      params: { id },
      body: { type: 'held', day: today, reason: 'Not of this round', version: weighed?.loaf.version ?? version },
    }).catch(() => undefined)
  }
}

test('eight loaves of an order are weighed, released, labelled, given out and packed, every press counted', async ({
  page,
}) => {
  await putOthersAside()
  let presses = 0
  /** How often something was pressed; what is typed, pH and masses, is not counted. */
  const counted = async (round: () => Promise<void>): Promise<number> => {
    presses = 0
    await round()
    return presses
  }
  const click = async (what: Locator): Promise<void> => {
    presses += 1
    await what.click()
  }
  const key = async (name: string): Promise<void> => {
    presses += 1
    await page.keyboard.press(name)
  }

  await page.goto(`${workshop.url}/weigh`)
  const bars = page.getByTestId('round-bar')
  await expect(bars).toHaveCount(8)
  await page.getByTestId('connect-scale').click()
  await expect(page.getByTestId('shown')).toHaveText(/^0(\.0)? g$/)
  const weighing = await counted(async () => {
    for (let bar = 1; bar <= 8; bar++) {
      await expect(page.getByTestId('weigh-now')).toContainText(`${bar} of 8`)
      // The hand of the simulated scale puts the bar on, and takes it off again.
      await page.getByTestId('pour-rest').click()
      await expect(page.getByTestId('take')).toHaveText(/^Take \d/)
      await answer(page).click()
      await key(' ')
      if (bar === 8) break
      await expect(page.getByTestId('take')).toBeDisabled()
      // A scale that is still moving does not go to zero; the hand tries it again.
      await expect(async () => {
        await page.getByRole('button', { name: 'Tare' }).click()
        await expect(page.getByTestId('shown')).toHaveText(/^0(\.0)? g$/, { timeout: 2000 })
      }).toPass()
    }
  })
  expect(weighing).toBe(8)
  await expect
    .poll(async () => (await regatta()).filter(({ state }) => state.weighIns.at(-1)?.day === today).length, {
      timeout: 30_000,
    })
    .toBe(8)

  await page.goto(`${workshop.url}/release`)
  const releasing = await counted(async () => {
    await click(page.getByTestId('to-release-round'))
    const strip = page.getByLabel('pH strip')
    for (let loaf = 1; loaf <= 8; loaf++) {
      await expect(page.getByTestId('see-now')).toContainText(`${loaf} of 8`)
      await expect(strip).toBeFocused()
      await expect(strip).toHaveValue('')
      await page.keyboard.type('9.5')
      await key('Enter')
    }
    await click(page.getByTestId('labels-complete').locator('input'))
    await click(page.getByTestId('sign'))
  })
  await expect(answer(page)).toHaveText('8 loaves are released.')
  expect(releasing).toBeLessThanOrEqual(20)
  expect((await regatta()).map(({ state }) => [state.status, state.release?.day])).toEqual(
    Array.from({ length: 8 }, () => ['released', today]),
  )

  const labelling = await counted(async () => {
    const saving = page.waitForEvent('download')
    await click(page.getByTestId('print-all-labels'))
    await (await saving).path()
  })
  expect(labelling).toBeLessThanOrEqual(3)

  const order = (await season()).orders.find(({ client }) => client === 'Rowing club regatta')
  await page.goto(`${workshop.url}/orders/${order?.id ?? ''}`)
  const packing = await counted(async () => {
    await click(page.getByTestId('to-giving'))
    await click(page.getByTestId('give-all'))
    await expect(page.getByTestId('packing')).toContainText('140 bars of Regatta')
    await page.goBack()
    presses += 1
    await click(page.getByTestId('packed').getByRole('button', { name: 'It is packed' }))
  })
  await expect(page.getByTestId('packed')).toContainText('Packed on')
  expect(packing).toBeLessThanOrEqual(5)
  const given = (await regatta()).flatMap(({ state }) => state.channels)
  expect(given.reduce((sum, { allotted }) => sum + allotted, 0)).toBe(140)
})
