import { expect } from 'chai'
import fc from 'fast-check'
import { barsOfMould, checkPieces, planCuts, planOneWay, usualPiece } from '../../../src/cutting'
import { blockOf } from '../../../src/mould'
import { millimetresPerInch } from '../../../src/units'

const inches = (value: number): number => value * millimetresPerInch

describe('the bar that a mould is usually cut into', () => {
  it('comes out of a loaf 2 11/16 in wide as often as the mould says: 13 bars', () => {
    const mould = {
      lengthMm: inches(13.5),
      widthMm: inches(2 + 11 / 16),
      heightMm: inches(3),
      linerMm: 0,
      fillHeightMm: inches(2.5),
      barThicknessMm: inches(1),
      endTrimMm: inches(1 / 8),
      kerfMm: 0,
    }
    const piece = usualPiece(mould)
    expect(barsOfMould(mould).bars).to.equal(13)
    const allowances = { endMm: mould.endTrimMm, sideMm: 0, topMm: 0, kerfMm: 0 }
    expect(checkPieces(blockOf(mould), [piece], allowances)).to.deep.equal([])
    const [best] = planCuts(blockOf(mould), [piece], allowances)
    expect(best).to.deep.include({ pieces: 13, way: 'as_poured', round: 'along' })
    // 13 in of 13½ in.
    expect(best?.wasteShare).to.be.closeTo(0.5 / 13.5, 1e-9)
  })

  it('comes out as often as the mould says, whatever its sizes in sixteenths or millimetres', () => {
    const side = (from: number, to: number) =>
      fc.oneof(
        fc.integer({ min: from * 16, max: to * 16 }).map((sixteenths) => inches(sixteenths / 16)),
        fc.double({ min: inches(from), max: inches(to), noNaN: true }),
      )
    const mould = fc.record({
      shape: fc.constantFrom('loaf' as const, 'slab' as const),
      logCount: fc.integer({ min: 1, max: 4 }),
      lengthMm: side(8, 20),
      widthMm: side(2, 12),
      fillHeightMm: side(1, 4),
      barThicknessMm: side(0.75, 1.5),
      endTrimMm: side(0, 0.5),
      // As a field takes it: no knife takes less than a micrometre off.
      kerfMm: fc.integer({ min: 0, max: 1000 }).map((micrometres) => micrometres / 1000),
    })
    fc.assert(
      fc.property(mould, (sizes) => {
        const one = { ...sizes, heightMm: sizes.fillHeightMm + 10, linerMm: 0 }
        fc.pre(usualPiece(one).faceWidthMm >= 5)
        const allowances = { endMm: one.endTrimMm, sideMm: 0, topMm: 0, kerfMm: one.kerfMm }
        const plan = planOneWay(blockOf(one), [usualPiece(one)], allowances, { round: 'along', way: 'as_poured' })
        expect(plan.pieces).to.equal(barsOfMould(one).bars)
      }),
      { numRuns: 400 },
    )
  })
})
