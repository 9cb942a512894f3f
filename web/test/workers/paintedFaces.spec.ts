import { expect } from 'chai'
import { IDBFactory } from 'fake-indexeddb'
import 'fake-indexeddb/auto'
import { paintedFaces } from '../../src/workers/paintedFaces'

/** A painter that counts what it paints. */
function painterOf(name: string) {
  let painted = 0
  const faces = paintedFaces(name)
  return {
    face: (key: string) =>
      faces(key, () => {
        painted += 1
        return Promise.resolve(new Blob([`${key} by ${name}`]))
      }),
    painted: () => painted,
  }
}

const settled = () => new Promise((resolve) => setTimeout(resolve, 20))

describe('paintedFaces', () => {
  beforeEach(() => {
    globalThis.indexedDB = new IDBFactory()
  })

  it('gives what was painted before, on the next page too', async () => {
    const first = painterOf('one')
    expect(await (await first.face('agate')).text()).to.equal('agate by one')
    await settled()
    const second = painterOf('one')
    expect(await (await second.face('agate')).text()).to.equal('agate by one')
    expect(second.painted()).to.equal(0)
    await second.face('malachite')
    expect(second.painted()).to.equal(1)
  })

  it('paints anew once the code that paints is another', async () => {
    await painterOf('one').face('agate')
    await settled()
    const other = painterOf('two')
    expect(await (await other.face('agate')).text()).to.equal('agate by two')
    expect(other.painted()).to.equal(1)
  })

  it('paints where the device keeps nothing', async () => {
    globalThis.indexedDB.open = () => {
      throw new Error('Not allowed here')
    }
    const first = painterOf('one')
    await first.face('agate')
    await first.face('agate')
    expect(first.painted()).to.equal(2)
  })
})
