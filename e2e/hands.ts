import type { Locator, Page } from '@playwright/test'
import { expect } from '@playwright/test'

/** Does something to a form that saves as you go, and waits until the server has it. */
export async function saving(page: Page, work: () => Promise<unknown>): Promise<void> {
  const put = page.waitForResponse((response) => response.request().method() === 'PUT' && response.ok())
  await work()
  await put
  // A page may hold several forms; all of them have to be through.
  await expect(page.getByTestId('save-state').filter({ hasNotText: /^Saved$/ })).toHaveCount(0)
}

/** Types into the field with this label, as a maker would. */
export async function type(page: Page, label: string, text: string, within: Page | Locator = page): Promise<void> {
  const field = within.getByLabel(label, { exact: true }).first()
  await field.fill(text)
  await field.blur()
}

/** Types one of the choices into a field that knows them, and goes on to the next. */
export async function choose(page: Page, label: string, text: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true }).first()
  await field.fill(text)
  await field.press('Tab')
  await expect(field).toHaveValue(text)
}

/** Picks from the list of a field, until it stands there: a list may move under the hand while the page draws itself anew. */
export async function pick(field: Locator, name: string): Promise<void> {
  const option = field.page().getByRole('option', { name, exact: true })
  await expect(async () => {
    if (!(await option.isVisible())) await field.click()
    await option.click({ timeout: 5000 })
    // The label may hold the same letters: what stands in the field is what was picked.
    await expect(field.locator('.v-field__input').first()).toContainText(name, { timeout: 5000 })
  }).toPass()
}

export const answer = (page: Page) => page.getByRole('heading', { level: 1 })

/** Types a figure at the bench, or the one that is asked for where the step asks for one. */
async function typeReading(page: Page, reading: string | undefined): Promise<void> {
  const field = page.getByTestId('reading').locator('input')
  if (reading !== undefined) return field.fill(reading)
  if ((await field.count()) > 0) await field.fill((await field.getAttribute('placeholder')) ?? '')
}

/** Does the step that is shown at the bench and waits until the next one is: by the figure given, else as it is asked for. */
export async function doStep(page: Page, reading?: string): Promise<void> {
  const before = await page.getByTestId('bench-count').textContent()
  await typeReading(page, reading)
  await page.getByTestId('done').click()
  await expect(page.getByTestId('bench-count').or(page.getByTestId('finish'))).not.toHaveText(before ?? '')
}

/** Does steps as they are asked for until the one with this title. */
export async function doStepsUntil(page: Page, title: string | RegExp): Promise<void> {
  const heading = page.getByRole('heading', { level: 1 })
  for (let step = 0; step < 40; step++) {
    const text = (await heading.textContent()) ?? ''
    if (typeof title === 'string' ? text === title : title.test(text)) return
    await doStep(page)
  }
  throw new Error(`Expected to come to ${String(title)}`)
}
