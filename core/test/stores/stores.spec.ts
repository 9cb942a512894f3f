import { expect } from 'chai'
import fc from 'fast-check'
import type { Ingredient, Lot, Need } from '../../src/stores'
import {
  adjustmentFor,
  costOfUses,
  barsCameOut,
  costPerBar,
  ingredientKey,
  inPacks,
  keyOfIngredient,
  lackingForPour,
  leftOfLot,
  codeOfDelivery,
  deliveryOfCode,
  lotFault,
  lotFaultSentence,
  needsOfPours,
  repeatedLots,
  storesChanges,
  storesForecast,
  takeOldestFirst,
  useOfStep,
  usesOfPlan,
} from '../../src/stores'
import { workedPlan } from '../blends'
import { plainly } from '../plainly'

const today = '2027-03-08'

const lot = (id: string, receivedDay: string, leftAmount: number, more: Partial<Lot> = {}): Lot => ({
  id,
  supplier: 'Supplier',
  lotNumber: id,
  receivedDay,
  leftAmount,
  bestBeforeDay: null,
  isRecalled: false,
  receivedAmount: 1000,
  priceCents: 900,
  ...more,
})

const olive: Ingredient = {
  id: 'i1',
  kind: 'fat',
  name: 'Olive oil',
  ref: 'olive',
  leadDays: 5,
  packSize: 1000,
  perBar: 0,
  densityGMl: null,
  makeup: null,
  inci: '',
}
const need = (day: string, amount: number, name = 'Lantern Glass'): Need => ({
  key: 'fat:olive',
  kind: 'fat',
  name: 'Olive oil',
  amount,
  day,
  batchId: `${name} ${day}`,
  batchName: name,
})
const forecast = (lots: readonly Lot[], needs: readonly Need[], ingredients: readonly Ingredient[] = [olive]) =>
  storesForecast(ingredients, () => lots, needs, today)[0]

describe('ingredientKey', () => {
  it('finds what is written with other letters and spaces', () => {
    expect(ingredientKey('colourant', ' Carriage  Blue ')).to.equal('colourant:carriage blue')
    expect(keyOfIngredient(olive)).to.equal('fat:olive')
    expect(keyOfIngredient({ kind: 'scent', name: 'Amber blend', ref: '' })).to.equal('scent:amber blend')
  })
})

describe('usesOfPlan', () => {
  it('names everything that is weighed but the water', () => {
    expect(usesOfPlan(workedPlan()).map(({ key, amount }) => `${key} ${amount}`)).to.deep.equal([
      'fat:olive 381',
      'fat:coconut 254',
      'fat:shea 211',
      'alkali:naoh 119',
      // 739 g of batter at 7 g a kilo; the plain pot takes none.
      'colourant:amber 5.2',
      'scent:amber blend 25',
    ])
  })

  it('takes of a step what was weighed, and of a pot its colourant', () => {
    expect(useOfStep(workedPlan(), 'fat:olive', 390)?.amount).to.equal(390)
    // 5.2 g for the 725 g that are poured before the scent: 5.7 g for 800 g.
    expect(useOfStep(workedPlan(), 'pot:0', 800)).to.include({ key: 'colourant:amber', amount: 5.7 })
    expect(useOfStep(workedPlan(), 'pot:1', 500)).to.equal(undefined)
    expect(useOfStep(workedPlan(), 'water', 240)).to.equal(undefined)
    expect(useOfStep(workedPlan(), 'melt', null)).to.equal(undefined)
  })
})

describe('lackingForPour', () => {
  const stockOf = (stepKey: string, ...amounts: readonly number[]) => ({
    stepKey,
    lots: amounts.map((leftAmount) => ({ leftAmount })),
  })

  it('says what is short, and nothing of what is not kept', () => {
    const available = [stockOf('fat:olive', 300, 80), stockOf('fat:coconut', 254), stockOf('scent')]
    expect(lackingForPour(workedPlan(), available).map(plainly)).to.deep.equal([
      'stores_lack, name Olive oil, takes 381 g, has 380 g',
      'stores_lack, name Amber blend, takes 25 g, has 0 g',
    ])
  })

  it('gives what two pots share to the first', () => {
    const [first] = workedPlan().weights.pots
    const twice = { ...workedPlan(), weights: { ...workedPlan().weights, pots: [first!, first!] } }
    // 5.2 g each of 8 g.
    const available = [stockOf('pot:0', 8), stockOf('pot:1', 8)]
    expect(lackingForPour(twice, available).map(plainly)).to.deep.equal([
      'stores_lack, name amber, takes 5.2 g, has 2.8 g',
    ])
  })
})

describe('needsOfPours', () => {
  const pour = {
    batchId: 'b1',
    batchName: 'Lantern Glass',
    plan: workedPlan(),
    prepDay: '2027-03-10',
    readyDay: '2027-04-09',
    bars: 10,
  }

  it('wants ingredients by the day of preparing, and packaging by the day the bars are ready', () => {
    const box = { key: 'packaging:box', name: 'Box', perBar: 0.5 }
    const needs = needsOfPours([{ ...pour, doneSteps: new Set() }], [box])
    expect(needs.find(({ key }) => key === 'fat:olive')).to.include({ amount: 381, day: '2027-03-10' })
    // Ten bars, two to a box.
    expect(needs.find(({ key }) => key === 'packaging:box')).to.include({ amount: 5, day: '2027-04-09' })
  })

  it('leaves out what is weighed already', () => {
    const needs = needsOfPours([{ ...pour, doneSteps: new Set(['fat:olive', 'naoh']) }], [])
    expect(needs.map(({ key }) => key))
      .to.include('fat:shea')
      .and.not.to.include.members(['fat:olive', 'alkali:naoh'])
  })
})

describe('lotFault', () => {
  it('refuses recalled, expired and missing lots, the gravest first', () => {
    expect(lotFault(lot('a', '2027-01-01', 5), today)).to.equal(undefined)
    expect(lotFault(lot('a', '2027-01-01', 5, { isRecalled: true, bestBeforeDay: '2027-01-02' }), today)).to.equal(
      'recalled',
    )
    expect(lotFault(lot('a', '2027-01-01', 5, { bestBeforeDay: '2027-03-07' }), today)).to.equal('expired')
    expect(lotFault(lot('a', '2027-01-01', 5, { bestBeforeDay: today }), today)).to.equal(undefined)
    expect(lotFault(lot('a', '2027-03-09', 5), today)).to.equal('not_here')
    expect(lotFault(lot('a', '2027-01-01', 0), today)).to.equal('empty')
  })

  it('says why in words', () => {
    const old = lot('K-7', '2027-01-01', 5, { bestBeforeDay: '2027-03-01' })
    expect(plainly(lotFaultSentence(old, 'expired'))).to.equal('lot_expired, lot K-7, isNamed yes, day 2027-03-01')
    expect(plainly(lotFaultSentence(old, 'recalled'))).to.equal('lot_recalled, lot K-7, isNamed yes')
    expect(plainly(lotFaultSentence(lot('', '2027-03-12', 5), 'not_here'))).to.equal(
      'lot_not_here, lot , isNamed no, day 2027-03-12',
    )
    expect(plainly(lotFaultSentence(old, 'empty'))).to.equal('lot_empty, lot K-7, isNamed yes')
  })
})

describe('takeOldestFirst', () => {
  it('takes from the oldest lot, then from the next', () => {
    const lots = [lot('new', '2027-02-01', 500), lot('old', '2026-11-01', 120)]
    expect(takeOldestFirst(lots, 300, today)).to.deep.equal({
      taken: [
        { lotId: 'old', amount: 120 },
        { lotId: 'new', amount: 180 },
      ],
      missing: 0,
    })
  })

  it('passes over what may not be used, and says what is missing', () => {
    const lots = [
      lot('recalled', '2026-01-01', 500, { isRecalled: true }),
      lot('expired', '2026-02-01', 500, { bestBeforeDay: '2026-12-31' }),
      lot('good', '2027-01-01', 200.5),
    ]
    expect(takeOldestFirst(lots, 300, today)).to.deep.equal({
      taken: [{ lotId: 'good', amount: 200.5 }],
      missing: 99.5,
    })
  })

  it('takes and misses together what is wanted, and no lot beyond what it holds', () => {
    const anyLot = fc.record({ left: fc.integer({ min: 0, max: 5000 }), day: fc.integer({ min: 1, max: 28 }) })
    fc.assert(
      fc.property(fc.array(anyLot, { maxLength: 8 }), fc.integer({ min: 0, max: 20_000 }), (some, tenths) => {
        const lots = some.map(({ left, day }, index) =>
          lot(`l${index}`, `2027-02-${String(day).padStart(2, '0')}`, left / 10),
        )
        const amount = tenths / 10
        const { taken, missing } = takeOldestFirst(lots, amount, today)
        const sum = taken.reduce((total, one) => total + one.amount, missing)
        expect(sum).to.be.closeTo(amount, 1e-6)
        for (const { lotId, amount: part } of taken)
          expect(part).to.be.at.most(lots.find(({ id }) => id === lotId)?.leftAmount ?? -1)
      }),
    )
  })
})

describe('leftOfLot', () => {
  it('is what came, less what was used, with what counting found', () => {
    expect(leftOfLot({ receivedAmount: 1000, adjustment: -20 }, 300.5)).to.equal(679.5)
    expect(adjustmentFor(679.5, 1000, 300.5)).to.equal(-20)
  })
})

describe('costOfUses', () => {
  it('is the share of each lot’s price', () => {
    // 300 of 1000 g at 9.00, and 100 of 500 g at 12.00: 2.70 + 2.40.
    const lots = [lot('a', today, 0), lot('b', today, 0, { receivedAmount: 500, priceCents: 1200 })]
    const uses = [
      { lotId: 'a', amount: 300 },
      { lotId: 'b', amount: 100 },
    ]
    expect(costOfUses(uses, lots)).to.equal(510)
  })

  it('is not known when the price of a lot is not', () => {
    expect(costOfUses([{ lotId: 'a', amount: 1 }], [lot('a', today, 0, { priceCents: 0 })])).to.equal(undefined)
    expect(costOfUses([{ lotId: 'gone', amount: 1 }], [])).to.equal(undefined)
  })
})

describe('costPerBar', () => {
  it('shares what was used among the bars, and says nothing it does not know', () => {
    const use = (name: string, cents: number | undefined) => ({ name, cents })
    const priced = [use('Olive oil', 900), use('Coconut oil', 162), use('Amber', 138)]
    expect(costPerBar(priced, 12)).to.deep.equal({ cents: 100, withoutPrice: [] })
    // What has no price is named beside the sum, once.
    expect(costPerBar([...priced, use('Clay', undefined), use('Clay', undefined)], 12)).to.deep.equal({
      cents: 100,
      withoutPrice: ['Clay'],
    })
    expect(costPerBar([], 12)).to.equal(undefined)
    expect(costPerBar(priced, 0)).to.equal(undefined)
  })

  it('goes by the bars that came out, once they have', () => {
    const planned = { barsPlanned: 12, state: {} }
    expect(barsCameOut([planned, planned])).to.equal(24)
    expect(barsCameOut([planned, { barsPlanned: 12, state: { cut: { bars: 9 } } }])).to.equal(21)
  })
})

describe('storesForecast', () => {
  it('reserves for the pours on the calendar', () => {
    const line = forecast([lot('a', '2027-01-01', 900)], [need('2027-03-10', 300), need('2027-03-20', 200)])
    expect(line).to.include({ inStore: 900, reserved: 500, free: 400, onOrder: 0, unusable: 0 })
    expect(line?.shortage).to.equal(undefined)
  })

  it('says what is short, for whom, and by when to order it in whole packs', () => {
    const needs = [
      need('2027-03-20', 400, 'Second'),
      need('2027-03-10', 300, 'First'),
      need('2027-04-01', 900, 'Third'),
    ]
    const line = forecast([lot('a', '2027-01-01', 500)], needs)
    // 500 − 300 leave 200 for the second, which lacks 200; the third lacks all its 900: 1100 are two packs.
    expect(line?.shortage).to.deep.equal({
      missing: 1100,
      firstDay: '2027-03-20',
      orderByDay: '2027-03-15',
      isLate: false,
      orderAmount: 2000,
      batches: [
        { id: 'Second 2027-03-20', name: 'Second', missing: 200 },
        { id: 'Third 2027-04-01', name: 'Third', missing: 900 },
      ],
    })
  })

  it('is late once the order day is past', () => {
    expect(forecast([], [need('2027-03-12', 10)])?.shortage).to.include({ orderByDay: '2027-03-07', isLate: true })
    expect(forecast([], [need('2027-03-13', 10)])?.shortage).to.include({ orderByDay: today, isLate: false })
  })

  it('does not count on a lot that expires before the pour, nor on one that comes after it', () => {
    const lots = [lot('expiring', '2026-06-01', 500, { bestBeforeDay: '2027-03-15' }), lot('coming', '2027-03-25', 800)]
    expect(forecast(lots, [need('2027-03-14', 500)])?.shortage).to.equal(undefined)
    expect(forecast(lots, [need('2027-03-20', 500)])?.shortage?.missing).to.equal(500)
    expect(forecast(lots, [need('2027-03-26', 500)])?.shortage).to.equal(undefined)
    expect(forecast(lots, [])).to.include({ inStore: 500, onOrder: 800, free: 1300 })
  })

  it('tells of what pours take and the stores do not know', () => {
    const line = forecast([], [need('2027-03-20', 10)], [])
    expect(line).to.include({ name: 'Olive oil', ingredient: undefined })
    expect(line?.shortage).to.include({ missing: 10, orderByDay: null, isLate: false })
  })

  it('puts what has to be ordered first at the top', () => {
    const shea: Ingredient = { ...olive, id: 'i2', name: 'Shea butter', ref: 'shea', leadDays: 20 }
    const needs = [need('2027-04-10', 5), { ...need('2027-04-15', 5), key: 'fat:shea', name: 'Shea butter' }]
    const lines = storesForecast([olive, shea], () => [], needs, today)
    expect(lines.map(({ name, shortage }) => `${name} ${shortage?.orderByDay}`)).to.deep.equal([
      'Shea butter 2027-03-26',
      'Olive oil 2027-04-05',
    ])
  })

  it('counts what a recalled lot still holds apart', () => {
    const line = forecast([lot('a', '2027-01-01', 70, { isRecalled: true })], [])
    expect(line).to.include({ inStore: 0, unusable: 70 })
  })

  it('rounds up to whole packs', () => {
    expect(inPacks(1100, 500)).to.equal(1500)
    expect(inPacks(1000, 500)).to.equal(1000)
    expect(inPacks(7.3, 0)).to.equal(7.3)
  })
})

describe('storesChanges', () => {
  const known = { ...lot('a', '2027-01-01', 600), ingredientId: 'i1' }
  const row = {
    ...({ kind: 'fat', name: 'Olive oil', ref: 'olive', leadDays: null } as const),
    lot: {
      supplier: 'Supplier',
      lotNumber: 'a',
      receivedDay: '2027-01-01',
      bestBeforeDay: null,
      receivedAmount: 1000,
      leftAmount: 600,
      priceCents: 900,
    },
  }
  const effects = (...rows: readonly Parameters<typeof storesChanges>[0][number][]) =>
    storesChanges(rows, [olive], [known]).map(({ effect }) => effect)

  it('tells new things from changed and known ones', () => {
    expect(effects(row)).to.deep.equal(['nothing'])
    expect(effects({ ...row, lot: { ...row.lot, leftAmount: null } })).to.deep.equal(['nothing'])
    expect(effects({ ...row, lot: { ...row.lot, leftAmount: 580 } })).to.deep.equal(['lot_changed'])
    expect(effects({ ...row, lot: { ...row.lot, lotNumber: 'b' } })).to.deep.equal(['new_lot'])
    expect(effects({ ...row, leadDays: 9 })).to.deep.equal(['lead_changed'])
    const scent = { ...row, kind: 'scent', ref: '', name: 'Amber blend' } as const
    expect(effects(scent, { ...scent, lot: { ...row.lot, lotNumber: 'c' } })).to.deep.equal([
      'new_ingredient',
      'new_lot',
    ])
  })

  it('finds a lot that is named twice', () => {
    expect(repeatedLots([row, { ...row, lot: null }, row])).to.deep.equal([2])
    expect(repeatedLots([row, { ...row, lot: { ...row.lot, supplier: 'Other' } }])).to.deep.equal([])
  })
})

describe('the code on the card of a delivery', () => {
  it('names its lot, and no other code does', () => {
    expect(deliveryOfCode(` ${codeOfDelivery('lot-7')} `)).to.equal('lot-7')
    for (const other of ['lot:270301-1', 'rack:North', 'delivery:', '', 'lot-7'])
      expect(deliveryOfCode(other), other).to.equal(undefined)
  })
})
