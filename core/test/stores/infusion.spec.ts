import { expect } from 'chai'
import fc from 'fast-check'
import {
  costOfInfusion,
  expectedYieldG,
  infusedFrom,
  infusionNumber,
  keepsUntil,
  lotFault,
  strainingDay,
} from '../../src/stores'

const lot = {
  id: 'a',
  supplier: '',
  lotNumber: '',
  receivedDay: '2027-01-01',
  bestBeforeDay: null,
  isRecalled: false,
  receivedAmount: 1000,
  leftAmount: 1000,
  priceCents: 900,
}

describe('an infusion', () => {
  it('comes out by what a gram of herb keeps back, learned once some were strained', () => {
    expect(expectedYieldG({ oilG: 500, herbG: 50 })).to.deep.equal({ massG: 440, isLearned: false })
    const done = [
      { oilG: 500, herbG: 50, yieldG: 400 },
      { oilG: 300, herbG: 50, yieldG: 200 },
    ]
    // 200 g stayed in 100 g of herbs.
    expect(expectedYieldG({ oilG: 500, herbG: 50 }, done)).to.deep.equal({ massG: 400, isLearned: true })
    expect(expectedYieldG({ oilG: 100, herbG: 90 }).massG).to.equal(0)
  })

  it('never gives more than went in, nor less than nothing', () => {
    const mass = fc.double({ min: 0, max: 5000, noNaN: true })
    fc.assert(
      fc.property(mass, mass, fc.array(fc.record({ oilG: mass, herbG: mass, yieldG: mass })), (oilG, herbG, done) => {
        expect(expectedYieldG({ oilG, herbG }, done).massG).to.be.within(0, oilG + 1e-4)
      }),
    )
  })

  it('costs its part of each lot, and keeps no longer than the first of them', () => {
    const lots = [
      { ...lot, carriageCents: 100, bestBeforeDay: '2028-01-01' },
      { ...lot, id: 'b', receivedAmount: 200, priceCents: 400, bestBeforeDay: '2027-09-01' },
      { ...lot, id: 'c', priceCents: 0 },
    ]
    const parts = [
      { lotId: 'a', amount: 500 },
      { lotId: 'b', amount: 50 },
      { lotId: 'c', amount: 10 },
    ]
    expect(costOfInfusion(parts, lots)).to.equal(500 + 100)
    expect(keepsUntil(parts, lots)).to.equal('2027-09-01')
    expect(keepsUntil([{ lotId: 'c', amount: 1 }], lots)).to.equal(null)
  })

  it('steeps until it is strained, whatever the day', () => {
    const steeping = { ...lot, infusion: { isStrained: false } }
    expect(lotFault(steeping, '2029-01-01')).to.equal('steeping')
    expect(lotFault({ ...lot, infusion: { isStrained: true } }, '2029-01-01')).to.equal(undefined)
    expect(strainingDay('2027-03-08', 28)).to.equal('2027-04-05')
  })

  it('is numbered by the day it was begun', () => {
    expect(infusionNumber('2027-03-08', [])).to.equal('I270308')
    expect(infusionNumber('2027-03-08', ['I270308', 'I270308-2'])).to.equal('I270308-3')
  })

  it('is found behind what was infused again', () => {
    const of = (id: string, ...from: string[]) => ({
      id,
      infusion: { parts: from.map((lotId) => ({ lotId, amount: 1 })) },
    })
    const all = [of('twice', 'once', 'herb'), of('once', 'oil'), of('other', 'fat')]
    expect([...infusedFrom('oil', all)].sort()).to.deep.equal(['once', 'twice'])
    expect(infusedFrom('herb', all)).to.deep.equal(['twice'])
    expect(infusedFrom('nothing', all)).to.deep.equal([])
  })
})
