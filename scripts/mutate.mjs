// npm run mutate [-- FOLDER …] [--list] [--every=N]: how many small faults in core its tests notice, or, where all would
// take too long, every Nth of them. A hunt for weak tests, no test itself.
import { build } from 'esbuild'
import { fork } from 'node:child_process'
import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { home, install } from './prepare.mjs'
import { withMutants } from './mutation/mutants.mjs'

install()
const usual = ['recipe', 'batch', 'season', 'cutting', 'cure', 'release']
const options = process.argv.slice(2).filter((one) => one.startsWith('--'))
const wanted = process.argv.slice(2).filter((one) => !one.startsWith('--'))
const shows = options.includes('--list')
const every = Number(options.find((one) => one.startsWith('--every='))?.slice('--every='.length) ?? 1)
/** A mutant that takes so long has made a loop without an end, ms; or so many times as long as all tests without any. */
const longestMs = 60_000
const longestRuns = 5

/** Our own packages go into the bundle; all others are found where they are installed. */
const ownPackagesOnly = {
  name: 'own-packages-only',
  setup({ onResolve }) {
    onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
      kind === 'entry-point' || path.startsWith('@vendange/') ? undefined : { path, external: true },
    )
  },
}

const filesIn = (folder, ending) =>
  readdirSync(folder, { recursive: true })
    .map(String)
    .filter((name) => name.endsWith(ending))
    .map((name) => join(folder, name))

async function bundleOf(folder, out) {
  const mutants = []
  const sources = join(home, 'core/src', folder)
  const specs = filesIn(join(home, 'core/test', folder), '.spec.ts')
  await build({
    stdin: {
      contents: specs.map((spec, at) => `export * as spec${at} from ${JSON.stringify(spec)}`).join('\n'),
      resolveDir: home,
    },
    outfile: out,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    plugins: [
      ownPackagesOnly,
      {
        name: 'mutants',
        setup({ onLoad }) {
          onLoad({ filter: /\.ts$/ }, ({ path }) => {
            if (!path.startsWith(sources + '/')) return undefined
            const made = withMutants(relative(home, path), readFileSync(path, 'utf8'), mutants.length + 1)
            mutants.push(...made.mutants)
            return { contents: made.text, loader: 'ts' }
          })
        },
      },
    ],
  })
  return mutants
}

/** Runs the runner until it is through, or stops it once a mutant takes too long. @returns the mutant it hung on */
function runRunner(bundle, list, onMessage, endAfterMs = longestMs) {
  return new Promise((resolve) => {
    const child = fork(join(home, 'scripts/mutation/runner.mjs'), [bundle, list], { cwd: home, silent: true })
    let current
    let clock
    child.stderr.on('data', (chunk) => process.stderr.write(chunk))
    child.on('message', (message) => {
      clearTimeout(clock)
      onMessage(message)
      current = message.kind === 'begin' ? message.id : undefined
      if (current !== undefined) clock = setTimeout(() => child.kill('SIGKILL'), endAfterMs)
    })
    child.on('exit', () => {
      clearTimeout(clock)
      resolve(current)
    })
  })
}

async function mutateFolder(folder) {
  const work = mkdtempSync(join(home, 'node_modules/.mutate-'))
  try {
    const bundle = join(work, 'specs.mjs')
    const list = join(work, 'list.json')
    const mutants = (await bundleOf(folder, bundle)).filter(({ id }) => id % every === 0)
    writeFileSync(list, JSON.stringify({ ids: [], from: 0 }))
    let coverage
    await runRunner(bundle, list, (message) => {
      if (message.kind === 'coverage') coverage = message
    })
    if (!coverage || coverage.failed.length > 0)
      throw new Error([`The tests of ${folder} fail without any mutant`, ...(coverage?.failed ?? [])].join('\n'))
    const reached = new Set(coverage.byTest.flat())
    const ids = mutants.map(({ id }) => id).filter((id) => reached.has(id))
    const killed = new Set()
    for (let from = 0; ids.some((id) => id >= from);) {
      writeFileSync(list, JSON.stringify({ ids, from, coverage: coverage.byTest, order: coverage.order }))
      const told = (message) => {
        if (message.kind === 'end' && message.isKilled) killed.add(message.id)
      }
      const hung = await runRunner(bundle, list, told, Math.max(longestMs, longestRuns * coverage.tookMs))
      if (hung === undefined) break
      // A loop without an end is noticed by whoever waits for it.
      killed.add(hung)
      from = hung + 1
    }
    const lived = mutants.filter(({ id }) => !killed.has(id))
    const score = mutants.length === 0 ? 1 : killed.size / mutants.length
    const unreached = mutants.length - ids.length
    console.log(
      `${folder}: ${(score * 100).toFixed(1)} % of ${mutants.length} mutants${every > 1 ? `, each ${every}th,` : ''} noticed (${lived.length} lived, ${unreached} of them never reached)`,
    )
    if (shows)
      for (const { id, file, line, from, to } of lived)
        console.log(
          `  ${file}:${line}  ${from.slice(0, 70)}  →  ${to.slice(0, 70)}${reached.has(id) ? '' : '  (never reached)'}`,
        )
    return { all: mutants.length, killed: killed.size }
  } finally {
    rmSync(work, { recursive: true, force: true })
  }
}

const totals = { all: 0, killed: 0 }
for (const folder of wanted.length > 0 ? wanted : usual) {
  const { all, killed } = await mutateFolder(folder)
  totals.all += all
  totals.killed += killed
}
console.log(`Together: ${((totals.killed / Math.max(1, totals.all)) * 100).toFixed(1)} % of ${totals.all}`)
