import { createClient as openFile } from '@libsql/client'
import { expect } from '@playwright/test'
import { join } from 'node:path'
import { answer, saving, type } from './hands'
import { WorkshopProcess } from './server'
import { test } from './tablet'

const today = '2027-03-08'
const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start(today)
})
test.afterAll(() => workshop.dispose())

test('a backup is put back with one button, and undone with another', async ({ page }) => {
  await page.goto(`${workshop.url}/workshop`)
  await page.getByTestId('keep-backup').click()
  await expect(page.getByTestId('backup')).toHaveCount(1)
  await expect(page.getByTestId('backup')).toContainText('kept by hand')
  const name = page.getByRole('textbox', { name: 'Name' }).first()
  await name.fill('Another name')
  await expect(page.locator('header')).toContainText('Another name')
  await page.getByRole('button', { name: /^Put back the backup of / }).click()
  await expect(page.locator('header')).toContainText('Quillon Lane')
  await expect(page.getByTestId('backup')).toHaveCount(2)
  await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect(page.locator('header')).toContainText('Another name')
})

test('a damaged record is told on the plan, named, and mended on its page', async ({ page }) => {
  await workshop.kill()
  const file = openFile({ url: `file:${join(workshop.folder, 'vendange.sqlite')}` })
  await file.execute("UPDATE moulds SET cavity_count = 9007199254740993 WHERE name = 'Tall loaf'")
  file.close()
  await workshop.start(today)
  await page.goto(`${workshop.url}/plan`)
  await expect(answer(page)).not.toBeEmpty()
  await page.getByTestId('told-damaged').getByRole('link').click()
  const panel = page.getByTestId('damaged')
  await expect(panel).toContainText('1 damaged record')
  await expect(panel).toContainText('Cavity count: 9007199254740993')
  await panel.getByRole('link', { name: 'Tall loaf' }).click()
  await expect(answer(page)).not.toBeEmpty()
  await saving(page, () => type(page, 'Fill height', '80'))
  await page.goto(`${workshop.url}/workshop`)
  await expect(page.getByTestId('backups')).toBeVisible()
  await expect(page.getByTestId('damaged')).toHaveCount(0)
})
