import { IDBFactory } from 'fake-indexeddb'
import 'fake-indexeddb/auto'
import { expect } from 'chai'
import { createPinia, setActivePinia } from 'pinia'
import type { KeptSale } from '../../../src/parts/outbox/kept'
import { useOutbox } from '../../../src/parts/outbox/outbox'
import { undoMs, useSaleQueue } from '../../../src/parts/outbox/saleQueue'
import type { Reply } from '../page'
import { Page } from '../page'

const sale = (saleId: string): KeptSale => ({
  saleId,
  day: '2027-03-08',
  designId: 'fog',
  lotCode: '',
  channel: 'Stalls',
  bars: 1,
  buyer: 'Stall, cash',
  priceCents: 900,
})
const words = ({ saleId }: KeptSale): string => `Sale ${saleId}`
const answered = (
  refused: readonly { readonly saleId: string; readonly detail: string; readonly isOwed: boolean }[] = [],
): Reply => ({
  body: { taken: 1, known: 0, beforeRelease: 0, refused },
})

describe('the stall’s queue of sales', () => {
  let page: Page
  let replies: Reply[]
  let sent: string[][]
  let clockMs: number
  let opened: ReturnType<typeof useOutbox> | undefined
  const now = Date.now
  beforeEach(() => {
    globalThis.indexedDB = new IDBFactory()
    replies = []
    sent = []
    clockMs = now()
    Date.now = () => clockMs
    page = new Page(async ({ body }) => {
      sent.push((body as { readonly sales: readonly KeptSale[] }).sales.map(({ saleId }) => saleId))
      return replies.shift() ?? answered()
    })
  })
  afterEach(() => {
    opened?.$dispose()
    Date.now = now
    page.end()
  })
  const eventually = async (holds: () => boolean): Promise<void> => {
    for (let turn = 0; turn < 600 && !holds(); turn++) await new Promise((resolve) => setTimeout(resolve, 10))
    expect(holds()).to.equal(true)
  }
  function open(): ReturnType<typeof useSaleQueue> {
    opened?.$dispose()
    setActivePinia(createPinia())
    opened = useOutbox()
    return useSaleQueue()
  }
  /** The page is opened anew, when the sales can no longer be undone. */
  async function reopened(): Promise<ReturnType<typeof useSaleQueue>> {
    clockMs += undoMs
    const queue = open()
    await queue.restored
    return queue
  }

  it('sends no sale that can still be taken back', async () => {
    const queue = open()
    await queue.add([sale('a'), sale('b')], words)
    await queue.drop(['a'])
    expect(queue.kept.map(({ saleId }) => saleId)).to.deep.equal(['b'])
    expect(sent).to.deep.equal([])
  })

  it('sends over a reload what waited, once, and lets go of it', async () => {
    await open().add([sale('a'), sale('b')], words)
    const queue = await reopened()
    await eventually(() => queue.kept.length === 0)
    expect(sent).to.deep.equal([['a'], ['b']])
    expect(useOutbox().latest.sale?.taken).to.equal(1)
  })

  it('lets go of what the workshop keeps as owed: it is told and settled there', async () => {
    await open().add([sale('a')], words)
    replies = [answered([{ saleId: 'a', detail: 'None is left', isOwed: true }])]
    const queue = await reopened()
    await eventually(() => sent.length === 1 && queue.kept.length === 0)
    expect(useOutbox().settle).to.deep.equal([])
  })

  it('keeps what the workshop could not even keep as owed, over a reload, until it is settled', async () => {
    await open().add([sale('a'), sale('b')], words)
    replies = [answered(), answered([{ saleId: 'b', detail: 'None is left', isOwed: false }])]
    const queue = await reopened()
    await eventually(() => queue.kept.length === 1)
    const again = await reopened()
    expect(again.kept.map(({ saleId, refusal }) => [saleId, refusal])).to.deep.equal([['b', 'None is left']])
    await again.drop(['b'])
    expect((await reopened()).kept).to.deep.equal([])
    expect(sent).to.deep.equal([['a'], ['b']])
  })

  it('says that the workshop is not reached, and sends when it is', async () => {
    await open().add([sale('a')], words)
    replies = [{ status: 503, body: {} }]
    const queue = await reopened()
    await eventually(() => !queue.isReached)
    expect(queue.kept).to.have.length(1)
    await eventually(() => queue.kept.length === 0)
    expect(queue.isReached).to.equal(true)
    expect(sent).to.deep.equal([['a'], ['a']])
  })
})
