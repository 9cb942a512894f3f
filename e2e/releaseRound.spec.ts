import type { LoafSummary, SeasonView } from '@vendange/contract'
import { createClient, endpoints } from '@vendange/contract'
import { expect } from '@playwright/test'
import { readFile } from 'node:fs/promises'
import { answer } from './hands'
import { layoutFaults } from './layout'
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

/** Puts every other loaf aside and weighs those of the order, the last a little under its label. */
async function weighed(): Promise<void> {
  const { makers, loaves } = await season()
  const api = createClient({ baseUrl: workshop.url, makerId: () => makers[0]?.id })
  const own = await regatta()
  const under = own.at(-1)?.id
  for (const { id, version, state } of loaves) {
    const isOwn = own.some((loaf) => loaf.id === id)
    if (!isOwn && state.status !== 'curing') continue
    const barG = id === under ? 111 : Math.min(117, state.weighIns.at(-1)?.massG ?? 117)
    await api(endpoints.loaves.record, {
      params: { id },
      body: isOwn
        ? { type: 'weighed', day: today, barG, isSure: true, version }
        : { type: 'held', day: today, reason: 'Not of this round', version },
    })
  }
}

test('eight loaves of an order are released in a round: a press each, one signature, and labels as one PDF', async ({
  page,
}) => {
  await weighed()
  await page.goto(`${workshop.url}/release`)
  await page.getByTestId('to-release-round').click()
  const rows = page.getByTestId('round-loaf')
  await expect(rows).toHaveCount(8)
  // One weighs less than its label says: it stays, and nobody is asked about it.
  await expect(rows.filter({ hasText: 'stays' })).toHaveCount(1)
  await expect(rows.filter({ hasText: 'stays' })).toContainText('the label says 115 g')

  let presses = 0
  const strip = page.getByLabel('pH strip')
  for (let loaf = 1; loaf <= 7; loaf++) {
    await expect(page.getByTestId('see-now')).toContainText(`${loaf} of 7`)
    await expect(answer(page)).toHaveText(/^Regatta, pour \d of 4, lot \d{6}-\d: its strip and its look\.\s*$/)
    await expect(strip).toBeFocused()
    await expect(strip).toHaveValue('')
    await page.keyboard.type('9.5')
    await page.keyboard.press('Enter')
    presses += 1
  }
  await expect(answer(page)).toHaveText('7 loaves may go: 126 bars.')

  await test.step('the last is taken back and does not look sound: it stays too, until it is looked at once more', async () => {
    await page.getByTestId('back').click()
    await page.keyboard.type('9.5')
    await page.getByTestId('not-sound').click()
    await expect(answer(page)).toHaveText('6 loaves may go: 108 bars.')
    await expect(rows.filter({ hasText: 'stays' })).toHaveCount(2)
    await page.getByTestId('back').click()
    await page.keyboard.type('9.5')
    await page.keyboard.press('Enter')
    await expect(answer(page)).toHaveText('7 loaves may go: 126 bars.')
  })

  await expect(page.getByTestId('sign')).toBeDisabled()
  await page.getByTestId('labels-complete').locator('input').check()
  await page.getByTestId('sign').click()
  presses += 2
  await expect(answer(page)).toHaveText('7 loaves are released.')
  expect(presses).toBeLessThanOrEqual(20)
  const released = (await regatta()).filter(({ state }) => state.status === 'released')
  expect(released.map(({ state }) => [state.releasedBars, state.release?.day])).toEqual(
    Array.from({ length: 7 }, () => [18, today]),
  )

  await test.step('their labels, from the fourth place of a used sheet', async () => {
    // One figure and one press.
    await page.getByLabel('First free place of the sheet').fill('4')
    const saving = page.waitForEvent('download')
    await page.getByTestId('print-all-labels').click()
    const sheet = await saving
    expect(sheet.suggestedFilename()).toBe(`labels-${today}.pdf`)
    const text = (await readFile(await sheet.path())).toString('latin1')
    expect(text.slice(0, 5)).toBe('%PDF-')
  })
  await test.step('given out to the client who ordered them, and packed by a list', async () => {
    const order = (await season()).orders.find(({ client }) => client === 'Rowing club regatta')
    await page.goto(`${workshop.url}/orders/${order?.id ?? ''}`)
    // Three presses from the order's page: to its bars, all of them given, and packed.
    await page.getByTestId('to-giving').click()
    await expect(answer(page)).toHaveText('Regatta: 126 bars are there to give, 14 fewer than wanted.')
    await expect(page.getByTestId('wish-order:Rowing club regatta')).toContainText('126 of 140')
    await page.getByTestId('give-all').click()
    await expect(page.getByTestId('packing')).toContainText('126 bars of Regatta: 18 of 270210-')
    await expect(answer(page)).toContainText('14 bars wanted, and none is free to give yet')
    const channels = (await regatta()).flatMap(({ state }) => state.channels)
    expect(channels.reduce((sum, { allotted }) => sum + allotted, 0)).toBe(126)
    await page.goBack()
    await page.getByTestId('packed').getByRole('button', { name: 'It is packed' }).click()
    await expect(page.getByTestId('packed')).toContainText('Packed on')
    await expect(page.getByTestId('save-state')).toHaveText('Saved')
  })
  await page.setViewportSize({ width: 360, height: 740 })
  expect(await layoutFaults(page)).toEqual([])
})
