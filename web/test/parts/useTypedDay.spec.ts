import { expect } from 'chai'
import { nextTick, ref } from 'vue'
import { useSeason } from '../../src/parts/seasonStore'
import { gatherUnreadTexts, unreadTextsKey } from '../../src/parts/unreadTexts'
import { useTypedDay } from '../../src/parts/useTypedDay'
import { mounted, Page } from './page'

describe('a day that is typed', () => {
  let page: Page
  beforeEach(async () => {
    page = new Page(async () => ({ body: { today: '2027-03-08', makers: [], loaves: [] } }))
    await useSeason().load()
  })
  afterEach(() => page.end())

  function open(value: string | null, optional = false, kept?: Readonly<Record<string, string>>) {
    const model = ref(value)
    const gathered = gatherUnreadTexts()
    if (kept !== undefined) gathered.restore(kept)
    const unread = gathered.all
    const { made: field, unmount } = mounted(
      () => useTypedDay(model, { label: 'Due', optional }),
      [[unreadTextsKey, gathered.around]],
    )
    return { model, unread, field, unmount }
  }

  it('stands there in full, with weekday and year, never in figures', () => {
    const { field, model } = open('2027-04-10')
    expect(field.text.value).to.equal('Sat 10 Apr 2027')
    field.read('12/4/2027')
    expect(model.value).to.equal('2027-04-12')
    // As it is typed until the field is left.
    expect(field.text.value).to.equal('12/4/2027')
    field.leave()
    expect(field.text.value).to.equal('Mon 12 Apr 2027')
  })

  it('takes a day without its year only when the field is left, since more may follow', () => {
    const { field, model } = open('2027-04-10')
    field.read('11 Apr')
    expect(model.value).to.equal('2027-04-10')
    field.leave()
    expect(model.value).to.equal('2027-04-11')
  })

  it('keeps what it cannot read, says so, and holds the form back until it can', async () => {
    const { field, model, unread } = open('2027-04-10')
    field.read('soonish')
    field.leave()
    expect(field.problem.value).to.match(/^Write a day such as \w{3} \d+ \w{3} \d{4}, or in figures 10\.4\.$/)
    expect([...unread.values()].map(({ problem }) => problem)).to.deep.equal([field.problem.value])
    model.value = '2027-05-01'
    await nextTick()
    expect(field.text.value).to.equal('soonish')
    field.read('2027-04-13')
    expect([model.value, unread.size, field.problem.value]).to.deep.equal(['2027-04-13', 0, undefined])
  })

  it('may be left empty only where there need be none', () => {
    const bare = open('2027-04-10', true)
    bare.field.read('')
    expect(bare.model.value).to.equal(null)
    const needed = open('2027-04-10')
    needed.field.read('')
    needed.field.leave()
    expect(needed.model.value).to.equal('2027-04-10')
    expect(needed.field.problem.value).to.be.a('string')
  })

  it('takes a day that is chosen, and follows one from elsewhere', async () => {
    const { field, model, unmount, unread } = open(null, true)
    expect(field.text.value).to.equal('')
    field.choose('2027-04-10')
    expect([model.value, field.text.value]).to.deep.equal(['2027-04-10', 'Sat 10 Apr 2027'])
    model.value = '2027-04-11'
    await nextTick()
    expect(field.text.value).to.equal('Sun 11 Apr 2027')
    field.read('what')
    field.leave()
    unmount()
    expect(unread.size).to.equal(0)
  })

  it('has what could not be read again, and holds the form back anew', () => {
    const { field, model, unread } = open('2027-04-10', false, { Due: 'soon' })
    expect([field.text.value, model.value, unread.size]).to.deep.equal(['soon', '2027-04-10', 1])
  })
})
