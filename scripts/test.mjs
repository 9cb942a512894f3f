// npm test: types, lint, architecture rules, unit and API tests, journeys in the browser.
// The last line is "N passed, N failed"; the exit code says the same.
import { spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build, home, install, run } from './prepare.mjs'

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

/** Runs a command beside others and keeps what it says until it is told. */
function runAside(command, args, env = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: home,
      env: { ...process.env, ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    const said = []
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => said.push(chunk))
    child.on('error', (error) => resolve({ code: 1, said: error.message }))
    child.on('close', (code) => resolve({ code: code ?? 1, said: Buffer.concat(said).toString() }))
  })
}

async function check(name, script) {
  const { code, said } = await runAside('npm', ['run', '--silent', script])
  console.log(`\n${name}: ${code === 0 ? 'passed' : 'failed'}\n${said}`)
  if (code === 0) passed += 1
  else failed += 1
}

async function units() {
  const mochaReport = join(folder, 'mocha.json')
  const { code, said } = await runAside(
    'npx',
    ['mocha', '--reporter', 'json', '--reporter-option', `output=${mochaReport}`],
    { VENDANGE_QUIET: '1' },
  )
  const mocha = read(mochaReport)
  console.log(`\nUnits and API: ${mocha?.stats.passes ?? 0} passed, ${mocha?.stats.failures ?? 1} failed`)
  for (const { fullTitle, err } of mocha?.failures ?? [])
    console.error(`  failed: ${fullTitle}\n    ${err.message}\n${err.stack ?? ''}`)
  if (!mocha) console.error(said)
  passed += mocha?.stats.passes ?? 0
  failed += mocha?.stats.failures ?? 1
  if (code !== 0 && (mocha?.stats.failures ?? 0) === 0) failed += 1
}

// Two lanes for two cores; what a lane says is told when it is through.
await Promise.all([
  check('Lint', 'lint').then(() => check('Architecture', 'rules')),
  check('Types', 'types').then(units),
])

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
