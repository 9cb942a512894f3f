import type { ChildProcess } from 'node:child_process'
import { spawn, spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const home = fileURLToPath(new URL('..', import.meta.url))

/** A server of its own process over a database in a folder of its own. */
export class WorkshopProcess {
  readonly folder = mkdtempSync(join(tmpdir(), 'vendange-e2e-'))
  private child: ChildProcess | undefined
  private port = 0

  get url(): string {
    return `http://127.0.0.1:${this.port}`
  }

  /** Fills the database with the demo's scenario. */
  seedDemo(): void {
    const env = { ...process.env, VENDANGE_DATA: this.folder }
    const { status, stderr } = spawnSync(process.execPath, ['--import', 'tsx', 'server/src/demo/main.ts'], {
      cwd: home,
      env,
      encoding: 'utf8',
    })
    if (status !== 0) throw new Error(stderr)
  }

  /** Starts it on a frozen day, on the port it had before. */
  async start(today: string): Promise<void> {
    const env = { ...process.env, VENDANGE_DATA: this.folder, VENDANGE_TODAY: today, VENDANGE_PORT: String(this.port) }
    const child = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
      cwd: home,
      env,
      stdio: ['ignore', 'pipe', 'inherit'],
    })
    this.child = child
    await new Promise<void>((resolve, reject) => {
      child.once('exit', (code) => reject(new Error(`The server ended with ${String(code)} before it was open`)))
      child.stdout.on('data', (chunk: Buffer) => {
        const port = /127\.0\.0\.1:(\d+)/.exec(chunk.toString())?.[1]
        if (port === undefined) return
        this.port = Number(port)
        resolve()
      })
    })
  }

  /** Ends it as a power cut would. */
  kill(): Promise<void> {
    return this.end('SIGKILL')
  }

  stop(): Promise<void> {
    return this.end('SIGTERM')
  }

  async goOnOn(today: string): Promise<void> {
    await this.stop()
    await this.start(today)
  }

  async dispose(): Promise<void> {
    await this.stop()
    rmSync(this.folder, { recursive: true, force: true })
  }

  private async end(signal: 'SIGKILL' | 'SIGTERM'): Promise<void> {
    const { child } = this
    if (!child || child.exitCode !== null || child.signalCode !== null) return
    child.removeAllListeners('exit')
    const gone = new Promise((resolve) => child.once('exit', resolve))
    child.kill(signal)
    await gone
  }
}
