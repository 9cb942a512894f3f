import type { Dialog, Page } from '@playwright/test'
import type { SeasonView } from '@vendange/contract'
import { send } from './send'

const plainPages = [
  '/plan',
  '/calendar',
  '/formulate',
  '/pour',
  '/cut',
  '/cure',
  '/release',
  '/stores',
  '/notebook',
  '/workshop',
]

/** Addresses of the main pages, and of some things of the workshop as it stands. */
async function pagesOf(url: string): Promise<readonly string[]> {
  const { bytes } = await send(url, { method: 'GET', path: '/api/season', headers: {} })
  const season = JSON.parse(bytes.toString()) as SeasonView
  const last = <T extends { readonly id: string; readonly isRemoved?: boolean }>(
    things: readonly T[],
    path: string,
  ) => {
    const thing = things.filter(({ isRemoved }) => isRemoved !== true).at(-1)
    return thing ? [`${path}/${thing.id}`] : []
  }
  return [
    ...plainPages,
    ...last(season.collections, '/plan'),
    ...last(season.designs, '/soaps'),
    ...last(season.orders, '/orders'),
    ...last(season.recipes, '/formulate'),
    ...last(season.batches, '/pour'),
    ...last(season.moulds, '/stores/moulds'),
    ...last(season.loaves, '/loaves'),
    ...last(season.loaves, '/release'),
    ...last(season.batches, '/bench'),
  ]
}

/**
 * Opens the main pages in a tab, which keeps what it has learned of the app.
 *
 * @returns those that did not come up, each with why
 */
export async function brokenPages(page: Page, url: string): Promise<readonly string[]> {
  const broken: string[] = []
  let faults: string[] = []
  const onFault = (error: Error): number => faults.push(error.message)
  const onDialog = (dialog: Dialog): void => {
    faults.push(`It opened a dialog: ${dialog.message()}`)
    void dialog.dismiss()
  }
  page.on('pageerror', onFault)
  page.on('dialog', onDialog)
  for (const path of await pagesOf(url)) {
    faults = []
    try {
      await page.goto(url + path, { waitUntil: 'domcontentloaded', timeout: 20_000 })
      await page.locator('h1').first().waitFor({ timeout: 10_000 })
    } catch (error) {
      faults.push(error instanceof Error ? (error.message.split('\n')[0] ?? '') : String(error))
    }
    broken.push(...faults.map((fault) => `${path}: ${fault}`))
  }
  page.off('pageerror', onFault)
  page.off('dialog', onDialog)
  return broken
}
