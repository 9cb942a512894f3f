import { defineConfig } from '@playwright/test'
import { findChromium } from '../scripts/chromium.mjs'

/** How the browser is started. */
export const launch = {
  executablePath: findChromium() ?? 'chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  globalSetup: './globalSetup.ts',
  workers: 2,
  // Guards against hanging only: a busy machine may be several times slower than a quiet one.
  timeout: 240_000,
  expect: { timeout: 20_000 },
  retries: 0,
  outputDir: '../test-results',
  reporter: [['list'], ['json']],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    colorScheme: 'light',
    // Nothing waits for a list to glide open; the page itself honours the wish.
    contextOptions: { reducedMotion: 'reduce' },
    trace: 'off',
    // What is kept on the device has a journey of its own.
    serviceWorkers: 'block',
    testIdAttribute: 'data-test',
    launchOptions: launch,
  },
})
