import { IDBFactory } from 'fake-indexeddb'
import 'fake-indexeddb/auto'
import { expect } from 'chai'
import { createPinia, setActivePinia } from 'pinia'
import { useOutbox } from '../../../src/parts/outbox/outbox'
import { useStepQueue } from '../../../src/parts/outbox/stepQueue'
import type { Reply } from '../page'
import { Page } from '../page'

const told = 'Weighed'
const step = (stepKey: string) => ({ batchId: 'batch', step: { stepKey, actual: 100 } })

describe('the bench’s queue of steps', () => {
  let page: Page
  let replies: Reply[]
  let sent: { readonly stepKey: string; readonly recordId: string; readonly secondsAgo: number }[]
  beforeEach(() => {
    globalThis.indexedDB = new IDBFactory()
    replies = []
    sent = []
    page = new Page(async ({ body }) => {
      sent.push(body as (typeof sent)[number])
      return replies.shift() ?? { body: { id: 'batch' } }
    })
  })
  afterEach(() => page.end())
  const eventually = async (holds: () => boolean): Promise<void> => {
    for (let turn = 0; turn < 400 && !holds(); turn++) await new Promise((resolve) => setTimeout(resolve, 10))
    expect(holds()).to.equal(true)
  }

  it('sends what was done in its order, each once, and lets go of it', async () => {
    const queue = useStepQueue()
    await queue.add(step('fat:olive'), told)
    await queue.add(step('fat:coconut'), told)
    await eventually(() => queue.waiting.length === 0)
    expect(sent.map(({ stepKey }) => stepKey)).to.deep.equal(['fat:olive', 'fat:coconut'])
    expect(new Set(sent.map(({ recordId }) => recordId)).size).to.equal(2)
    expect(page.requests).to.deep.equal(['POST /api/batches/batch/steps', 'POST /api/batches/batch/steps'])
    expect(queue.latest).to.deep.equal({ id: 'batch' })
  })

  it('keeps a step over a reload while the server does not answer, under one number', async () => {
    replies = [{ status: 503, body: {} }]
    const queue = useStepQueue()
    await queue.add(step('naoh'), told)
    await eventually(() => queue.hindrance !== undefined)
    expect(queue.hindrance).to.equal('the server does not answer')
    expect(queue.waiting).to.have.length(1)
    setActivePinia(createPinia())
    const reloaded = useStepQueue()
    await reloaded.restored
    expect([reloaded.waiting.length, reloaded.hindrance]).to.deep.equal([0, undefined])
    // The page of before, were it still there, would send it under its number too.
    await eventually(() => queue.waiting.length === 0)
    expect(new Set(sent.map(({ recordId }) => recordId)).size).to.equal(1)
  })

  it('says that the disk is full, and what the server refused for good', async () => {
    replies = [{ status: 507, body: { detail: 'No room' } }]
    const queue = useStepQueue()
    await queue.add(step('water'), told)
    await eventually(() => queue.hindrance !== undefined)
    expect(queue.hindrance).to.contain('disk is full')
    replies = [{ status: 422, body: { detail: 'Weigh the water first', status: 422 } }]
    await eventually(() => queue.waiting.length === 0)
    expect(queue.refusals).to.deep.equal([{ batchId: 'batch', stepKey: 'water', message: 'Weigh the water first' }])
    queue.forget('batch')
    expect(queue.refusals).to.deep.equal([])
    // The bench goes on; the figure stays on the device until somebody settles it.
    const { settle } = useOutbox()
    expect(settle.map(({ told, notTaken }) => [told, notTaken?.message])).to.deep.equal([
      [told, 'Weigh the water first'],
    ])
  })
})
