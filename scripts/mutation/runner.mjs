// Runs the specs of a bundle once for each mutant, in a process of its own that may be ended when a mutant never returns.
import Mocha from 'mocha'
import { readFileSync } from 'node:fs'
import { pathToFileURL } from 'node:url'

const [bundle, listFile] = process.argv.slice(2)
const { ids, from, coverage, order } = JSON.parse(readFileSync(listFile, 'utf8'))

let active = 0
let reached
globalThis.__mutant = (id) => {
  reached?.add(id)
  return id === active
}

const mocha = new Mocha({ timeout: 60_000, reporter: class {}, bail: true })
mocha.cleanReferencesAfterRun(false)
mocha.suite.emit('pre-require', globalThis, bundle, mocha)
await import(pathToFileURL(bundle).href)

const tests = []
mocha.suite.eachTest((test) => tests.push(test))
const suites = mocha.suite.suites
const failed = []
const run = () =>
  new Promise((resolve) => {
    mocha.run(resolve).on('fail', (test, error) => failed.push(`${test.fullTitle()}: ${error.message}`))
  })
const tell = (message) => new Promise((resolve) => process.send(message, resolve))

if (coverage === undefined) {
  const byTest = []
  mocha.suite.beforeEach(() => (reached = new Set()))
  mocha.suite.afterEach(function () {
    byTest[tests.indexOf(this.currentTest)] = [...reached]
    reached = undefined
  })
  const begunMs = performance.now()
  await run()
  const tookMs = performance.now() - begunMs
  const msOf = (suite) => {
    let sum = 0
    suite.eachTest(({ duration }) => (sum += duration ?? 0))
    return sum
  }
  const order = suites.map((_, index) => index).sort((a, b) => msOf(suites[a]) - msOf(suites[b]))
  await tell({ kind: 'coverage', failed, tookMs, order, byTest: tests.map((_, index) => byTest[index] ?? []) })
} else {
  // The first failure ends a run, and most mutants fail in a quick suite already.
  mocha.suite.suites = order.map((index) => suites[index])
  const sets = coverage.map((list) => new Set(list))
  for (const id of ids) {
    if (id < from) continue
    await tell({ kind: 'begin', id })
    tests.forEach((test, index) => (test.pending = !sets[index].has(id)))
    active = id
    const failures = await run()
    active = 0
    await tell({ kind: 'end', id, isKilled: failures > 0 })
  }
}
process.exit(0)
