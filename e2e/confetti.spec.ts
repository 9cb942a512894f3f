import type { LoafSummary, SeasonView, StoresView } from '@vendange/contract'
import { createClient, endpoints } from '@vendange/contract'
import { expect } from '@playwright/test'
import { answer, saving } from './hands'
import { layoutFaults } from './layout'
import { makeOffScreen } from './makeOffScreen'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
})
test.afterAll(() => workshop.dispose())

const season = async (): Promise<SeasonView> => (await (await fetch(`${workshop.url}/api/season`)).json()) as SeasonView

test('confetti of two soaps’ scraps goes into a third, and a delivery is traced through it to a buyer', async ({
  page,
}) => {
  test.setTimeout(180_000)
  const { loaves, designs, makers } = await season()
  const soap = designs.find(({ name }) => name === 'Lantern Glass')!
  const curing = loaves.filter(({ state }) => state.status === 'curing')
  const [first, second] = [curing[0], curing.find(({ designId }) => designId !== curing[0]?.designId)] as [
    LoafSummary,
    LoafSummary,
  ]

  await test.step('ends of two loaves go into the bin', async () => {
    for (const loaf of [first, second]) {
      await page.goto(`${workshop.url}/cut/${loaf.id}`)
      const mass = page.getByLabel('Mass', { exact: true })
      await mass.fill('25')
      await mass.blur()
      await page.getByTestId('put-scrap').click()
      await expect(page.getByTestId('scrap')).toContainText('25 g')
    }
    await page.goto(`${workshop.url}/stores`)
    await page.getByTestId('to-scraps').click()
    await expect(answer(page)).toContainText('50 g of 2 loaves are in the scrap bin.')
    await expect(page.getByTestId('scrap-row')).toHaveCount(2)
    await expect(page.getByTestId('scrap-row').filter({ hasText: second.lotCode })).toContainText('nothing yet')
    expect(await layoutFaults(page)).toEqual([])
  })

  await test.step('a soap takes both, and makes so much less batter', async () => {
    await page.goto(`${workshop.url}/soaps/${soap.id}`)
    // What the page reads besides comes in and moves it; nobody chooses from a list before that.
    await page.waitForLoadState('networkidle')
    const pieces = page.getByTestId('pieces')
    for (const loaf of [first, second])
      await saving(page, async () => {
        const option = page.getByRole('option', { name: new RegExp(loaf.lotCode) })
        // The list may close under the hand while the page draws itself anew.
        await expect(async () => {
          if (!(await option.isVisible())) await page.getByTestId('take-piece').click()
          await option.click({ timeout: 5000 })
        }).toPass()
      })
    await expect(pieces).toContainText('50 g of pieces take up as much room as batter of that mass (an estimate)')
    await pieces.getByLabel(new RegExp(second.lotCode)).first().fill('30')
    await pieces.getByLabel(new RegExp(second.lotCode)).first().blur()
    await expect(pieces).toContainText('5 g more than is there')
    await saving(page, async () => {
      await pieces.getByLabel(new RegExp(second.lotCode)).first().fill('20')
      await pieces.getByLabel(new RegExp(second.lotCode)).first().blur()
    })
    expect(await layoutFaults(page)).toEqual([])
    await page.goto(`${workshop.url}/stores/scraps`)
    await expect(page.getByTestId('scrap-row').filter({ hasText: second.lotCode })).toContainText('Lantern Glass, 20 g')
  })

  await makeOffScreen(workshop, [soap.id])
  const made = (await season()).loaves.find(({ designId }) => designId === soap.id)!
  const api = createClient({ baseUrl: workshop.url, makerId: () => makers[0]?.id })
  const gift = { designId: soap.id, bars: 2, channel: 'Web', who: 'the drop', orderId: null } as const
  await api(endpoints.release.allot, { body: gift })
  const sale = { saleId: 'c1', designId: soap.id, lotCode: '', channel: 'Web', bars: 2, priceCents: 900 } as const
  const day = made.state.release!.day
  await api(endpoints.release.takeSales, { body: { sales: [{ ...sale, day, buyer: 'House with the blue door' }] } })

  await test.step('the loaf says what is in it, and a delivery finds its buyer through it', async () => {
    await page.goto(`${workshop.url}/loaves/${made.id}`)
    await expect(page.getByTestId('with-pieces')).toContainText(first.lotCode)
    await expect(page.getByTestId('with-pieces')).toContainText(`from ${second.lotCode} (20 g)`)
    const { lotsUsed } = await api(endpoints.loaves.view, { params: { id: second.id } })
    const own = new Set(
      (await api(endpoints.loaves.view, { params: { id: made.id } })).lotsUsed.map(({ lotId }) => lotId),
    )
    const { lots } = (await (await fetch(`${workshop.url}/api/stores`)).json()) as StoresView
    const onlyThere = lotsUsed.find(({ lotId }) => !own.has(lotId) && lots.some(({ id }) => id === lotId))!
    await page.goto(`${workshop.url}/stores/lots/${onlyThere.lotId}/trace`)
    const traced = page.getByTestId('traced').filter({ hasText: made.lotCode })
    await expect(traced.locator('small')).toContainText('by pieces of ')
    await expect(traced.locator('small')).toContainText(second.lotCode)
    await expect(traced).toContainText('House with the blue door')
    expect(await layoutFaults(page)).toEqual([])
  })
  await page.goto(`${workshop.url}/stores/scraps`)
  await expect(page.getByTestId('scrap-row')).toHaveCount(1)
  await expect(page.getByTestId('scrap-row')).toContainText('5 g')
})
