// Starts the server, bundled anew, and stays until it ends.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { home } from './prepare.mjs'

/** @param server the folder of the bundled server */
export function serve(server, env) {
  const child = spawn(process.execPath, ['--enable-source-maps', join(server, 'main.js')], {
    cwd: home,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  })
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal))
  child.on('exit', (code) => process.exit(code ?? 0))
}
