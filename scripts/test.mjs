// npm test: types, lint, architecture rules, unit and API tests, journeys in the browser.
// The last line is "N passed, N failed"; the exit code says the same.
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build, install, run } from './prepare.mjs'

const chromium = '/usr/bin/chromium'

function ensureChromium() {
  if (existsSync(chromium)) return
  console.log('Installing Chromium …')
  const canInstall = process.platform === 'linux' && process.getuid?.() === 0
  if (canInstall && run('apt-get', ['update', '-qq']) === 0)
    run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'])
  if (existsSync(chromium)) return
  console.error('The journeys need Debian’s Chromium at /usr/bin/chromium: apt-get install chromium')
  console.log('0 passed, 1 failed')
  process.exit(1)
}

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : undefined)

install()
ensureChromium()
const folder = mkdtempSync(join(tmpdir(), 'vendange-test-'))
let passed = 0
let failed = 0

for (const [name, args] of [
  ['Types', ['run', '--silent', 'types']],
  ['Lint', ['run', '--silent', 'lint']],
  ['Architecture', ['run', '--silent', 'rules']],
]) {
  console.log(`\n${name}`)
  if (run('npm', args) === 0) passed += 1
  else failed += 1
}

console.log('\nUnits and API')
const mochaReport = join(folder, 'mocha.json')
const mochaCode = run('npx', ['mocha', '--reporter', 'json', '--reporter-option', `output=${mochaReport}`], {
  VENDANGE_QUIET: '1',
})
const mocha = read(mochaReport)
for (const { fullTitle, err } of mocha?.failures ?? [])
  console.error(`  failed: ${fullTitle}\n    ${err.message}\n${err.stack ?? ''}`)
passed += mocha?.stats.passes ?? 0
failed += mocha?.stats.failures ?? 1
if (mochaCode !== 0 && (mocha?.stats.failures ?? 0) === 0) failed += 1
console.log(`  ${mocha?.stats.passes ?? 0} passed, ${mocha?.stats.failures ?? 1} failed`)

console.log('\nJourneys')
build()
const playwrightReport = join(folder, 'playwright.json')
const playwrightCode = run('npx', ['playwright', 'test', '--config', 'e2e/playwright.config.ts'], {
  PLAYWRIGHT_JSON_OUTPUT_NAME: playwrightReport,
})
const journeys = read(playwrightReport)?.stats
passed += journeys?.expected ?? 0
failed += journeys ? journeys.unexpected + journeys.flaky + journeys.skipped : 1
if (playwrightCode !== 0 && failed === 0) failed += 1

rmSync(folder, { recursive: true, force: true })
console.log(`\n${passed} passed, ${failed} failed`)
process.exitCode = failed === 0 ? 0 : 1
