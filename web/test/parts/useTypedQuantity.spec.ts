import { expect } from 'chai'
import { nextTick, ref } from 'vue'
import { gatherUnreadTexts, unreadTextsKey } from '../../src/parts/unreadTexts'
import type { TypedQuantityOptions } from '../../src/parts/useTypedQuantity'
import { useTypedQuantity } from '../../src/parts/useTypedQuantity'
import { mounted, Page } from './page'

describe('a quantity that is typed', () => {
  let page: Page
  beforeEach(() => (page = new Page(async () => ({ body: {} }))))
  afterEach(() => page.end())

  function open(
    value: number | null,
    more: Partial<TypedQuantityOptions> = {},
    kept?: Readonly<Record<string, string>>,
  ) {
    const model = ref(value)
    const gathered = gatherUnreadTexts()
    if (kept !== undefined) gathered.restore(kept)
    const unread = gathered.all
    const told: (string | undefined)[] = []
    const { made: field, unmount } = mounted(
      () =>
        useTypedQuantity(
          model,
          { kind: 'length', label: 'Inner length', range: { min: 20, max: 1500 }, ...more },
          (problem) => told.push(problem),
        ),
      [[unreadTextsKey, gathered.around]],
    )
    return { model, unread, told, field, unmount }
  }

  it('has the value in its text, and follows what is typed whenever it can be read', () => {
    const { model, field } = open(250)
    expect(field.text.value).to.equal('250 mm')
    field.enter()
    field.read('10 in')
    expect(model.value).to.equal(254)
    expect(field.text.value).to.equal('10 in')
    field.leave()
    expect(field.text.value).to.equal('254 mm')
  })

  it('keeps text that cannot be read, says why, and holds the form back until it can', async () => {
    const { model, unread, told, field } = open(250)
    field.enter()
    field.read('25x')
    expect(model.value).to.equal(250)
    expect(field.problem.value).to.be.a('string')
    expect([...unread.values()].map(({ problem }) => problem)).to.deep.equal([field.problem.value])
    field.leave()
    expect(field.text.value).to.equal('25x')
    // A newer value from elsewhere writes nothing over what was typed.
    model.value = 300
    await nextTick()
    expect(field.text.value).to.equal('25x')
    field.read('260')
    expect([model.value, unread.size, field.problem.value]).to.deep.equal([260, 0, undefined])
    expect(told).to.have.length(2)
  })

  it('has what could not be read again, and holds the form back anew', () => {
    const { model, unread, field } = open(250, {}, { 'Inner length': '25x', Other: '3' })
    expect([field.text.value, model.value, unread.size]).to.deep.equal(['25x', 250, 1])
    field.read('260')
    expect([model.value, unread.size]).to.deep.equal([260, 0])
  })

  it('takes no value out of its range', () => {
    const { model, field } = open(250)
    field.read('2000')
    expect(field.problem.value).to.contain('1500')
    expect(model.value).to.equal(250)
  })

  it('is null where it is left empty and may be, and amiss where it may not', () => {
    const optional = open(250, { optional: true })
    optional.field.read(' ')
    expect([optional.model.value, optional.unread.size]).to.deep.equal([null, 0])
    const needed = open(250)
    needed.field.read('')
    expect([needed.model.value, needed.unread.size]).to.deep.equal([250, 1])
  })

  it('follows a value that changes while nobody types, and not one under the fingers', async () => {
    const { model, field } = open(250)
    model.value = 260
    await nextTick()
    expect(field.text.value).to.equal('260 mm')
    field.enter()
    field.read('270')
    model.value = 280
    await nextTick()
    expect(field.text.value).to.equal('270')
  })

  it('holds nothing back once it is gone', () => {
    const { unread, field, unmount } = open(250)
    field.read('?')
    expect(unread.size).to.equal(1)
    unmount()
    expect(unread.size).to.equal(0)
  })
})
