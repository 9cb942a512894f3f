import { expect } from 'chai'
import type { BatchPlan } from '../../src/batch'
import { parseSalesCsv, writeRecallCsv } from '../../src/release/csv'
import {
  allergensOfText,
  allergenText,
  bestBeforeOf,
  labelIngredients,
  labelLacksSentence,
  labelOf,
  labelPlaces,
  labelStocks,
  missingOnLabel,
  sellThrough,
  suggestedInci,
  usualInci,
} from '../../src/release'
import { plainly } from '../plainly'

const plan = {
  recipe: { fats: [], superfat: 0.05, lyeConcentration: 0.33, naohPurity: 1 },
  scent: { name: 'Amber blend', rate: 0.03, supplierLimit: null },
  weights: {
    fats: [
      { fatKey: 'olive', name: 'Olive oil', massG: 700 },
      { fatKey: 'coconut', name: 'Coconut oil', massG: 300 },
    ],
    naohG: 140,
    waterG: 284,
    scentG: 30,
    batterG: 1454,
    pots: [
      { colour: { name: 'Mica amber' }, colourantG: 4 },
      { colour: { name: 'plain' }, colourantG: 0 },
    ],
    liquids: [],
    additives: [{ name: 'Kaolin', massG: 5 }],
  },
} as unknown as BatchPlan

describe('labelIngredients', () => {
  const found = labelIngredients(plan, 0.11, [
    { name: 'Linalool', share: 0.1 },
    { name: 'Citral', share: 0.002 },
  ])
  const share = (name: string) => found.find((one) => one.name === name)?.share ?? 0

  it('stands in falling order, what is below 1 % after it and colours last', () => {
    const names = found.map(({ name }) => name)
    expect(names.slice(0, 2)).to.deep.equal(['Sodium Olivate', 'Sodium Cocoate'])
    expect(names.at(-1)).to.equal('Mica amber')
    const large = found.filter((one) => one.share >= 0.01).map((one) => one.share)
    expect(large).to.deep.equal([...large].sort((a, b) => b - a))
    expect(names.indexOf('Kaolin')).to.be.above(names.indexOf('Parfum'))
  })

  it('is a balance: what went in, less what dried', () => {
    const sum = found.filter(({ kind }) => kind !== 'allergen').reduce((total, one) => total + one.share, 0)
    expect(sum).to.be.closeTo(1, 1e-9)
    // 950 g of fats set free about 10.6 % of glycerin of their mass: 92.1/3 g a mole, 0.00345 mole a gram.
    expect(share('Glycerin')).to.be.within(0.07, 0.09)
    expect(share('Olea Europaea Fruit Oil')).to.be.closeTo((700 * 0.05) / (1454 * 0.89), 0.002)
  })

  it('names what colours a pot, and no pot that has no colour in it', () => {
    expect(share('Mica amber')).to.be.closeTo(4 / (1454 * 0.89), 0.0003)
    expect(found.map(({ name }) => name)).to.not.include('plain')
  })

  it('names the soaps of both alkalis where there are two, and stays a balance', () => {
    const { recipe } = plan
    const dual = labelIngredients({ ...plan, recipe: { ...recipe, kohShare: 0.25 } }, 0.11)
    const of = (name: string): number => dual.find((one) => one.name === name)?.share ?? 0
    // A mole of potassium soap is 16.1 g heavier than one of sodium soap: 665 g of olive oil take 2.252 mol of alkali.
    const moles = (665 * 0.19) / 56.106
    const sodiumG = 665 + moles * (39.997 - 92.094 / 3)
    expect(of('Potassium Olivate') / of('Sodium Olivate')).to.be.closeTo(
      (0.25 * (sodiumG + moles * 16.109)) / (0.75 * sodiumG),
      1e-6,
    )
    expect(dual.reduce((sum, one) => sum + one.share, 0)).to.be.closeTo(1, 1e-9)
    expect(found.some(({ name }) => name.startsWith('Potassium'))).to.equal(false)
  })

  it('puts what the stores call a thing on a label in its place, and tells what has no such name', () => {
    const known = [
      { kind: 'additive', name: ' kaolin', inci: 'Kaolin' },
      { kind: 'colourant', name: 'MICA amber', inci: 'CI 77492' },
      // A scent of the same name is another thing.
      { kind: 'scent', name: 'Kaolin', inci: 'Parfum' },
    ] as const
    const named = labelIngredients(plan, 0.11, [], known)
    expect(named.map(({ name }) => name)).to.include.members(['Kaolin', 'CI 77492'])
    expect(named.every(({ isNamed }) => isNamed)).to.equal(true)
    expect(found.filter(({ isNamed }) => !isNamed).map(({ name }) => name)).to.deep.equal(['Kaolin', 'Mica amber'])
    const terms = { labelStyle: 'eu', makerAddress: 'Ours', cureLoss: 0.11 } as const
    const loaf = { soapName: 'x', labelMassG: 100, lotCode: '1', state: {} }
    const { lacks } = labelOf(loaf, plan, known.slice(0, 1), terms, '2027-04-12')
    expect(lacks).to.deep.equal({ parts: ['inci'], unnamed: ['Mica amber'] })
    expect(plainly(labelLacksSentence(lacks))).to.equal(
      'label_lacks, parts (label_part, part inci), unnamed Mica amber, hasUnnamed yes',
    )
    expect(labelLacksSentence(labelOf(loaf, plan, known, terms, '2027-04-12').lacks)).to.equal(undefined)
  })

  it('suggests what such things are usually called', () => {
    expect(suggestedInci('Titanium dioxide')).to.equal('CI 77891')
    expect(suggestedInci(' French  green Clay')).to.equal('Illite')
    expect(suggestedInci('White clay')).to.equal('Kaolin')
    expect(suggestedInci('Oar white')).to.equal('CI 77891')
    expect(suggestedInci('Moonstone dust')).to.equal(undefined)
    expect(usualInci).to.include('Sodium Chloride')
  })

  it('names allergens from the rinse-off threshold on', () => {
    expect(share('Linalool')).to.be.above(0.0001)
    expect(found.map(({ name }) => name)).to.not.include('Citral')
  })
})

describe('what is missing on a label', () => {
  it('is told part by part, and how long a bar keeps', () => {
    expect(missingOnLabel({ name: 'x', netMassG: 0, maker: ' ' }, [])).to.deep.equal([
      'net_mass',
      'maker',
      'ingredients',
    ])
    const aqua = { name: 'Aqua', share: 0.6, kind: 'water', isNamed: true } as const
    expect(missingOnLabel({ name: 'x', netMassG: 120, maker: 'Ours' }, [aqua])).to.deep.equal([])
    expect(bestBeforeOf('2027-04-12')).to.equal('2029-04-11')
  })
})

describe('allergens of a certificate', () => {
  it('are read as they are typed, and written so again', () => {
    const read = allergensOfText('Linalool 12 %, Citral 0,5%; d-Limonene 3.25 %')
    expect(read).to.deep.equal([
      { name: 'Linalool', share: 0.12 },
      { name: 'Citral', share: 0.005 },
      { name: 'd-Limonene', share: 0.0325 },
    ])
    expect(allergensOfText(allergenText(read ?? []))).to.deep.equal(read)
    expect(allergensOfText('')).to.deep.equal([])
    expect(allergensOfText('Linalool, 12')).to.equal(undefined)
  })
})

describe('labelPlaces', () => {
  it('keeps every label on its sheet, none over another', () => {
    for (const stock of labelStocks) {
      const places = labelPlaces(stock, stock.columns * stock.rows + 1)
      expect(places.at(-1)).to.deep.equal({ page: 1, xMm: stock.leftMm, yMm: stock.topMm })
      for (const { page, xMm, yMm } of places) {
        expect(xMm + stock.labelWidthMm).to.be.at.most(stock.pageWidthMm)
        expect(yMm + stock.labelHeightMm).to.be.at.most(stock.pageHeightMm)
        const same = places.filter((one) => one.page === page && one.xMm === xMm && one.yMm === yMm)
        expect(same).to.have.length(1)
      }
    }
  })
})

describe('sellThrough', () => {
  it('is what was sold of what was set aside, by channel', () => {
    const states = [
      { channels: [{ channel: 'Web', allotted: 10, sold: 4 }] },
      {
        channels: [
          { channel: 'Web', allotted: 10, sold: 10 },
          { channel: 'Stalls', allotted: 5, sold: 0 },
        ],
      },
    ] as const
    expect(sellThrough(states)).to.deep.equal([
      { channel: 'Web', allotted: 20, sold: 14, share: 0.7 },
      { channel: 'Stalls', allotted: 5, sold: 0, share: 0 },
    ])
  })
})

describe('a table of sales', () => {
  it('is read by its heading, and each line keeps a number of its own', () => {
    const read = parseSalesCsv('Day,Soap,Bars,Channel,Buyer,Price\n2027-04-12,Lantern Glass,3,web,A. Buyer,"9,50"\n')
    expect(read).to.deep.equal({
      ok: true,
      sales: [
        {
          day: '2027-04-12',
          soap: 'Lantern Glass',
          lotCode: '',
          channel: 'Web',
          bars: 3,
          buyer: 'A. Buyer',
          saleId: '2027-04-12 Lantern Glass Web A. Buyer 1',
          priceCents: 950,
        },
      ],
    })
  })

  it('says line by line what cannot be read', () => {
    expect(parseSalesCsv('day,soap\n')).to.deep.equal({
      ok: false,
      problems: [{ code: 'sales_columns', params: { missing: ['bars', 'channel'] } }],
    })
    const bad = parseSalesCsv('day,soap,bars,channel\nsoon,x,1,web\n2027-04-12,x,0,web\n2027-04-12,x,1,market\n')
    expect(!bad.ok && bad.problems.map(plainly)).to.deep.equal([
      'at_line, line 2, problem (sale_no_day)',
      'at_line, line 3, problem (sale_bars_range)',
      'at_line, line 4, problem (sale_channel_unknown, channels Web Stalls Shops Subscribers Orders Kept)',
    ])
    expect(parseSalesCsv('x'.repeat(2_000_001)).ok).to.equal(false)
  })

  it('writes a list for calling bars back', () => {
    const row = { lotCode: '270308-1', soap: 'Fog', day: '2027-04-12', channel: 'Web', buyer: 'B, C', bars: 2 }
    expect(writeRecallCsv([row])).to.equal('lot,soap,day,channel,buyer,bars\n270308-1,Fog,2027-04-12,Web,"B, C",2')
    expect(writeRecallCsv([{ ...row, buyer: '=1+1' }])).to.contain(`,Web,"'=1+1",2`)
  })
})
