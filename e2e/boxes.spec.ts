import type { LoafSummary, SavedOrder, SeasonView } from '@vendange/contract'
import { createClient, endpoints } from '@vendange/contract'
import { freeBars } from '@vendange/core/loaf'
import { expect } from '@playwright/test'
import { answer } from './hands'
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
const boxesOrder = async (): Promise<SavedOrder> =>
  (await season()).orders.find(({ recipients }) => recipients.length > 0)!
const loavesOfBoxes = async (): Promise<readonly LoafSummary[]> => {
  const { designs, loaves } = await season()
  const { collectionId } = await boxesOrder()
  return loaves.filter(({ designId }) => designs.find(({ id }) => id === designId)?.collectionId === collectionId)
}

/** Makes what the boxes hold. */
async function makeThem(): Promise<void> {
  const { designs } = await season()
  const { collectionId } = await boxesOrder()
  const own = designs.filter((design) => design.collectionId === collectionId)
  await makeOffScreen(
    workshop,
    own.map(({ id }) => id),
  )
}

test('the boxes of a month are an order: taken from a list, made, given out box by box, packed, sent and paid', async ({
  page,
}) => {
  test.setTimeout(240_000)
  await page.goto(`${workshop.url}/plan`)
  await page.getByTestId('to-customers').click()
  await expect(answer(page)).toContainText('4 subscribers are sent 8 bars a month')
  const list = (text: string) => ({ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  const file = page.getByTestId('subscribers').locator('input[type=file]')
  await file.setInputFiles(list('name,bars\nAda Marsh,many'))
  await expect(page.getByRole('alert')).toContainText('Line 2: bars a month are a whole number from 1 to 200.')
  await file.setInputFiles(
    list('name,bars,address,wish\nWren Holt,3,"4 Ferry Lane",no clove\nAda Marsh,2,1 Quay,\nBo Lind,2,9 Mill Row,\n'),
  )
  await expect(answer(page)).toContainText('7 subscribers are sent 15 bars a month')

  // One of them pauses, and is in no box.
  await page.getByRole('link', { name: 'Bo Lind' }).click()
  await page.getByLabel('Paused: is sent nothing for now').check()
  await expect(page.getByTestId('save-state')).toHaveText('Saved')
  await expect(answer(page)).toHaveText('Bo Lind is sent nothing for now.')
  await page.getByRole('link', { name: 'Subscribers and shops' }).click()
  await expect(answer(page)).toContainText('6 subscribers are sent 13 bars a month')

  await page.getByLabel('To go off on', { exact: true }).fill('2027-06-01')
  await page.getByLabel('To go off on', { exact: true }).blur()
  await page.getByTestId('plan-boxes').click()
  await expect(page).toHaveURL(/orders/)
  await expect(answer(page)).toContainText('Yes: 13 bars can be ready', { timeout: 15_000 })
  await page.getByTestId('accept').click()
  await expect(page).toHaveURL(/plan/)
  await makeThem()

  const order = await boxesOrder()
  expect(order.client).toBe('Boxes of June 2027')
  await page.goto(`${workshop.url}/give-out/${order.collectionId}`)
  const boxes = page.getByTestId('giving-box')
  await expect(boxes).toHaveCount(6)
  await expect(boxes.filter({ hasText: 'Wren Holt' }).getByLabel('Boxes of June 2027 for Wren Holt')).toHaveValue('3')
  expect(await layoutFaults(page)).toEqual([])
  await page.getByTestId('give-all').click()
  const packing = page.getByTestId('packing')
  await expect(packing).toContainText('4 Ferry Lane; no clove')
  const [{ lotCode } = { lotCode: '' }] = await loavesOfBoxes()
  await expect(packing).toContainText(`3 bars of Boxes of June 2027: 3 of ${lotCode}`)

  await page.goto(`${workshop.url}/orders/${order.id}`)
  await page.getByTestId('packed').getByRole('button').click()
  await expect(page.getByTestId('packed')).toContainText('Packed on')
  await expect(page.getByTestId('save-state')).toHaveText('Saved')
  await page.getByTestId('sent').getByRole('button', { name: 'Send 13 bars' }).click()
  await expect(page.getByTestId('order-bars')).toContainText('All its bars are sent')
  await page.getByTestId('paid').getByRole('button').click()
  await expect(page.getByTestId('save-state')).toHaveText('Saved')
  expect(await layoutFaults(page)).toEqual([])
  expect(await boxesOrder()).toMatchObject({ state: 'delivered', packedDay: order.packedDay ?? expect.any(String) })

  // Whoever asks about the lot is told who has its bars.
  const [loaf] = await loavesOfBoxes()
  await page.goto(`${workshop.url}/loaves/${loaf!.id}`)
  await expect(page.getByText(/3 bars sold \(Subscribers\) to Wren Holt/)).toBeVisible()
  await expect(page.getByText(/2 bars sold \(Subscribers\) to Ada Marsh/)).toBeVisible()
})

test('a shop is given its part, sells some of it, and sends the rest back', async ({ page }) => {
  await page.goto(`${workshop.url}/customers`)
  await page.getByTestId('add-shop').click()
  await page.getByLabel('Name', { exact: true }).fill('The Quay Shop')
  await page.getByLabel('Sale or return: pays for what it sold, the rest comes back').check()
  await page.getByLabel('Price of a bar').fill('5.50')
  await expect(page.getByTestId('save-state')).toHaveText('Saved')
  const { loaves, makers } = await season()
  const free = loaves.find(({ state }) => state.status === 'released' && freeBars(state) >= 2)!
  const api = createClient({ baseUrl: workshop.url, makerId: () => makers[0]?.id })
  await api(endpoints.release.giveOut, {
    body: {
      gifts: [{ designId: free.designId, bars: 2, channel: 'Shops', who: 'The Quay Shop', orderId: null }],
    },
  })
  await page.goto(`${workshop.url}/customers`)
  const shop = page.getByTestId('shop').filter({ hasText: 'The Quay Shop' })
  await expect(shop).toContainText('5.50 a bar, sale or return')
  const now = shop.getByRole('textbox')
  await now.fill('1')
  await now.blur()
  await shop.getByRole('button', { name: 'Sold' }).click()
  await expect(page.getByText(/The Quay Shop sold 1 bar of/)).toBeVisible()
  await now.fill('1')
  await now.blur()
  await shop.getByRole('button', { name: 'Came back' }).click()
  await expect(shop.getByTestId('shop-soap')).toContainText('has 0, sold 1')
  expect(await layoutFaults(page)).toEqual([])
})
