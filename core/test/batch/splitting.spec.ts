import { expect } from 'chai'
import fc from 'fast-check'
import { batchPlan, pourSession, partsFor, partToWeigh, runSheet, scaleDesign } from '../../src/batch'
import { workedSettings, workedSource } from '../blends'
import { plainly } from '../plainly'

const splits = (vessels: { largestPotMl: number; lyeJugMl: number }) =>
  scaleDesign({ ...workedSource, settings: { ...workedSettings, ...vessels } }).findings.filter(({ code }) =>
    code.endsWith('_too_small'),
  )

describe('what does not fit a vessel', () => {
  it('says nothing where all fits, or nobody has said what the vessels hold', () => {
    expect(splits({ largestPotMl: 0, lyeJugMl: 0 })).to.deep.equal([])
    expect(splits({ largestPotMl: 1300, lyeJugMl: 300 })).to.deep.equal([])
  })

  it('splits a batch that is larger than the largest pot, each part with its own lye', () => {
    // 1200 ml over 0.98 is 1224 ml of 1233 g, of them 847 g of fats.
    expect(splits({ largestPotMl: 700, lyeJugMl: 300 }).map(plainly)).to.deep.equal([
      'pot_too_small, batterMl 1224.5 ml, potMl 700 ml, pots 2, batter 616 g, fats 423 g',
    ])
  })

  it('splits lye that is larger than the jug', () => {
    // 119 g and 242 g of lye at 33 %, 1.3593 g/ml: 266 ml.
    expect(splits({ largestPotMl: 2000, lyeJugMl: 200 }).map(plainly)).to.deep.equal([
      'jug_too_small, lyeMl 265.6 ml, jugMl 200 ml, jugs 2, alkali 60 g, water 121 g',
    ])
  })

  it('makes as many parts as fit, and no more', () => {
    const ml = fc.double({ min: 1, max: 50_000, noNaN: true })
    fc.assert(
      fc.property(ml, ml, (volumeMl, vesselMl) => {
        const parts = partsFor(volumeMl, vesselMl)
        expect(volumeMl / parts).to.be.at.most(vesselMl * (1 + 1e-6))
        if (parts > 1) expect(volumeMl / (parts - 1)).to.be.greaterThan(vesselMl)
      }),
    )
  })

  it('is weighed part by part on the run sheet, what went over in one taken off the next', () => {
    const plan = batchPlan({ ...workedSource, settings: { ...workedSettings, largestPotMl: 700, lyeJugMl: 100 } })
    const step = (key: string) => runSheet(plan).find((one) => one.key === key)
    // 381 g of olive oil into two pots; 119 g of sodium hydroxide into two jugs for each of them.
    expect(step('fat:olive')).to.include({ parts: 2, planned: 381 })
    expect(plainly(step('fat:olive')?.detail)).to.equal(
      'several, sentences (into_parts, parts 2, vessels pots, each 191 g)',
    )
    expect(step('naoh')?.parts).to.equal(4)
    expect(plainly(step('naoh')?.detail)).to.contain('(into_parts, parts 4, vessels jugs, each 30 g) (naoh_detail)')
    expect(step('pot:0')?.parts).to.equal(undefined)
    expect(pourSession(plan, []).steps.find(({ key }) => key === 'water')?.parts).to.equal(4)
    expect(partToWeigh(381, 2, [195], 1)).to.equal(186)
    expect(partToWeigh(119, 4, [30, 30], 1)).to.equal(30)
    expect(partToWeigh(119, 4, [60, 70], 1)).to.equal(0)
  })

  it('adds up to the whole, whatever went into the parts before', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9000 }), fc.integer({ min: 1, max: 6 }), (wholeG, parts) => {
        const taken: number[] = []
        for (let part = 0; part < parts; part++) taken.push(partToWeigh(wholeG, parts, taken, 1))
        expect(taken.reduce((sum, massG) => sum + massG, 0)).to.be.closeTo(wholeG, 1e-6)
      }),
    )
  })
})
