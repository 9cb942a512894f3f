import { said } from '@vendange/contract'
import type { Endpoint } from '@vendange/contract'
import { expect } from 'chai'
import { nextTick, ref } from 'vue'
import { number, object, string } from 'yup'
import { api } from '../../src/parts/api'
import { useSavedForm } from '../../src/parts/useSavedForm'
import { useUndo } from '../../src/parts/undoStore'
import type { Reply } from './page'
import { mounted, Page, settled } from './page'

const schema = object({
  name: string().required(said('name_missing')),
  bars: number().required().min(1),
})
const update = { method: 'put', path: '/api/things' } as Endpoint<'/api/things', Details & { version: number }, Saved>
interface Details {
  name: string
  bars: number
}
type Saved = Details & { readonly id: string; readonly version: number }

describe('a form that saves as you go', () => {
  let page: Page
  /** What the server has, and what it says to the next save. */
  let there: Saved
  let refusal: Reply | undefined
  let sent: (Details & { version: number })[]
  beforeEach(() => {
    there = { id: 'a', version: 3, name: 'Malachite', bars: 12 }
    refusal = undefined
    sent = []
    page = new Page(async ({ method, body }) => {
      if (method === 'GET') return { body: { today: '2027-03-08', makers: [] } }
      const details = body as Details & { version: number }
      sent.push(details)
      if (refusal) return refusal
      there = { ...there, ...details, version: there.version + 1 }
      return { body: there }
    })
  })
  afterEach(() => page.end())

  function open() {
    const source = ref<Saved>(there)
    const { made: form, unmount } = mounted(() =>
      useSavedForm<Details, Saved>({
        schema,
        source: () => source.value,
        save: (details) => api(update, { body: details }),
        label: () => 'Malachite',
      }),
    )
    const change = async (details: Partial<Details>): Promise<void> => {
      form.values.value = { ...form.values.value!, ...details }
      await nextTick()
      form.saveNow()
      await settled()
    }
    return { form, source, change, unmount }
  }

  it('sends a change under the version it was read with, and says saved once it is', async () => {
    const { form, change } = open()
    expect([form.status.value, form.values.value]).to.deep.equal(['saved', { name: 'Malachite', bars: 12 }])
    form.values.value = { name: 'Malachite', bars: 14 }
    await nextTick()
    expect(form.status.value).to.equal('editing')
    form.saveNow()
    await settled()
    expect([form.status.value, sent]).to.deep.equal(['saved', [{ name: 'Malachite', bars: 14, version: 3 }]])
    await change({ bars: 16 })
    expect(sent.at(-1)).to.deep.equal({ name: 'Malachite', bars: 16, version: 4 })
  })

  it('sends nothing where nothing was changed', async () => {
    const { form, change } = open()
    await change({ bars: 12 })
    expect([form.status.value, sent]).to.deep.equal(['saved', []])
  })

  it('keeps what cannot be, with its field’s message, and sends it once it can', async () => {
    const { form, change } = open()
    await change({ name: '', bars: 0 })
    expect(form.status.value).to.equal('invalid')
    expect([form.errorOf('name'), form.errorOf('bars')]).to.deep.equal([
      'Please give it a name.',
      'This must be 1 or more.',
    ])
    expect(sent).to.deep.equal([])
    await change({ name: 'Malachite', bars: 24 })
    expect([form.status.value, form.errorOf('name'), sent.length]).to.deep.equal(['saved', undefined, 1])
  })

  it('shows what the server does not take at its field, and loses nothing typed', async () => {
    const { form, change } = open()
    const errors = [{ field: 'bars', message: 'The mould gives 12 bars at most.' }]
    refusal = { status: 422, body: { status: 422, detail: 'See the marked fields.', errors } }
    await change({ bars: 99 })
    expect([form.status.value, form.errorOf('bars')]).to.deep.equal(['invalid', 'The mould gives 12 bars at most.'])
    expect(form.values.value?.bars).to.equal(99)
  })

  it('keeps what cannot be saved when its page is left, says so, and has it again', async () => {
    const first = open()
    await first.change({ name: '', bars: 24 })
    first.unmount()
    expect(useUndo().notice?.text).to.equal('Malachite is not saved. What you typed is kept for when you come back.')
    const again = open()
    await settled()
    expect([again.form.status.value, again.form.values.value]).to.deep.equal(['invalid', { name: '', bars: 24 }])
    expect(again.form.errorOf('name')).to.equal('Please give it a name.')
    await again.change({ name: 'Malachite' })
    expect([again.form.status.value, sent.at(-1)]).to.deep.equal(['saved', { name: 'Malachite', bars: 24, version: 3 }])
    again.unmount()
    expect(open().form.values.value).to.deep.equal({ name: 'Malachite', bars: 24 })
    expect(page.kept.size).to.equal(0)
  })

  it('keeps it too where the page is left before it was found to be wrong', async () => {
    const { form, unmount } = open()
    form.values.value = { name: '', bars: 12 }
    await nextTick()
    unmount()
    await settled()
    expect(useUndo().notice?.text).to.contain('kept for when you come back')
    expect(open().form.values.value?.name).to.equal('')
    expect(useUndo().notice?.text).to.equal('What you had typed into Malachite stands there again.')
  })

  it('keeps at once what is typed and not sent yet when the page goes', async () => {
    const { form, unmount } = open()
    form.values.value = { name: 'Half typed', bars: 12 }
    await nextTick()
    page.going.dispatchEvent(new Event('pagehide'))
    expect([...page.kept.values()].filter((text) => text.includes('Half typed'))).to.have.length(1)
    expect(sent).to.deep.equal([])
    unmount()
    await settled()
    // Saved, there is nothing left to keep.
    page.going.dispatchEvent(new Event('visibilitychange'))
    expect([...page.kept.values()].filter((text) => text.includes('Half typed'))).to.deep.equal([])
  })

  it('shows both where the thing was changed while the draft lay', async () => {
    const first = open()
    await first.change({ bars: 0 })
    first.unmount()
    there = { ...there, version: 8, bars: 20 }
    const once = open()
    expect(once.form.status.value).to.equal('conflict')
    // Left without an answer, it is asked again.
    once.unmount()
    const { form } = open()
    expect([form.status.value, form.values.value?.bars, form.theirDetails.value?.bars]).to.deep.equal([
      'conflict',
      0,
      20,
    ])
  })

  it('takes a change back by undo', async () => {
    const { form, change } = open()
    await change({ bars: 14 })
    await useUndo().undoLast()
    await settled()
    expect([form.values.value?.bars, there.bars]).to.deep.equal([12, 12])
    expect(useUndo().notice?.text).to.equal('Undone: Change to Malachite')
  })

  it('keeps both where somebody else was quicker, until one is chosen', async () => {
    const { form, change } = open()
    const theirs = { id: 'a', version: 7, name: 'Malachite', bars: 20 }
    refusal = { status: 409, body: { status: 409, detail: 'Changed meanwhile.', current: theirs } }
    await change({ bars: 14 })
    expect([form.status.value, form.values.value?.bars]).to.deep.equal(['conflict', 14])
    expect(form.theirDetails.value).to.deep.equal({ name: 'Malachite', bars: 20 })
    refusal = undefined
    form.settle({ name: 'Malachite green', bars: 20 })
    await settled()
    expect([form.status.value, form.theirDetails.value]).to.deep.equal(['saved', undefined])
    expect(sent.at(-1)).to.deep.equal({ name: 'Malachite green', bars: 20, version: 7 })
  })

  it('takes over what is newer at the server while nothing is typed, and nothing that is older', async () => {
    const { form, source } = open()
    source.value = { ...there, version: 5, bars: 18 }
    await nextTick()
    expect(form.values.value?.bars).to.equal(18)
    source.value = { ...there, version: 4, bars: 6 }
    await nextTick()
    expect(form.values.value?.bars).to.equal(18)
    form.values.value = { name: 'Malachite', bars: 30 }
    await nextTick()
    source.value = { ...there, version: 6, bars: 40 }
    await nextTick()
    expect([form.values.value.bars, form.status.value]).to.deep.equal([30, 'editing'])
    form.saveNow()
    await settled()
  })
})
