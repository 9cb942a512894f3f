// Starts the server and stays until it ends.
import { spawn } from 'node:child_process'
import { home } from './prepare.mjs'

export function serve(env) {
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
    cwd: home,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  })
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
  server.on('exit', (code) => process.exit(code ?? 0))
}
