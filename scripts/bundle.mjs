// The server as plain JavaScript, so that starting it need not compile it again.
import { build } from 'esbuild'
import { spawn } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { home } from './prepare.mjs'

/** What is built for this machine, or reads files beside itself, stays where it is installed; all others go in. */
const installedOnly = ['@libsql/client', 'highs', 'pdfmake']

/** Bundles the server and the maker of the demo. @returns the folder in which `main.js` and `demo/main.js` stand */
export async function bundleServer() {
  const outdir = join(home, 'server/dist')
  await build({
    entryPoints: ['main.ts', 'thread.ts', 'demo/main.ts'].map((entry) => join(home, 'server/src', entry)),
    outbase: join(home, 'server/src'),
    outdir,
    bundle: true,
    // What the server and its threads share stands once; what a thread needs only now and then is read then.
    splitting: true,
    chunkNames: 'parts/[name]-[hash]',
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: 'linked',
    external: installedOnly,
    // Packages of the older kind ask for Node's own by a function that a module has not.
    banner: {
      js: "import { createRequire as requireFor } from 'node:module'; const require = requireFor(import.meta.url);",
    },
  })
  return outdir
}

/**
 * Bundles the server and fills one demo workshop, once for all tests: each starts from a copy of its file.
 *
 * @returns what tells them where both are, for their environment
 */
export async function makeForTests() {
  const server = await bundleServer()
  const demo = mkdtempSync(join(tmpdir(), 'vendange-demo-'))
  const code = await new Promise((resolve) => {
    const env = { ...process.env, VENDANGE_DATA: demo }
    spawn(process.execPath, [join(server, 'demo/main.js')], { env, stdio: ['ignore', 'ignore', 'inherit'] }).on(
      'close',
      resolve,
    )
  })
  if (code !== 0) throw new Error(`The demo was not made: ${String(code)}`)
  return { VENDANGE_MADE_SERVER: join(server, 'main.js'), VENDANGE_MADE_DEMO: demo }
}
