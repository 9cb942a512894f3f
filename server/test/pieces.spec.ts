import { blankIngredient, endpoints } from '@vendange/contract'
import { expect } from 'chai'
import { pourUpTo } from './pouring'
import { releaseDay, releasedSoapIn } from './releasedSoap'
import type { TestWorkshop } from './workshopAtTest'
import { aDesign, openTestWorkshop } from './workshopAtTest'

describe('pieces of earlier soap', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  const olive = { ...blankIngredient, kind: 'fat', name: 'Olive oil', ref: 'olive' } as const
  const delivery = {
    supplier: 'Mill',
    lotNumber: 'K-1',
    receivedDay: '2027-01-10',
    openedDay: null,
    bestBeforeDay: null,
    isRecalled: false,
    receivedAmount: 5000,
    adjustment: 0,
    priceCents: 900,
    carriageCents: 0,
    certificate: null,
  }
  const view = (id: string) => workshop.api(endpoints.loaves.view, { params: { id } })
  const scrapped = { type: 'scrapped', massG: 30, colour: 'amber', hex: '#D99A3C' }

  /** A soap of one lot of olive oil, scraps of which are in the bin, and one that takes some of them. */
  async function twoSoaps(takenG: number) {
    const { api } = workshop
    const ingredient = await api(endpoints.ingredients.create, { body: olive })
    const body = { ...delivery, ingredientId: ingredient.id }
    const first = await api(endpoints.lots.create, { body })
    await api(endpoints.lots.create, { body: { ...body, lotNumber: 'K-2', receivedDay: '2027-02-01' } })
    const { collection, recipe, mould, loafIds } = await releasedSoapIn(workshop, 1, 10, {}, [scrapped])
    const [sourceId = ''] = loafIds
    // The first soap used the first lot up: the second has none of it but in the pieces.
    const used = (await api(endpoints.stores)).lots.find(({ id }) => id === first.id)?.usedAmount ?? 0
    const lot = await api(endpoints.lots.update, {
      params: { id: first.id },
      body: { ...body, receivedAmount: used, version: 1 },
    })
    const scraps = await api(endpoints.scraps)
    expect(scraps).to.have.length(1)
    const [{ loafId, lotCode, colour, hex }] = scraps as [(typeof scraps)[number]]
    const soap = await api(endpoints.designs.create, {
      body: {
        ...aDesign,
        name: 'Confetti',
        collectionId: collection.id,
        recipeId: recipe.id,
        mouldId: mould.id,
        pieces: [{ loafId, lotCode, colour, hex, massG: takenG }],
      },
    })
    const batch = await api(endpoints.batches.create, { body: { designId: soap.id, pourDay: releaseDay } })
    await pourUpTo(workshop, batch.id, null)
    const finished = await api(endpoints.batches.finish, { params: { id: batch.id } })
    return { lot, scraps, sourceId, confettiId: finished.loafIds[0] ?? '', lotCode }
  }

  it('are weighed at the bench, leave the bin, and are in the loaf', async () => {
    const { scraps, sourceId, confettiId, lotCode } = await twoSoaps(20)
    expect(scraps[0]).to.deep.include({ colour: 'amber', massG: 30, scent: 'Amber blend', day: '2027-03-10' })
    const source = await view(sourceId)
    const confetti = await view(confettiId)
    expect(source.loaf.state.scrap.map(({ massG }) => massG)).to.deep.equal([10])
    expect(source.events.map(({ event }) => event)).to.deep.include({
      type: 'scrap_used',
      day: releaseDay,
      massG: 20,
      colour: 'amber',
      use: 'Confetti',
      batchId: confetti.loaf.batchId,
    })
    expect(confetti.plan.pieces?.map((piece) => [piece.lotCode, piece.massG])).to.deep.equal([[lotCode, 20]])
    expect(confetti.records.find(({ stepKey }) => stepKey === 'piece:0')?.actual).to.equal(20)
    // What is in the mould is batter and pieces, and the mould learns nothing from them.
    expect(confetti.loaf.state.batterG).to.be.closeTo(source.loaf.state.batterG ?? 0, 3)
    expect(confetti.loaf.takenMl).to.be.closeTo(source.loaf.takenMl ?? 0, 5)
  })

  it('are never more than the bin has, whatever was weighed', async () => {
    const { sourceId } = await twoSoaps(40)
    expect((await view(sourceId)).loaf.state.scrap).to.deep.equal([])
  })

  it('carry a lot that is called back into the soap that they are in', async () => {
    const { api } = workshop
    const { lot, sourceId, confettiId, lotCode } = await twoSoaps(20)
    const trace = await api(endpoints.release.traceLot, { params: { id: lot.id } })
    expect(Object.fromEntries(trace.loaves.map(({ id, through }) => [id, through]))).to.deep.equal({
      [sourceId]: [],
      [confettiId]: [lotCode],
    })
    const { id, version, ingredientId, receivedAmount } = lot
    await api(endpoints.lots.update, {
      params: { id },
      body: { ...delivery, ingredientId, receivedAmount, isRecalled: true, version },
    })
    expect((await view(sourceId)).calledBack).to.deep.equal(['Olive oil K-1'])
    expect((await view(confettiId)).calledBack).to.deep.equal(['Olive oil K-1'])
  })

  it('carry a loaf that is called back into the soap that they are in', async () => {
    const { sourceId, confettiId, lotCode } = await twoSoaps(20)
    const { loaf } = await view(sourceId)
    await workshop.api(endpoints.loaves.record, {
      params: { id: sourceId },
      body: { type: 'recalled', day: releaseDay, reason: 'Lye heavy', version: loaf.version },
    })
    expect((await view(confettiId)).calledBack).to.deep.equal([`pieces of ${lotCode}`])
  })
})
