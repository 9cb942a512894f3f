import type { Page } from '@playwright/test'
import { expect, test } from '@playwright/test'
import { WorkshopProcess } from './server'
import { mainViewNames, mainViews } from './views'

/** All forms are told that lose something, not only the first. */
const softly = expect.configure({ soft: true, timeout: 8000 })

const workshop = new WorkshopProcess()
test.beforeAll(async () => {
  workshop.seedDemo()
  await workshop.start('2027-03-08')
})
test.afterAll(() => workshop.dispose())

/** What is looked for with, not filled in: it is as it should be that the next look starts afresh. */
const searches: readonly string[] = [
  'Scent',
  'Look for',
  'Soap, lot or buyer',
  'Soap or lot',
  'Ingredient or lot',
  'Happened from',
  'Happened until',
  'Came from',
  'Came until',
  'Soap, lot or word',
  'Soap, lot or ingredient',
  'Poured from',
  'Poured until',
  'Sold from',
  'Sold until',
]

/** Fields that something is typed into: their label, and what stands in them. What is secret is kept nowhere. */
const fields = (page: Page) =>
  page.locator(
    'main :is(input, textarea):not([type=checkbox], [type=radio], [type=file], [type=color], [type=password], [readonly], [disabled], [role=combobox], .v-select input, .v-autocomplete input, [aria-hidden=true])',
  )

interface Typed {
  readonly label: string
  readonly value: string
}

async function valuesOf(page: Page): Promise<readonly Typed[]> {
  const found = await fields(page).evaluateAll((all) =>
    all
      .filter((one) => (one as HTMLElement).offsetParent !== null)
      .map((one) => {
        const input = one as HTMLInputElement
        const label = input.labels?.[0]?.textContent?.trim() ?? input.getAttribute('aria-label') ?? ''
        return { label, value: input.value }
      }),
  )
  return found.filter(({ label }) => !searches.includes(label))
}

/** Types something that no quantity and no day can be into every field that takes it, one after the other. */
async function typeEverywhere(page: Page, words: string): Promise<void> {
  await fields(page).evaluateAll(async (all, text) => {
    const write = (field: HTMLInputElement | HTMLTextAreaElement, value: string): void => {
      const of = field instanceof HTMLInputElement ? HTMLInputElement : HTMLTextAreaElement
      field.focus()
      Object.getOwnPropertyDescriptor(of.prototype, 'value')?.set?.call(field, value)
      field.dispatchEvent(new Event('input', { bubbles: true }))
      field.blur()
    }
    for (const one of all) {
      const field = one as HTMLInputElement
      if (field.offsetParent === null) continue
      write(field, field.type === 'time' ? '03:07' : text)
      // A hand is never so fast that the page has not taken the one before in.
      await new Promise((resolve) => setTimeout(resolve))
    }
  }, words)
}

test('a page that is reloaded in the middle of typing has all of it again', async ({ page }) => {
  const paths = await mainViews(workshop.url)
  await page.goto(workshop.url + paths.mould)
  const length = page.getByLabel('Inner length', { exact: true })
  // Held back from saving from the first key on.
  await page.getByLabel('Inner width', { exact: true }).fill('80 and')
  await page.getByLabel('Name', { exact: true }).fill('Half typed')
  await length.fill('9 in')
  await page.reload()
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Half typed')
  await expect(length).toHaveValue('228.6 mm')
  await expect(page.getByLabel('Inner width', { exact: true })).toHaveValue('80 and')
})

test('every form in the application keeps what was typed into it, readable or not, when its page is left', async ({
  page,
}) => {
  test.setTimeout(300_000)
  const paths = await mainViews(workshop.url)
  const tried: string[] = []
  for (const name of mainViewNames) {
    // The pour plan has its fields behind a move; it saves with its soap, whose form is tried.
    await page.goto(workshop.url + paths[name])
    await expect(page.getByRole('heading').first()).not.toBeEmpty()
    await page.waitForTimeout(400)
    if ((await valuesOf(page)).length === 0) continue
    await typeEverywhere(page, `${name} 7 zz`)
    const typed = await valuesOf(page)
    expect(typed.filter(({ value }) => value.includes('7 zz')).length, `${name}: something was typed`).toBeGreaterThan(
      0,
    )
    tried.push(name)
    // Left at once, by a click within the page; the bench has its own way out.
    await (
      name === 'bench' ? page.getByRole('link', { name: 'Leave' }) : page.getByRole('link', { name: 'Vendange' })
    ).click()
    await expect(page).not.toHaveURL(workshop.url + paths[name])
    await page.goto(workshop.url + paths[name])
    await softly
      .poll(async () => (await valuesOf(page)).map(({ label, value }) => `${label}: ${value}`), {
        message: `${name}: what was typed stands there again`,
      })
      .toEqual(typed.map(({ label, value }) => `${label}: ${value}`))
    await page.evaluate(() => localStorage.clear())
  }
  expect(tried.length).toBeGreaterThan(10)
})
