import { expect } from 'chai'
import fc from 'fast-check'
import { partsFor, scaleDesign } from '../../src/batch'
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
})
