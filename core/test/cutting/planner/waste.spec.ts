import { expect } from 'chai'
import fc from 'fast-check'
import type { Allowances, Piece, RoughBlock } from '../../../src/cutting'
import { drawnColumns, explainWaste, planCuts, planOneWay, wasteOf } from '../../../src/cutting'
import { plainly } from '../../plainly'

const none: Allowances = { endMm: 0, sideMm: 0, topMm: 0, kerfMm: 0 }
const bar: Piece = { name: 'Bar', faceWidthMm: 80, faceHeightMm: 50, thicknessMm: 25, wanted: null }
const along = { round: 'along', way: 'as_poured' } as const

describe('trims', () => {
  it('are those of the block’s ends and sides, whichever way its logs run', () => {
    const block: RoughBlock = { lengthMm: 250, widthMm: 160, heightMm: 50 }
    // Logs across: 160 mm of width have no trim and give 6 bars; 250 less both ends hold 2 logs of 80, not 3.
    const plan = planOneWay(block, [bar], { ...none, endMm: 10 }, { round: 'across', way: 'as_poured' })
    expect(plan.pieces).to.equal(12)
    const columns = drawnColumns(plan, { ...none, endMm: 10 })
    expect(Math.min(...columns.map(({ leftMm }) => leftMm))).to.equal(10)
    expect(Math.min(...columns.map(({ nearMm }) => nearMm))).to.equal(0)
  })

  it('leave the bars as many as can really be cut: sides of 12 mm cost an across plan its last column', () => {
    const block: RoughBlock = { lengthMm: 250, widthMm: 140, heightMm: 50 }
    // 140 - 24 = 116 mm of width: 4 bars of 25 mm in each of the 3 logs.
    expect(planOneWay(block, [bar], { ...none, sideMm: 12 }, { round: 'across', way: 'as_poured' }).pieces).to.equal(12)
  })
})

describe('the waste of a plan', () => {
  it('adds up by where it stays, whatever is cut', () => {
    fc.assert(
      fc.property(
        fc.record({
          lengthMm: fc.integer({ min: 60, max: 300 }),
          widthMm: fc.integer({ min: 50, max: 200 }),
          heightMm: fc.integer({ min: 30, max: 90 }),
        }),
        fc.array(
          fc.record({
            name: fc.constant('piece'),
            faceWidthMm: fc.double({ min: 25, max: 90, noNaN: true }),
            faceHeightMm: fc.double({ min: 25, max: 60, noNaN: true }),
            thicknessMm: fc.double({ min: 18, max: 40, noNaN: true }),
            wanted: fc.option(fc.integer({ min: 1, max: 6 })),
          }),
          { minLength: 1, maxLength: 2 },
        ),
        fc.record({
          endMm: fc.integer({ min: 0, max: 6 }),
          sideMm: fc.integer({ min: 0, max: 4 }),
          topMm: fc.integer({ min: 0, max: 3 }),
          kerfMm: fc.constantFrom(0, 1),
        }),
        (block, pieces, allowances) => {
          for (const plan of planCuts(block, pieces, allowances)) {
            const parts = wasteOf(block, pieces, plan, allowances)
            for (const { share } of parts) expect(share).to.be.at.least(-1e-9)
            expect(parts.reduce((sum, { share }) => sum + share, 0)).to.be.closeTo(plan.wasteShare, 1e-9)
            expect(explainWaste(block, pieces, plan, allowances) === undefined).to.equal(plan.wasteShare <= 0.15)
          }
        },
      ),
      { numRuns: 60 },
    )
  })

  const told = (block: RoughBlock, pieces: readonly Piece[], allowances: Allowances): string => {
    const why = explainWaste(block, pieces, planOneWay(block, pieces, allowances, along), allowances)
    return why ? plainly(why) : ''
  }

  it('is explained where it is much, with the size that mends it', () => {
    const block: RoughBlock = { lengthMm: 250, widthMm: 80, heightMm: 50 }
    // Bars of 66 mm: 3 of them are 198 of 250 mm; 52 mm are left, 20.8 %. Four of 62.5 mm would leave none.
    expect(told(block, [{ ...bar, thicknessMm: 66 }], none)).to.equal(
      'waste_explained, waste 21 %, part 21 %, kind end_of_logs, rest 52 mm, mend (one_more_of_each_log, thickness 62.5, bars 4)',
    )
    expect(told(block, [bar], none)).to.equal('')
    // A face of 64 mm of 80: 16 mm beside it, a fifth.
    expect(told(block, [{ ...bar, faceWidthMm: 64 }], none)).to.equal(
      'waste_explained, waste 20 %, part 20 %, kind beside_logs, rest 16 mm, mend ',
    )
    // 40 mm of 50 high.
    expect(told(block, [{ ...bar, faceHeightMm: 40 }], none)).to.equal(
      'waste_explained, waste 20 %, part 20 %, kind in_columns, rest 10 mm, mend ',
    )
    // 25 mm off each end of 250 are a fifth.
    expect(told(block, [bar], { ...none, endMm: 25 })).to.equal(
      'waste_explained, waste 20 %, part 20 %, kind trims, rest 25 mm, mend ',
    )
    // Four wanted of the ten that come out of a cut with no end.
    expect(told(block, [{ ...bar, wanted: 4 }], none)).to.match(/kind end_of_logs, rest 150 mm/)
  })
})
