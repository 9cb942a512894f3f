// The server as plain JavaScript, so that starting it need not compile it again.
import { build } from 'esbuild'
import { spawn } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { home } from './prepare.mjs'

/** Our own packages go into the bundle; all others are found where they are installed. */
export const ownPackagesOnly = {
  name: 'own-packages-only',
  setup({ onResolve }) {
    onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
      kind === 'entry-point' || path.startsWith('@vendange/') ? undefined : { path, external: true },
    )
  },
}

/** Bundles the server and the maker of the demo. @returns the folder in which `main.js` and `demo/main.js` stand */
export async function bundleServer() {
  const outdir = join(home, 'server/dist')
  await build({
    entryPoints: [join(home, 'server/src/main.ts'), join(home, 'server/src/demo/main.ts')],
    outbase: join(home, 'server/src'),
    outdir,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: 'inline',
    plugins: [ownPackagesOnly],
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
