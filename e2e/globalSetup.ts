import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { bundleServer } from '../scripts/bundle.mjs'

/**
 * Bundles the server and fills one demo workshop, once for all journeys: each starts from a copy of its file.
 * The workers find both by the environment.
 */
export default async function globalSetup(): Promise<() => void> {
  const bundle = await bundleServer()
  const demo = mkdtempSync(join(tmpdir(), 'vendange-demo-'))
  const { status, stderr } = spawnSync(process.execPath, [join(bundle, 'demo/main.js')], {
    env: { ...process.env, VENDANGE_DATA: demo },
    encoding: 'utf8',
  })
  if (status !== 0) throw new Error(stderr)
  process.env['VENDANGE_E2E_SERVER'] = join(bundle, 'main.js')
  process.env['VENDANGE_E2E_DEMO'] = demo
  return () => rmSync(demo, { recursive: true, force: true })
}
