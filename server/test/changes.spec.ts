import { endpoints } from '@vendange/contract'
import { expect } from 'chai'
import type { TestWorkshop } from './workshopAtTest'
import { aMould, openTestWorkshop, problemOf } from './workshopAtTest'

describe('what is told of changes', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  const putIn = () => workshop.api(endpoints.moulds.create, { body: aMould })

  /** Listens while something is done. @returns the revisions told, the one it begins with first */
  async function revisionsDuring(work: () => Promise<unknown>, wanted: number): Promise<readonly number[]> {
    const stop = new AbortController()
    const response = await fetch(`${workshop.url}/api/changes`, { signal: stop.signal })
    expect(response.headers.get('content-type')).to.equal('text/event-stream')
    const told: number[] = []
    const decoder = new TextDecoder()
    let isDone = false
    for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
      told.push(...[...decoder.decode(chunk).matchAll(/^data: (\d+)$/gm)].map(([, revision]) => Number(revision)))
      if (!isDone) await work()
      isDone = true
      if (told.length >= wanted) break
    }
    stop.abort()
    return told
  }

  it('is the revision that the season stands at, told at once and after each change', async () => {
    const before = (await workshop.api(endpoints.season)).revision
    const told = await revisionsDuring(async () => {
      await putIn()
      await putIn()
    }, 3)
    expect(told[0]).to.equal(before)
    expect(told).to.have.length(3)
    expect(told).to.deep.equal([...told].sort((a, b) => a - b))
    expect((await workshop.api(endpoints.season)).revision).to.equal(told[2])
  })

  it('is nothing where a change was refused', async () => {
    const told = await revisionsDuring(async () => {
      const refused = workshop.api(endpoints.moulds.update, { params: { id: 'none' }, body: { ...aMould, version: 1 } })
      expect((await problemOf(refused)).status).to.equal(404)
      await putIn()
    }, 2)
    expect(told).to.have.length(2)
  })
})
