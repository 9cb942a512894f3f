// The server as plain JavaScript, so that starting it need not compile it again.
import { build } from 'esbuild'
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
