import { expect } from 'chai'
import fc from 'fast-check'
import { barsOfMould, thicknessForMouldBars } from '../../src/cutting'
import { blockOf, checkMould, fillVolumeMl, filledTo, learnedTakeUp, takeUpFactor } from '../../src/mould'
import { workedMould } from '../blends'
import { plainly } from '../plainly'

describe('loaf mould', () => {
  it('holds length × width × fill height', () => {
    expect(fillVolumeMl(workedMould)).to.equal(1200)
  })

  it('loses the liner from each side and from the base', () => {
    const lined = { ...workedMould, linerMm: 2 }
    // 246 × 76 × 60 mm; the brim stands at 70 − 2 = 68 mm above the liner.
    expect(blockOf(lined)).to.deep.equal({ lengthMm: 246, widthMm: 76, heightMm: 60 })
    expect(fillVolumeMl(lined)).to.be.closeTo(1121.76, 1e-9)
    expect(checkMould({ ...lined, fillHeightMm: 68 })).to.deep.equal([])
    expect(plainly(checkMould({ ...lined, fillHeightMm: 69 })[0])).to.equal('fill_above_brim, brim 68')
  })

  const refusals = [
    ['a mould 3 m long', { lengthMm: 3000 }, 'out_of_range', 'lengthMm'],
    ['a width of nothing', { widthMm: 0 }, 'out_of_range', 'widthMm'],
    ['a height that is no number', { heightMm: Number.NaN }, 'out_of_range', 'heightMm'],
    ['a liner thicker than liners are', { linerMm: 50 }, 'out_of_range', 'linerMm'],
    ['no fill', { fillHeightMm: 0 }, 'fill_height_zero', 'fillHeightMm'],
    ['a fill above the brim', { fillHeightMm: 71 }, 'fill_above_brim', 'fillHeightMm'],
    ['a liner that fills the mould', { widthMm: 30, linerMm: 15 }, 'liner_fills_mould', 'linerMm'],
  ] as const
  for (const [what, wrong, code, field] of refusals) {
    it(`refuses ${what}, naming the field`, () => {
      const findings = checkMould({ ...workedMould, ...wrong })
      expect(findings.map((finding) => [finding.severity, finding.code, finding.field])).to.deep.equal([
        ['refuse', code, field],
      ])
      expect(() => blockOf({ ...workedMould, ...wrong })).to.throw(RangeError, 'Expected a mould that can be filled')
    })
  }

  it('never throws while checking, and whatever passes holds something', () => {
    const side = fc.oneof(fc.double(), fc.double({ min: 0, max: 400, noNaN: true }))
    const mould = fc.record({ lengthMm: side, widthMm: side, heightMm: side, linerMm: side, fillHeightMm: side })
    fc.assert(
      fc.property(mould, (typed) => {
        if (checkMould(typed).length === 0) expect(fillVolumeMl(typed)).to.be.greaterThan(0)
      }),
      { numRuns: 500 },
    )
  })
})

describe('moulds of other shapes', () => {
  const tapered = { ...workedMould, topLengthMm: 270, topWidthMm: 94 }

  it('a tapered loaf is a prismatoid', () => {
    // At 60 of 70 mm the opening is 250 + 20·6/7 = 267.143 by 80 + 14·6/7 = 92 mm, at 30 mm 258.571 by 86 mm.
    // 60/6 · (250·80 + 4·258.571·86 + 267.143·92) = 60 · 22 287.6 mm³ = 1335.25 ml.
    expect(fillVolumeMl(tapered)).to.be.closeTo(1335.25, 0.05)
    expect(blockOf(tapered)).to.deep.equal({ lengthMm: 250, widthMm: 86, heightMm: 60 })
  })

  it('takes the liner of a taper off horizontally', () => {
    const lined = { ...tapered, linerMm: 2 }
    // Between 2 and 62 mm: 250.571−4 by 80.4−4 mm below, 267.714−4 by 92.4−4 above, 259.143−4 by 86.4−4 between.
    const [low, middle, high] = [246.571 * 76.4, 255.143 * 82.4, 263.714 * 88.4]
    expect(fillVolumeMl(lined)).to.be.closeTo((60 / 6 / 1000) * (low! + 4 * middle! + high!), 0.05)
  })

  it('a mould that widens holds more than its base says, and less than its brim', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 60 }), (longer, wider) => {
        const ml = fillVolumeMl({ ...workedMould, topLengthMm: 250 + longer, topWidthMm: 80 + wider })
        expect(ml).to.be.within(1200 - 1e-9, ((250 + longer) * (80 + wider) * 60) / 1000 + 1e-9)
      }),
    )
  })

  it('a slab gives the bars of all its logs', () => {
    const slab = { ...workedMould, shape: 'slab', lengthMm: 300, widthMm: 240, logCount: 3 } as const
    expect(fillVolumeMl(slab)).to.equal(4320)
    // 3 logs of 300 mm at 25 mm: 36 bars of 80 × 60 × 25 mm.
    expect(barsOfMould(slab)).to.deep.equal({ bars: 36, restMm: 0, barMl: 120 })
    // 40 bars are 14 a log: 300 / 14 mm.
    expect(thicknessForMouldBars(slab, 40)).to.be.closeTo(21.43, 0.01)
  })

  it('a cylinder is cut into discs along its height', () => {
    const cylinder = { ...workedMould, shape: 'cylinder', widthMm: 70, heightMm: 260, fillHeightMm: 250 } as const
    // π/4 · 70² · 250 mm³ = 962.1 ml; ten discs of 96.2 ml.
    expect(fillVolumeMl(cylinder)).to.be.closeTo(962.11, 0.01)
    const { bars, barMl } = barsOfMould(cylinder)
    expect(bars).to.equal(10)
    expect(barMl).to.be.closeTo(96.21, 0.01)
  })

  it('a tray gives a bar for each cavity, and nothing is cut', () => {
    const tray = { ...workedMould, shape: 'cavities', cavityCount: 6, cavityMl: 95 } as const
    expect(fillVolumeMl(tray)).to.equal(570)
    expect(barsOfMould(tray)).to.deep.equal({ bars: 6, restMm: 0, barMl: 95 })
    expect(thicknessForMouldBars(tray, 8)).to.equal(undefined)
    expect(() => blockOf(tray)).to.throw(RangeError, 'tray of cavities')
    expect(checkMould({ ...tray, cavityCount: 0, cavityMl: 9000 }).map(({ field }) => field)).to.deep.equal([
      'cavityCount',
      'cavityMl',
    ])
  })

  it('what was measured goes before the sizes, and moves with the fill', () => {
    const measured = { ...workedMould, measuredMl: 1260 }
    expect(fillVolumeMl(measured)).to.equal(1260)
    expect(takeUpFactor(measured)).to.be.closeTo(1.05, 1e-12)
    // A bar of 25 mm takes its share: 120 ml · 1.05.
    expect(barsOfMould(measured).barMl).to.be.closeTo(126, 1e-9)
    // Half the fill: 600 ml · 1.05.
    expect(fillVolumeMl(filledTo(measured, 30))).to.be.closeTo(630, 1e-9)
    expect(plainly(checkMould({ ...workedMould, measuredMl: 0 })[0])).to.equal('out_of_range, least 10, most 60000')
  })

  it('refuses tops and logs that no mould has', () => {
    expect(checkMould({ ...workedMould, topLengthMm: 5 })[0]?.field).to.equal('topLengthMm')
    expect(checkMould({ ...workedMould, logCount: 2.5 })[0]?.field).to.equal('logCount')
    expect(checkMould({ ...workedMould, topWidthMm: 30, linerMm: 15 })[0]?.code).to.equal('liner_fills_mould')
  })
})

describe('learnedTakeUp', () => {
  it('is the mean of the pours with its spread', () => {
    expect(learnedTakeUp([])).to.equal(undefined)
    expect(learnedTakeUp([1210])).to.deep.equal({ n: 1, meanMl: 1210, spreadMl: 0 })
    // Mean 1210; squares 100 + 0 + 100 over 2.
    expect(learnedTakeUp([1200, 1210, 1220])).to.deep.equal({ n: 3, meanMl: 1210, spreadMl: 10 })
  })
})
