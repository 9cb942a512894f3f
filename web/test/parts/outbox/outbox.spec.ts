import { openDB } from 'idb'
import { IDBFactory } from 'fake-indexeddb'
import 'fake-indexeddb/auto'
import { expect } from 'chai'
import { createPinia, setActivePinia } from 'pinia'
import type { Happening, ToKeep } from '../../../src/parts/outbox/kept'
import { ofKind } from '../../../src/parts/outbox/kept'
import { useOutbox } from '../../../src/parts/outbox/outbox'
import type { Reply } from '../page'
import { Page } from '../page'

const weighed = (loafId: string, version: number, barG: number): ToKeep => ({
  kind: 'event',
  told: `${loafId} weighs ${barG} g`,
  what: {
    loafId,
    version,
    eventId: `${loafId}-${barG}`,
    event: { type: 'weighed', day: '2027-03-08', barG } as Happening,
  },
})
interface Sent {
  readonly path: string
  readonly version: number
  readonly barG: number
  readonly secondsAgo: number
}

describe('what a device keeps until the workshop has it', () => {
  let page: Page
  let replies: Reply[]
  let sent: Sent[]
  beforeEach(() => {
    globalThis.indexedDB = new IDBFactory()
    replies = []
    sent = []
    page = new Page(async ({ path, body }) => {
      const event = body as Sent
      sent.push({ ...event, path })
      return replies.shift() ?? { body: { loaf: { id: 'x', version: event.version + 1 }, events: [] } }
    })
  })
  afterEach(() => page.end())
  const eventually = async (holds: () => boolean): Promise<void> => {
    for (let turn = 0; turn < 400 && !holds(); turn++) await new Promise((resolve) => setTimeout(resolve, 10))
    expect(holds()).to.equal(true)
  }
  const stale: Reply = {
    status: 409,
    body: { detail: 'Somebody was quicker', current: { loaf: { id: 'a', version: 9 }, events: [] } },
  }

  it('sends events in order, each once, and counts that the season has changed', async () => {
    const outbox = useOutbox()
    await outbox.add([weighed('a', 3, 100), weighed('b', 7, 200), weighed('a', 4, 99)])
    await eventually(() => outbox.kept.length === 0)
    expect(sent.map(({ path, version, barG }) => [path, version, barG])).to.deep.equal([
      ['/api/loaves/a/events', 3, 100],
      ['/api/loaves/b/events', 7, 200],
      ['/api/loaves/a/events', 4, 99],
    ])
    expect([outbox.broughtHome, outbox.justTaken.length]).to.deep.equal([1, 3])
  })

  it('keeps one that clashes, with what the others have, and what follows on its loaf behind it', async () => {
    replies = [stale]
    const outbox = useOutbox()
    await outbox.add([weighed('a', 3, 100), weighed('a', 4, 99), weighed('b', 7, 200)])
    await eventually(() => outbox.kept.length === 2)
    expect(sent.map(({ barG }) => barG)).to.deep.equal([100, 200])
    const [mine] = ofKind(outbox.settle, 'event')
    expect(mine?.notTaken?.message).to.equal('Somebody was quicker')
    expect(mine?.notTaken?.theirs?.loaf.version).to.equal(9)
    // Recorded as well: it follows what the others did, and the next one follows it.
    await outbox.sendAgain({ ...mine!, what: { ...mine!.what, version: 9 } })
    await eventually(() => outbox.kept.length === 0)
    expect(sent.slice(2).map(({ version, barG }) => [version, barG])).to.deep.equal([
      [9, 100],
      [10, 99],
    ])
  })

  it('lets what follows go out when the one before it is left out', async () => {
    replies = [stale]
    const outbox = useOutbox()
    await outbox.add([weighed('a', 3, 100), weighed('a', 4, 99)])
    await eventually(() => outbox.settle.length === 1)
    await outbox.drop([outbox.settle[0]!.order])
    await eventually(() => outbox.kept.length === 0)
    expect(sent.map(({ barG }) => barG)).to.deep.equal([100, 99])
  })

  it('keeps what was not taken over a reload', async () => {
    replies = [stale]
    const outbox = useOutbox()
    await outbox.add([weighed('a', 3, 100)])
    await eventually(() => outbox.settle.length === 1)
    setActivePinia(createPinia())
    const reloaded = useOutbox()
    await reloaded.restored
    expect(reloaded.settle.map(({ told }) => told)).to.deep.equal(['a weighs 100 g'])
    expect(sent).to.have.length(1)
  })

  it('brings over the steps that the version before had kept', async () => {
    const before = await openDB('vendange', 1, {
      upgrade: (db) => void db.createObjectStore('steps', { autoIncrement: true }),
    })
    const step = { stepKey: 'water', actual: 220, recordId: 'one' }
    await before.add('steps', { batchId: 'batch', makerId: 'nora', step, takenAtMs: Date.now() - 60_000 })
    before.close()
    const outbox = useOutbox()
    await outbox.restored
    await eventually(() => outbox.kept.length === 0)
    expect(page.requests).to.deep.equal(['POST /api/batches/batch/steps'])
    expect(sent[0]?.secondsAgo).to.be.within(60, 65)
  })
})
