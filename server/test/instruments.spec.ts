import { endpoints } from '@vendange/contract'
import { parseReading } from '@vendange/core/instruments'
import { expect } from 'chai'
import type { TestWorkshop } from './workshopAtTest'
import { openTestWorkshop, problemOf } from './workshopAtTest'

describe('the stand-ins for scale and probe', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  const tell = (name: string, line: string) =>
    workshop.api(endpoints.instruments.command, { params: { name }, body: { line } })

  /** Reads lines of the stream until one is as wanted. */
  async function linesUntil(name: string, wanted: RegExp): Promise<readonly string[]> {
    const stop = new AbortController()
    const response = await fetch(`${workshop.url}/api/instruments/${name}/lines`, { signal: stop.signal })
    expect(response.headers.get('content-type')).to.equal('text/event-stream')
    const lines: string[] = []
    const decoder = new TextDecoder()
    for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
      lines.push(...[...decoder.decode(chunk).matchAll(/^data: (.*)$/gm)].map(([, line]) => line ?? ''))
      if (lines.some((line) => wanted.test(line)) || lines.length > 100) break
    }
    stop.abort()
    return lines
  }

  it('stream lines that move, then settle', async () => {
    await tell('scale', 'put 350 g')
    const lines = await linesUntil('scale', /^mass 350 g settled$/)
    expect(lines[0]).to.match(/^mass -?\d+ g moving$/)
    expect(lines.at(-1)).to.equal('mass 350 g settled')
    for (const line of lines) expect(parseReading(line), line).not.to.equal(undefined)
  }).timeout(30_000)

  it('are tared, overloaded, and dipped', async () => {
    await tell('scale', 'put 212 g')
    await linesUntil('scale', /^mass 212 g settled$/)
    await tell('scale', 'tare')
    expect((await linesUntil('scale', / settled tared$/)).at(-1)).to.equal('mass 0 g settled tared')
    await tell('scale', 'put 9000 g')
    expect(await linesUntil('scale', /^over$/)).to.include('over')
    expect(await linesUntil('probe', /^off$/)).to.deep.equal(['off'])
    await tell('probe', 'dip 43 C')
    expect((await linesUntil('probe', / settled$/)).at(-1)).to.match(/^temperature 4(2\.9|3) C settled$/)
  }).timeout(60_000)

  it('say so when they do not understand, and when there is no such instrument', async () => {
    expect((await problemOf(tell('scale', 'dance'))).detail).to.equal('The instrument does not understand “dance”.')
    expect((await problemOf(tell('clock', 'tare'))).status).to.equal(404)
    expect((await fetch(`${workshop.url}/api/instruments/clock/lines`)).status).to.equal(404)
  })
})
