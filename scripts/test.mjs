// npm test: types, lint, architecture rules, unit and API tests, journeys in the browser.
// The last line is "N passed, N failed"; the exit code says the same.
import { spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ensureChromium } from './chromium.mjs'
import { ensureNetworks } from './debian.mjs'
import { home, install, run } from './prepare.mjs'

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : undefined)

install()
if (ensureChromium() === undefined) {
  console.error('The journeys need Debian’s Chromium: apt-get install chromium-headless-shell, or chromium')
  console.log('0 passed, 1 failed')
  process.exit(1)
}
ensureNetworks()
const folder = mkdtempSync(join(tmpdir(), 'vendange-test-'))
let passed = 0
let failed = 0
/** What failed, told once more at the end, where it is seen. */
const failures = []
const begunMs = Date.now()
/** How far into the run it is: what takes long is seen where it is told. */
const after = () => `after ${Math.round((Date.now() - begunMs) / 1000)} s`

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
  console.log(`\n${name}: ${code === 0 ? 'passed' : 'failed'}, ${after()}\n${said}`)
  if (code === 0) passed += 1
  else {
    failed += 1
    failures.push(`${name}\n${said.slice(-2000)}`)
  }
}

/** The tests of some rooms: those of all but the ones that are left out. */
async function units(name, leftOut) {
  const mochaReport = join(folder, `${leftOut.join('-')}.json`)
  const { code, said } = await runAside(
    'npx',
    [
      'mocha',
      ...leftOut.flatMap((room) => ['--ignore', `${room}/test/**`]),
      ...['--reporter', 'json', '--reporter-option', `output=${mochaReport}`],
    ],
    { VENDANGE_QUIET: '1', ...(await made) },
  )
  const mocha = read(mochaReport)
  console.log(`\n${name}: ${mocha?.stats.passes ?? 0} passed, ${mocha?.stats.failures ?? 1} failed, ${after()}`)
  for (const { fullTitle, err } of mocha?.failures ?? [])
    failures.push(`${fullTitle}\n    ${err.message}\n${err.stack ?? ''}`)
  if (!mocha) failures.push(`${name}\n${said.slice(-2000)}`)
  passed += mocha?.stats.passes ?? 0
  failed += mocha?.stats.failures ?? 1
  if (code !== 0 && (mocha?.stats.failures ?? 0) === 0) failed += 1
}

// What it is bundled with has just been installed.
const { makeForTests } = await import('./bundle.mjs')
const made = makeForTests()
// Two lanes for two cores, the longest first; what a lane says is told when it is through.
const waiting = [
  () => units('Units and API of server and pages', ['core', 'words', 'contract']),
  () => check('Lint', 'lint'),
  () => units('Units of core, words and contract', ['server', 'web', 'campaign', 'bench']),
  () => check('Types of pages', 'types:pages'),
  () => check('Types of rooms', 'types:rooms'),
  () => check('Architecture', 'rules'),
  () => check('Build', 'build'),
]
async function lane() {
  for (let next = waiting.shift(); next; next = waiting.shift()) await next()
}
await Promise.all([lane(), lane()])

console.log(`\nJourneys, ${after()}`)
const playwrightReport = join(folder, 'playwright.json')
const playwrightCode = run('npx', ['playwright', 'test', '--config', 'e2e/playwright.config.ts'], {
  PLAYWRIGHT_JSON_OUTPUT_NAME: playwrightReport,
  ...(await made),
})
const journeys = read(playwrightReport)?.stats
passed += journeys?.expected ?? 0
failed += journeys ? journeys.unexpected + journeys.flaky + journeys.skipped : 1
if (playwrightCode !== 0 && failed === 0) failed += 1

for (const one of [folder, (await made).VENDANGE_MADE_DEMO]) rmSync(one, { recursive: true, force: true })
for (const failure of failures) console.log(`\nFailed: ${failure}`)
console.log(`\nDone ${after()}`)
console.log(`${passed} passed, ${failed} failed`)
process.exitCode = failed === 0 ? 0 : 1
