import type { SavedDesign } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { expect } from 'chai'
import type { Content } from 'pdfmake'
import { textOfPdf } from './pdfText'
import { runSheetDocument } from '../src/pour/runSheetPdf'
import type { TestWorkshop } from './workshopAtTest'
import { aRecipe, furnish, openTestWorkshop } from './workshopAtTest'

/** Every text of a document, in its order. */
const textsOf = (content: Content): readonly string[] =>
  [...JSON.stringify(content).matchAll(/"text":"((?:[^"\\\\]|\\\\.)*)"/g)].map(([, text = '']) => text)

describe('the run sheet on paper', () => {
  let workshop: TestWorkshop
  beforeEach(async () => (workshop = await openTestWorkshop()))
  afterEach(() => workshop.close())

  async function pourOf(recipe = aRecipe): Promise<string> {
    const { soap } = await furnish(workshop)
    const made = await workshop.api(endpoints.recipes.create, { body: recipe })
    const { id: _id, isRemoved: _removed, ...design } = soap
    await workshop.api(endpoints.designs.update, { params: { id: soap.id }, body: { ...design, recipeId: made.id } })
    const { today } = await workshop.api(endpoints.season)
    return (await workshop.api(endpoints.batches.create, { body: { designId: soap.id, pourDay: today } })).id
  }

  it('is a PDF of one or two pages', async () => {
    const id = await pourOf()
    const response = await fetch(`${workshop.url}${endpoints.batches.runSheet.path.replace(':id', id)}`)
    expect(response.headers.get('content-type')).to.equal('application/pdf')
    const bytes = Buffer.from(await response.arrayBuffer())
    expect(bytes.subarray(0, 5).toString()).to.equal('%PDF-')
    const pages = bytes.toString('latin1').match(/\/Type \/Page\b/g) ?? []
    expect(pages.length).to.be.within(1, 2)
  })

  it('says all of the bench, and what comes before and after it', async () => {
    const milk = { name: 'Oat milk', waterShare: 0.9, partOfWater: 0.5, place: 'lye', contains: [] } as const
    const id = await pourOf({ ...aRecipe, liquids: [{ ...milk, contains: [] }] })
    const view = await workshop.api(endpoints.batches.view, { params: { id } })
    const { workshop: details } = await workshop.api(endpoints.season)
    const texts = textsOf(runSheetDocument(view, details).content as Content)
    expect(texts.find((text) => text.startsWith('Before the pour'))).to.match(/^Before the pour, \w{3} \d+ \w{3}/)
    expect(texts).to.include.members(['The days after', 'Weigh the fats', 'Lye', 'Pour'])
    expect(texts.find((text) => text.startsWith('Freeze'))).to.match(/^Freeze \d+ g of oat milk in cubes\.$/)
    // Once where it is weighed, and once in the list of all that goes in.
    expect(texts.filter((text) => text === `${view.plan.weights.naohG} g`)).to.have.length(2)
    expect(texts.some((text) => text.includes('never water into lye'))).to.equal(true)
  })

  it('reads back from its paper in ounces: every weight on the scale’s step, and the moves one by one', async () => {
    const { api } = workshop
    const { soap } = await furnish(workshop)
    const { id: _id, isRemoved: _removed, ...design } = soap
    const colours = [
      { name: 'fog', hex: '#CCCCCC', share: 0.6, rateGPerKg: 0, scentPart: 1 },
      { name: 'lamp', hex: '#DD9944', share: 0.4, rateGPerKg: 0, scentPart: 1 },
    ].map((colour) => ({ ...soap.colours[0]!, ...colour }))
    const pourPlan: SavedDesign['pourPlan'] = [
      { kind: 'level', pot: 0, part: 0.5, trace: 'medium', pots: undefined, path: undefined, along: undefined },
      { kind: 'powder', name: 'brass rail', hex: '#B98A3E', pots: undefined, path: undefined, along: undefined },
      { kind: 'level', pot: 1, part: 1, waitMin: 10, pots: undefined, path: undefined, along: undefined },
      { kind: 'level', pot: 0, part: 0.5, pots: undefined, path: undefined, along: undefined },
    ]
    await api(endpoints.designs.update, { params: { id: soap.id }, body: { ...design, colours, pourPlan } })
    const { workshop: details, today } = await api(endpoints.season)
    const ounces = { massUnit: 'oz', lengthUnit: 'in', temperatureUnit: '°F' } as const
    const scaleResolutionG = 0.05 * 28.349523125
    await api(endpoints.updateWorkshop, { body: { ...details, ...ounces, scaleResolutionG } })
    const { id } = await api(endpoints.batches.create, { body: { designId: soap.id, pourDay: today } })
    const { plan } = await api(endpoints.batches.view, { params: { id } })
    const paper = await fetch(`${workshop.url}${endpoints.batches.runSheet.path.replace(':id', id)}`)
    const text = (await textOfPdf(new Uint8Array(await paper.arrayBuffer()))).join(' ').replace(/\s+/g, ' ')
    const oz = (g: number): string => `${Number((Math.round(g / scaleResolutionG) * 0.05).toFixed(2))} oz`
    for (const { massG } of plan.weights.fats) expect(text).to.contain(oz(massG))
    for (const massG of [plan.weights.naohG, plan.weights.waterG]) expect(text).to.contain(oz(massG))
    const [fogG = 0, lampG = 0] = plan.weights.pots.map(({ batterG }) => batterG)
    expect(text).to.contain(`1. Level layer: fog, ${oz(fogG / 2)}`)
    expect(text).to.contain(`Left then: fog, ${oz(fogG / 2)}.`)
    expect(text).to.contain('2. Powder line')
    expect(text).to.contain('Dust brass rail on evenly')
    expect(text).to.contain(`3. Level layer: lamp, ${oz(lampG)}`)
    expect(text).to.contain('Wait 10 minutes first.')
    expect(text).to.contain('Left then: fog, nothing.')
    // Nothing is left in grams, millimetres or degrees Celsius.
    expect(text).not.to.match(/\d (g|kg|mm|ml|°C)\b/)
  })

  it('is not there for a pour that is not', async () => {
    const response = await fetch(`${workshop.url}/api/batches/none/run-sheet.pdf`)
    expect(response.status).to.equal(404)
  })
})
