import { chromiumForPictures } from '../scripts/chromium.mjs'
import config from './playwright.config'

const launchOptions = { ...config.use?.launchOptions, executablePath: chromiumForPictures() ?? 'chromium' }

export default { ...config, testMatch: 'shots.ts', reporter: 'list' as const, use: { ...config.use, launchOptions } }
