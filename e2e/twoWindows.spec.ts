import type { Page } from '@playwright/test'
import { expect } from '@playwright/test'
import { saving, type } from './hands'
import { WorkshopProcess } from './server'
import { test } from './tablet'
import { mainViews } from './views'

const workshop = new WorkshopProcess()
let paths: Awaited<ReturnType<typeof mainViews>>
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
  paths = await mainViews(workshop.url)
})
test.afterAll(() => workshop.dispose())

/** What one changes, the other shows within so long, ms. */
const seenMs = 2000
const soon = expect.configure({ timeout: seenMs })

/** Opens a page and waits until it hears of changes. */
async function listening(page: Page, path: string): Promise<void> {
  const heard = page.waitForResponse((response) => response.url().endsWith('/api/changes'))
  await page.goto(workshop.url + path)
  await heard
}

test('what one window changes, the other shows within two seconds, and keeps what is being typed into it', async ({
  page,
  context,
}) => {
  const other = await context.newPage()
  await listening(page, paths.mould)
  await other.goto(workshop.url + paths.mould)
  const of = (window: Page, label: string) => window.getByLabel(label, { exact: true })
  await expect(of(other, 'Name')).not.toHaveValue('')

  // Nobody is typing here: it shows what the other typed.
  await saving(other, () => type(other, 'Name', 'Loaf by the window'))
  await soon(of(page, 'Name')).toHaveValue('Loaf by the window')

  // Half typed, and not yet to be read: it stays, whatever the other saves.
  await of(page, 'Inner width').fill('81 and')
  await saving(other, () => type(other, 'Inner width', '83 mm'))
  await saving(other, () => type(other, 'Name', 'Loaf by the door'))
  await page.waitForTimeout(seenMs)
  await expect(of(page, 'Inner width')).toHaveValue('81 and')
  // Once it can be read, both widths are shown, and the maker chooses.
  await type(page, 'Inner width', '81 mm')
  const conflict = page.getByTestId('conflict')
  await expect(conflict.getByRole('row', { name: /^Width/ })).toContainText('81')
  await expect(conflict.getByRole('row', { name: /^Width/ })).toContainText('83')
  await page.getByTestId('settle').click()
  await soon(of(other, 'Inner width')).toHaveValue('81 mm')

  // A record of a loaf: what another screen writes down stands in it, beside a note that is being typed.
  await listening(page, paths.loaf)
  await of(page, 'Note').fill('smells of the')
  await other.goto(workshop.url + paths.loaf)
  await of(other, 'Note').fill('A lamp was left on in the cure room')
  await other.getByRole('button', { name: 'Write it down' }).click()
  await soon(page.getByText('A lamp was left on in the cure room')).toBeVisible()
  await expect(of(page, 'Note')).toHaveValue('smells of the')
  await other.close()
})

test('a window that was out of sight, or cut off, catches up by itself', async ({ page, context }) => {
  await listening(page, paths.plan)
  await workshop.kill()
  await workshop.start('2027-03-08')
  const other = await context.newPage()
  await other.goto(workshop.url + paths.collection)
  await saving(other, () => type(other, 'Name', 'Night Train home'))
  // The browser takes a broken connection up again after some seconds.
  await expect(page.getByText('Night Train home').first()).toBeVisible({ timeout: 15_000 })
  await other.close()
})
