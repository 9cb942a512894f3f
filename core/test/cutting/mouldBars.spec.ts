import { expect } from 'chai'
import type { BarCut } from '../../src/cutting'
import { barSidesOf, barsOfMould, logsOf, thicknessForMouldBars } from '../../src/cutting'
import type { Mould } from '../../src/mould'

const loaf: Mould & BarCut = {
  lengthMm: 254,
  widthMm: 80,
  heightMm: 70,
  linerMm: 0,
  fillHeightMm: 50,
  barThicknessMm: 25,
  endTrimMm: 2,
  kerfMm: 0,
}
const slab: Mould & BarCut = { ...loaf, shape: 'slab', widthMm: 240, logCount: 3 }
const cavities: Mould & BarCut = { ...loaf, shape: 'cavities', cavityCount: 12, cavityMl: 90 }

describe('bars of a mould', () => {
  it('are the slices of a loaf', () => {
    expect(barsOfMould(loaf)).to.deep.equal({ bars: 10, restMm: 0, barMl: 100 })
    expect(barSidesOf(loaf)).to.deep.equal({ widthMm: 80, heightMm: 50, thicknessMm: 25 })
  })

  it('are those of every log of a slab, and a loaf’s number of logs counts for nothing', () => {
    expect(barsOfMould(slab)).to.deep.equal({ bars: 30, restMm: 0, barMl: 100 })
    expect(barSidesOf(slab).widthMm).to.equal(80)
    expect([logsOf(slab), logsOf({ shape: 'slab' }), logsOf({ ...loaf, logCount: 3 })]).to.deep.equal([3, 1, 1])
  })

  it('are the discs of a cylinder', () => {
    const { bars, barMl } = barsOfMould({ ...loaf, shape: 'cylinder', heightMm: 260, fillHeightMm: 254 })
    expect(bars).to.equal(10)
    // π · 4² · 2.5 cm³
    expect(barMl).to.be.closeTo(125.664, 0.001)
  })

  it('are a tray’s cavities, each by what it takes up', () => {
    expect(barsOfMould(cavities)).to.deep.equal({ bars: 12, restMm: 0, barMl: 90 })
    // Twelve cavities of 90 ml hold 1080 ml by the catalogue, 1026 by water: a bar 85.5.
    expect(barsOfMould({ ...cavities, measuredMl: 1026 }).barMl).to.be.closeTo(85.5, 1e-9)
    expect(barsOfMould({ ...loaf, measuredMl: 914.4 }).barMl).to.be.closeTo(90, 1e-9)
  })

  it('come out in a wished number at one thickness', () => {
    expect(thicknessForMouldBars(loaf, 8)).to.equal(31.25)
    // 25 bars of three logs: nine of each.
    expect(thicknessForMouldBars(slab, 25)).to.be.closeTo(250 / 9, 1e-9)
    expect(thicknessForMouldBars(cavities, 8)).to.equal(undefined)
  })
})
