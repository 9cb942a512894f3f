import { endpoints } from '@vendange/contract'
import { expect } from 'chai'
import { releasedSoapIn, releaseDay } from './releasedSoap'
import type { TestWorkshop } from './workshopAtTest'
import { openTestWorkshop, problemOf } from './workshopAtTest'

describe('how a soap sold', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  it('is told week by week out of the ledger, for what it is brought back as too, with what is left on hand', async () => {
    const { api } = workshop
    const { soap } = await releasedSoapIn(workshop, 2)
    const gift = { designId: soap.id, who: '', orderId: null } as const
    await api(endpoints.release.allot, { body: { ...gift, bars: 12, channel: 'Web' } })
    await api(endpoints.release.allot, { body: { ...gift, bars: 2, channel: 'Kept' } })
    const sale = { designId: soap.id, lotCode: '', channel: 'Web', buyer: 'Ada', priceCents: 900 } as const
    workshop.setDay('2027-05-30')
    await api(endpoints.release.takeSales, {
      body: {
        sales: [
          { ...sale, saleId: 's-1', day: releaseDay, bars: 7 },
          { ...sale, saleId: 's-2', day: '2027-05-28', bars: 5 },
        ],
      },
    })
    const { id, version: _, isRemoved: __, ...details } = soap
    const again = await api(endpoints.designs.create, { body: { ...details, name: 'Again', broughtFromId: id } })
    const told = await api(endpoints.salesHistory, { params: { id: again.id } })
    expect(told.releases).to.have.length(1)
    const [web] = told.releases
    expect(web).to.deep.include({ channel: 'Web', offered: 12, isSoldOut: true })
    expect(web?.soldBy.at(-1)?.bars).to.equal(12)
    expect(web?.soldBy[0]).to.deep.equal({ day: 7, bars: 7 })
    // Twenty were released: twelve are sold and two are kept.
    expect(told.onHand.reduce((sum, { bars }) => sum + bars, 0)).to.equal(6)
    expect(told.others).to.deep.equal([])
  })

  it('is not told of a soap that there is not', async () => {
    const refused = await problemOf(workshop.api(endpoints.salesHistory, { params: { id: 'nothing' } }))
    expect(refused.status).to.equal(404)
  })
})
