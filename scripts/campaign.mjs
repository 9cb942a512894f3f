// npm run campaign [-- PART [COUNT [SEED]]]: hostile requests, kills, archives and backups; hours of them, and no test.
import { ensureChromium } from './chromium.mjs'
import { build, install, must } from './prepare.mjs'

install()
build()
ensureChromium()
must(process.execPath, ['--import', 'tsx', 'campaign/main.ts', ...process.argv.slice(2)])
