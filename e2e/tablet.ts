import type { BrowserContext } from '@playwright/test'
import { test as plain } from '@playwright/test'

/**
 * Journeys of one worker share a browser, as a maker's tablet is one: what it has loaded, compiled and painted it keeps.
 * What a journey has chosen goes with it.
 */
export const test = plain.extend<object, { tablet: { context?: BrowserContext } }>({
  // Made by the first journey, whose wishes for a context are those of all.
  tablet: [
    async ({ browserName: _ }, use) => {
      const tablet: { context?: BrowserContext } = {}
      await use(tablet)
      await tablet.context?.close()
    },
    { scope: 'worker' },
  ],
  context: async ({ tablet, browser }, use) => {
    const context = (tablet.context ??= await browser.newContext())
    await use(context)
    await context.setOffline(false)
    for (const page of context.pages()) {
      // A page that never went anywhere has nothing to forget.
      if (page.url().startsWith('http')) await page.evaluate(() => localStorage.clear())
      await page.close()
    }
  },
})
