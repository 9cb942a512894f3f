import { expect } from 'chai'
import { setTimeout as wait } from 'node:timers/promises'
import { filePlace } from '../src/db/filePlace'

describe('the place of a file', () => {
  it('is changed once nobody reads, while who comes meanwhile waits', async () => {
    const place = filePlace()
    const told: string[] = []
    const slow = (name: string, ms: number) => async () => {
      told.push(`${name} begins`)
      await wait(ms)
      told.push(`${name} ends`)
    }
    await Promise.all([
      place.keep(slow('first reader', 30)),
      place.keep(slow('second reader', 10)),
      place.change(slow('change', 10)),
      place.keep(slow('third reader', 1)),
    ])
    expect(told).to.deep.equal([
      'first reader begins',
      'second reader begins',
      'second reader ends',
      'first reader ends',
      'change begins',
      'change ends',
      'third reader begins',
      'third reader ends',
    ])
  })

  it('is changed by one at a time, and goes on after one that failed', async () => {
    const place = filePlace()
    const told: string[] = []
    const failing = place.change(async () => {
      await wait(5)
      throw new Error('no')
    })
    const reading = place.keep(() => Promise.resolve(told.push('reader')))
    const next = place.change(() => Promise.resolve(void told.push('change')))
    const failed = await failing.catch((error: Error) => error.message)
    await Promise.all([reading, next])
    expect(failed).to.equal('no')
    expect(told.sort()).to.deep.equal(['change', 'reader'])
    expect(await place.keep(() => Promise.reject(new Error('reader')).catch(() => 'told'))).to.equal('told')
  })
})
