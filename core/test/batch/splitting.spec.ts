import { expect } from 'chai'
import fc from 'fast-check'
import { batchPlan, pourSession, partsFor, partToWeigh, runSheet, scaleDesign } from '../../src/batch'
import { workedSettings, workedSource } from '../blends'

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
    expect(splits({ largestPotMl: 700, lyeJugMl: 300 }).map(({ message }) => message)).to.deep.equal([
      '1224 ml of batter do not fit the largest pot of 700 ml. Make it in 2 parts of 617 g, each of 424 g of fats with its own lye.',
    ])
  })

  it('splits lye that is larger than the jug', () => {
    // 119 g and 242 g of lye at 33 %, 1.3593 g/ml: 266 ml.
    expect(splits({ largestPotMl: 2000, lyeJugMl: 200 }).map(({ message }) => message)).to.deep.equal([
      '266 ml of lye do not fit the jug of 200 ml. Dissolve it in 2 jugs, 60 g of alkali into 121 g of water each.',
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
    expect(step('fat:olive')).to.include({ parts: 2, planned: 381, detail: 'Into 2 pots, 191 g each.' })
    expect(step('naoh')?.parts).to.equal(4)
    expect(step('naoh')?.detail).to.match(/^Into 4 jugs, 30 g each\. /)
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
