import { ProblemError } from '@vendange/contract'
import { expect } from 'chai'
import { useSeason } from '../../src/parts/seasonStore'
import { useUndo } from '../../src/parts/undoStore'
import type { Reply } from './page'
import { Page, settled } from './page'

const view = (today: string, makers: readonly object[] = []): Reply => ({ body: { today, makers } })
const problem = (detail: string): ProblemError =>
  new ProblemError({ type: 'about:blank', title: 'Refused', status: 422, detail })

describe('the season on the page', () => {
  let page: Page
  let replies: ((reply: Reply | Error) => void)[]
  beforeEach(() => {
    replies = []
    page = new Page(
      () =>
        new Promise((resolve, reject) =>
          replies.push((reply) => (reply instanceof Error ? reject(reply) : resolve(reply))),
        ),
    )
  })
  afterEach(() => page.end())

  it('is the latest that was asked for, in whatever order replies come', async () => {
    const season = useSeason()
    const loads = [season.load(), season.load(), season.load()]
    const [first, second, third] = replies
    second?.(view('2027-03-09'))
    await settled()
    expect(season.today).to.equal('2027-03-09')
    first?.(view('2027-03-08'))
    await settled()
    expect(season.today).to.equal('2027-03-09')
    third?.(view('2027-03-10'))
    await Promise.all(loads)
    expect(season.today).to.equal('2027-03-10')
  })

  it('says what is amiss until a reply comes, and nothing of a failure that is overtaken', async () => {
    const season = useSeason()
    void season.load()
    replies[0]?.(new Error('no network'))
    await settled()
    expect(season.trouble).to.match(/does not answer/)
    void season.load()
    void season.load()
    replies[2]?.(view('2027-03-08'))
    await settled()
    expect(season.trouble).to.equal(undefined)
    replies[1]?.(new Error('no network'))
    await settled()
    expect([season.trouble, season.today]).to.deep.equal([undefined, '2027-03-08'])
  })

  it('is read anew once others have changed something, and not for what it has read already', async () => {
    const season = useSeason()
    const at = (revision: number): Reply => ({ body: { today: '2027-03-08', makers: [], revision } })
    void season.load()
    replies[0]?.(at(4))
    await settled()
    const heardMs = 400
    const rest = (): Promise<unknown> => new Promise((resolve) => setTimeout(resolve, heardMs))
    season.hear(4)
    await rest()
    expect(replies).to.have.length(1)
    // Several changes that come one upon the other are read once.
    season.hear(5)
    season.hear(6)
    await rest()
    expect(replies).to.have.length(2)
    // It asked by itself meanwhile: nothing is left to ask for.
    season.hear(7)
    void season.load()
    replies[2]?.(at(7))
    await rest()
    expect(replies).to.have.length(3)
    // A server that was started anew counts from the beginning.
    season.hear(0)
    await rest()
    expect(replies).to.have.length(4)
  })

  it('has a maker at work: the one of last time, else the first who is there', async () => {
    page.kept.set('vendange.maker', 'gone')
    const season = useSeason()
    void season.load()
    const makers = [
      { id: 'ilse', name: 'Ilse', isRemoved: true },
      { id: 'bram', name: 'Bram', isRemoved: false },
    ]
    replies[0]?.(view('2027-03-08', makers))
    await settled()
    expect([season.makerId, page.kept.get('vendange.maker')]).to.deep.equal(['bram', 'bram'])
    expect(season.makers.map(({ name }) => name)).to.deep.equal(['Bram'])
  })
})

describe('undo', () => {
  let page: Page
  beforeEach(() => (page = new Page(() => Promise.resolve(view('2027-03-08')))))
  afterEach(() => page.end())

  it('takes back the last change first, and says which', async () => {
    const undo = useUndo()
    const undone: string[] = []
    undo.did('Malachite moved', async () => undone.push('moved'))
    undo.did('Pot of soot taken away', async () => undone.push('taken away'), false)
    // The second is not told, so the first still stands there.
    expect(undo.notice).to.deep.equal({ text: 'Malachite moved', canUndo: true })
    await undo.undoLast()
    expect(undo.notice).to.deep.equal({ text: 'Undone: Pot of soot taken away', canUndo: false })
    await undo.undoLast()
    await undo.undoLast()
    expect(undone).to.deep.equal(['taken away', 'moved'])
    expect(undo.notice?.text).to.equal('There is nothing to undo.')
  })

  it('remembers fifty changes', async () => {
    const undo = useUndo()
    for (let change = 0; change < 60; change++) undo.did(`change ${change}`, async () => undefined)
    expect(undo.steps.map(({ label }) => label)).to.have.length(50)
    expect([undo.steps[0]?.label, undo.steps.at(-1)?.label]).to.deep.equal(['change 10', 'change 59'])
  })

  it('says why a change could not be taken back', async () => {
    const undo = useUndo()
    undo.did('Malachite moved', () => Promise.reject(problem('It is poured already.')))
    await undo.undoLast()
    expect(undo.notice?.text).to.equal('Could not undo: It is poured already.')
  })

  it('hides no fault of its own', async () => {
    const undo = useUndo()
    undo.did('Malachite moved', () => Promise.reject(new TypeError('not a problem')))
    const thrown = await undo.undoLast().catch((error: unknown) => error)
    expect(thrown).to.be.instanceOf(TypeError)
  })
})
