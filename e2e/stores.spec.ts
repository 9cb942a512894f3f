import { expect } from '@playwright/test'
import { answer, saving, type } from './hands'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08') // a Monday
})
test.afterAll(() => workshop.dispose())

test('the shortages of the season are found, ordered by their day, and gone once the delivery is on its way', async ({
  page,
}) => {
  await page.goto(`${workshop.url}/stores`)
  const shortages = page.getByTestId('shortages').first()
  // Dawn Arrival, poured on Wed 17 Mar and prepared on the 16th, takes 7.7 g of the 5 g; six days on the way.
  const indigo = shortages.getByRole('row', { name: /night indigo/ })
  await expect(indigo).toContainText('Wed 10 Mar')
  await expect(indigo).toContainText('2.7 g')
  await expect(indigo).toContainText('Dawn Arrival, from Tue 16 Mar')
  // What is past its order day comes first, and the answer speaks of it.
  await expect(answer(page)).toContainText('Amber blend is missing for Lantern Glass')

  await indigo.getByRole('button', { name: 'It is ordered' }).click()
  await expect(indigo).toHaveCount(0)
  await page.getByRole('link', { name: 'night indigo' }).click()
  await expect(page.getByText('This lot comes on Sun 14 Mar only.')).toBeVisible()
  await saving(page, () => page.getByRole('button', { name: 'It is here' }).click())
  // 5 g and the pack of 50 g.
  await expect(answer(page)).toContainText('night indigo: 55 g in store, 7.7 g reserved for the season.')
})

test('a lot is put in, recalled, and not counted on any more', async ({ page }) => {
  await page.goto(`${workshop.url}/stores`)
  await page.getByRole('link', { name: 'Cocoa butter' }).first().click()
  await expect(answer(page)).toContainText('230 g missing for Malachite: order 500 g by Sat 3 Apr')
  await page.getByTestId('add-lot').click()
  const lot = page.getByTestId('lot-')
  await saving(page, () => type(page, 'Came', '1 kg', lot))
  await expect(answer(page)).not.toContainText('missing')
  await saving(page, () => type(page, 'Lot number', 'B-20', lot))
  const named = page.getByTestId('lot-B-20')
  await saving(page, () => named.getByLabel('Recalled by the supplier').check())
  await expect(named).toContainText('Lot B-20 was recalled by its supplier. Do not use it.')
  await expect(answer(page)).toContainText('230 g missing')
})

test('a table is looked at before it is taken in, and nothing of it is while a line cannot be read', async ({
  page,
}) => {
  await page.goto(`${workshop.url}/stores`)
  const file = page.getByTestId('stores-file')
  const heading = 'kind\tname\tlot\treceived\tamount'
  await file.getByLabel('Or paste a table here').fill(`${heading}\ncolourant\tcoal\tQ\t2027-03-01\tsome`)
  await file.getByTestId('look-pasted').click()
  await expect(file.getByText('Line 2: “some” in amount')).toBeVisible()
  await expect(file.getByTestId('take-stores')).toBeDisabled()
  await file.getByLabel('Or paste a table here').fill(`${heading}\ncolourant\tcoal\tQ\t2027-03-01\t1 1/2 oz`)
  await file.getByTestId('look-pasted').click()
  await expect(file.getByRole('row', { name: /coal/ })).toContainText('new ingredient')
  await file.getByTestId('take-stores').click()
  await expect(file.getByTestId('stores-changes')).toHaveCount(0)
  await expect(page.getByRole('row', { name: /coal/ })).toContainText('42.5 g')

  const download = page.waitForEvent('download')
  await file.getByTestId('save-stores').click()
  const saved = await (await download).createReadStream()
  const text = (await saved.toArray()).join('')
  expect(text).toContain('coal,,Q,2027-03-01,,42.5243 g')
  // The file the stores wrote changes nothing when it is read again.
  await file.getByLabel('Or paste a table here').fill(text)
  await file.getByTestId('look-pasted').click()
  await expect(file.getByText('This changes nothing')).toBeVisible()
})
