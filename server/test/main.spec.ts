import { expect } from 'chai'
import type { ChildProcess } from 'node:child_process'
import { spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { connect, createServer } from 'node:net'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { bundleServer } from '../../scripts/bundle.mjs'

const home = fileURLToPath(new URL('../..', import.meta.url))

describe('the server as a process', () => {
  let folder: string
  let child: ChildProcess | undefined
  let main: string
  // Bundled once for all tests, as a maker starts it.
  before(async () => (main = process.env['VENDANGE_MADE_SERVER'] ?? join(await bundleServer(), 'main.js')))
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'vendange-'))))
  afterEach(() => {
    child?.kill('SIGKILL')
    rmSync(folder, { recursive: true, force: true })
  })

  function start(env: Record<string, string> = {}): ChildProcess {
    child = spawn(process.execPath, [main], {
      cwd: home,
      env: { ...process.env, VENDANGE_DATA: folder, VENDANGE_PORT: '0', VENDANGE_TODAY: '2027-03-08', ...env },
    })
    return child
  }

  /** Waits for the end of the process. */
  function ended(process: ChildProcess): Promise<{ readonly code: number | null; readonly said: string }> {
    let said = ''
    process.stderr?.on('data', (chunk: Buffer) => (said += chunk.toString()))
    return new Promise((resolve) => process.once('close', (code) => resolve({ code, said })))
  }

  function opened(process: ChildProcess): Promise<string> {
    return new Promise((resolve) =>
      process.stdout?.on('data', (chunk: Buffer) => {
        const url = /http:\S+/.exec(chunk.toString())?.[0]
        if (url !== undefined) resolve(url)
      }),
    )
  }

  it('says where it is open, answers there, and ends when asked', async () => {
    const server = start()
    const url = await opened(server)
    expect(url).to.match(/^http:\/\/127\.0\.0\.1:\d+$/)
    expect(await (await fetch(`${url}/api/health`)).json()).to.deep.include({ status: 'ok', today: '2027-03-08' })
    const end = ended(server)
    server.kill('SIGTERM')
    expect((await end).code).to.equal(0)
  })

  it('ends though a browser holds a connection open on which it has asked nothing', async () => {
    const server = start()
    const url = new URL(await opened(server))
    const held = connect(Number(url.port), url.hostname)
    await new Promise((resolve) => held.once('connect', resolve))
    await fetch(new URL('/api/health', url))
    const end = ended(server)
    server.kill('SIGTERM')
    expect((await end).code).to.equal(0)
    held.destroy()
  })

  it('refuses a damaged database with what to do, and leaves it untouched', async () => {
    const file = join(folder, 'vendange.sqlite')
    writeFileSync(file, 'spilled lye '.repeat(500))
    const before = readFileSync(file)
    const { code, said } = await ended(start())
    expect(code).to.equal(2)
    expect(said).to.contain('It was left as it is. Put a backup from the folder “backups” in its place')
    expect(said).not.to.contain('    at ')
    expect(readFileSync(file).equals(before)).to.equal(true)
  })

  it('is refused a folder that another one works in, with where that is; a crash leaves it free', async () => {
    const first = start()
    const url = await opened(first)
    const { code, said } = await ended(start())
    expect(code).to.equal(2)
    expect(said).to.contain(`This workshop is open already: process ${first.pid}, port ${new URL(url).port}`)
    const gone = ended(first)
    first.kill('SIGKILL')
    await gone
    expect(await opened(start())).to.match(/^http/)
  })

  it('refuses an empty file, and makes no workshop of it', async () => {
    writeFileSync(join(folder, 'vendange.sqlite'), '')
    const { code, said } = await ended(start())
    expect([code, said]).to.deep.equal([2, said])
    expect(said).to.contain('is empty: it was cut off')
  })

  it('says so when its port is taken', async () => {
    const other = createServer()
    const port = await new Promise<number>((resolve) =>
      other.listen(0, '127.0.0.1', () => resolve((other.address() as AddressInfo).port)),
    )
    const { code, said } = await ended(start({ VENDANGE_PORT: String(port) }))
    other.close()
    expect(code).to.equal(1)
    expect(said).to.contain(`Vendange cannot listen on 127.0.0.1:${port}`)
  })
}).timeout(60_000)
