import type { ChildProcess } from 'node:child_process'
import { spawn } from 'node:child_process'
import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** A path that was made once before all journeys: see globalSetup. */
function madeBefore(name: string): string {
  const path = process.env[name]
  if (path === undefined) throw new Error(`Expected ${name} to be made before the journeys`)
  return path
}

/** A server of its own process over a database in a folder of its own. */
export class WorkshopProcess {
  readonly folder = mkdtempSync(join(tmpdir(), 'vendange-e2e-'))
  private child: ChildProcess | undefined
  private port = 0

  get url(): string {
    return `http://127.0.0.1:${this.port}`
  }

  /** Takes a copy of the demo's workshop. */
  seedDemo(): void {
    cpSync(madeBefore('VENDANGE_MADE_DEMO'), this.folder, { recursive: true })
  }

  /** Starts it on a frozen day, on the port it had before. */
  async start(today: string, more: Readonly<Record<string, string>> = {}): Promise<void> {
    const env = {
      ...process.env,
      ...more,
      VENDANGE_DATA: this.folder,
      VENDANGE_TODAY: today,
      VENDANGE_PORT: String(this.port),
      VENDANGE_INSTRUMENT_MS: '60',
      // No journey waits for what is made ready for later; that would only take the processor from the others.
      VENDANGE_FIRST_PAGES_MS: String(24 * 3600_000),
    }
    const child = spawn(process.execPath, [madeBefore('VENDANGE_MADE_SERVER')], {
      env,
      stdio: ['ignore', 'pipe', 'inherit'],
    })
    this.child = child
    await new Promise<void>((resolve, reject) => {
      child.once('exit', (code) => reject(new Error(`The server ended with ${String(code)} before it was open`)))
      child.stdout.on('data', (chunk: Buffer) => {
        // What the server logs is its own fault: it is told wherever it comes up.
        if (chunk.includes('{"level":')) console.error(chunk.toString())
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
