import { endpoints } from '@vendange/contract'
import { expect } from 'chai'
import { releasedSoapIn } from './releasedSoap'
import type { TestWorkshop } from './workshopAtTest'
import { openTestWorkshop, problemOf } from './workshopAtTest'

describe('what loaves showed of their kinds', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  const nothing = { rubs: null, foam: null, feel: null, smell: null, lasted: null } as const

  it('is learned from the cut, and from bars that were tried after their release', async () => {
    const { api } = workshop
    const { soap, loafIds } = await releasedSoapIn(workshop, 2)
    const [id] = loafIds
    const { loaf } = await api(endpoints.loaves.view, { params: { id: id! } })
    const tried = { type: 'tried', day: '2027-04-12', version: loaf.version, ...nothing } as const
    const refused = await problemOf(api(endpoints.loaves.record, { params: { id: id! }, body: tried }))
    expect(refused).to.include({ status: 422, detail: 'Say at least one thing that was noticed.' })
    const after = await api(endpoints.loaves.record, {
      params: { id: id! },
      body: { ...tried, rubs: 6, feel: 'strips', lasted: { washes: 60, barG: 120 } },
    })
    expect(after.loaf.state.tried).to.have.length(1)

    const seen = await api(endpoints.loaves.seen)
    expect(seen.map(({ key }) => key).sort()).to.deep.equal(['cuts', 'keeps', 'lasts', 'rubs', 'strips'])
    expect(new Set(seen.map(({ recipeId }) => recipeId))).to.deep.equal(new Set([soap.recipeId]))
    expect(seen.find(({ key }) => key === 'lasts')?.atMost).to.be.closeTo(55, 1e-9)
  })

  it('takes no figure that cannot be', async () => {
    const { api } = workshop
    const { loafIds } = await releasedSoapIn(workshop, 1)
    const id = loafIds[0]!
    const { loaf } = await api(endpoints.loaves.view, { params: { id } })
    const tried = { type: 'tried', day: '2027-04-12', version: loaf.version, ...nothing } as const
    for (const wrong of [{ rubs: 0 }, { rubs: 2.5 }, { lasted: { washes: 10, barG: 0 } }, { foam: 'none' }]) {
      const refused = await problemOf(
        api(endpoints.loaves.record, { params: { id }, body: { ...tried, ...wrong } as never }),
      )
      expect(refused.status, JSON.stringify(wrong)).to.be.oneOf([400, 422])
    }
    expect((await api(endpoints.loaves.view, { params: { id } })).loaf.version).to.equal(loaf.version)
  })
})
