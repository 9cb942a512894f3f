import { expect } from 'chai'
import fc from 'fast-check'
import { barsFromLoaf, cutMarks, cutOutcome, heaviestBarG, thicknessForBars } from '../../src/cutting'

describe('barsFromLoaf', () => {
  it('counts whole bars between the trims', () => {
    expect(barsFromLoaf(254, { barThicknessMm: 25.4, endTrimMm: 0, kerfMm: 0 })).to.deep.equal({ bars: 10, restMm: 0 })
    expect(barsFromLoaf(250, { barThicknessMm: 25, endTrimMm: 5, kerfMm: 0 })).to.deep.equal({ bars: 9, restMm: 15 })
  })

  it('lets kerf fall between pieces only', () => {
    // 5 bars of 20 and 4 cuts of 2 take 108 mm.
    expect(barsFromLoaf(108, { barThicknessMm: 20, endTrimMm: 0, kerfMm: 2 })).to.deep.equal({ bars: 5, restMm: 0 })
    expect(barsFromLoaf(107.9, { barThicknessMm: 20, endTrimMm: 0, kerfMm: 2 }).bars).to.equal(4)
  })

  it('gives no bar from a loaf that is too short', () => {
    expect(barsFromLoaf(20, { barThicknessMm: 25, endTrimMm: 5, kerfMm: 0 })).to.deep.equal({ bars: 0, restMm: 10 })
  })

  it('throws on lengths that cannot be', () => {
    const cut = { barThicknessMm: 25, endTrimMm: 0, kerfMm: 0 }
    expect(() => barsFromLoaf(Number.NaN, cut)).to.throw(RangeError, 'Expected lengthMm')
    expect(() => barsFromLoaf(250, { ...cut, barThicknessMm: 0 })).to.throw(
      RangeError,
      'Expected barThicknessMm from 5',
    )
    expect(() => barsFromLoaf(250, { ...cut, kerfMm: 9 })).to.throw(RangeError, 'Expected kerfMm')
    expect(() => barsFromLoaf(250, { ...cut, endTrimMm: -1 })).to.throw(RangeError, 'Expected endTrimMm')
  })

  it('uses up the loaf: bars, kerf, trims and rest make its length', () => {
    const length = fc.double({ min: 120, max: 1500, noNaN: true })
    const thickness = fc.double({ min: 5, max: 60, noNaN: true })
    fc.assert(
      fc.property(length, thickness, fc.double({ min: 0, max: 5, noNaN: true }), (lengthMm, barThicknessMm, kerfMm) => {
        const cut = { barThicknessMm, endTrimMm: 4, kerfMm }
        const { bars, restMm } = barsFromLoaf(lengthMm, cut)
        expect(bars * barThicknessMm + (bars - 1) * kerfMm + restMm + 8).to.be.closeTo(lengthMm, 1e-4)
        expect(restMm).to.be.below(barThicknessMm + kerfMm + 1e-6)
        expect(cutMarks(lengthMm, cut)).to.have.length(bars + 1)
      }),
    )
  })
})

describe('thicknessForBars', () => {
  it('answers “12 bars from this loaf”', () => {
    expect(thicknessForBars(250, 12, { endTrimMm: 0, kerfMm: 0 })).to.be.closeTo(20.8333, 0.0001)
    expect(thicknessForBars(250, 12, { endTrimMm: 5, kerfMm: 1 })).to.be.closeTo((240 - 11) / 12, 1e-9)
  })

  it('gives nothing where bars would be too thin or too thick to be bars', () => {
    expect(thicknessForBars(250, 60, { endTrimMm: 0, kerfMm: 0 })).to.equal(undefined)
    expect(thicknessForBars(250, 1, { endTrimMm: 0, kerfMm: 0 })).to.equal(undefined)
    // From 5 to 150 mm, both included.
    expect(thicknessForBars(250, 50, { endTrimMm: 0, kerfMm: 0 })).to.equal(5)
    expect(thicknessForBars(300, 2, { endTrimMm: 0, kerfMm: 0 })).to.equal(150)
  })

  it('throws on a number of bars that is none', () => {
    expect(() => thicknessForBars(250, 0, { endTrimMm: 0, kerfMm: 0 })).to.throw(
      RangeError,
      'Expected a whole number of bars from 1, got 0',
    )
    expect(() => thicknessForBars(250, 1.5, { endTrimMm: 0, kerfMm: 0 })).to.throw(RangeError, 'got 1.5')
  })

  it('is the thickness at which exactly so many bars come out', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 40 }), fc.double({ min: 300, max: 900, noNaN: true }), (bars, lengthMm) => {
        const cut = { endTrimMm: 3, kerfMm: 0.5 }
        const barThicknessMm = thicknessForBars(lengthMm, bars, cut)
        fc.pre(barThicknessMm !== undefined)
        expect(barsFromLoaf(lengthMm, { ...cut, barThicknessMm: barThicknessMm ?? 0 }).bars).to.equal(bars)
      }),
    )
  })
})

describe('the cut against the plan', () => {
  it('says what is missing and what a bar can weigh at most', () => {
    expect(cutOutcome(9, 12)).to.equal(-3)
    expect(cutOutcome(12, 12)).to.equal(0)
    expect(heaviestBarG(1233, 10)).to.equal(123)
    expect(heaviestBarG(1237, 10)).to.equal(124)
    expect(heaviestBarG(120, 1)).to.equal(120)
    expect(heaviestBarG(1233, 0)).to.equal(0)
  })

  it('marks the trims and every cut', () => {
    expect(cutMarks(110, { barThicknessMm: 25, endTrimMm: 5, kerfMm: 0 })).to.deep.equal([5, 30, 55, 80, 105])
    expect(cutMarks(100, { barThicknessMm: 25, endTrimMm: 0, kerfMm: 0 })).to.deep.equal([25, 50, 75])
    // Each cut of 2 mm comes between two bars.
    expect(cutMarks(90, { barThicknessMm: 25, endTrimMm: 4, kerfMm: 2 })).to.deep.equal([4, 29, 56, 83])
  })
})
