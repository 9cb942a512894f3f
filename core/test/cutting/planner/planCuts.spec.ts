import { expect } from 'chai'
import fc from 'fast-check'
import type { Allowances, CutPlan, Piece, RoughBlock } from '../../../src/cutting'
import {
  checkPieces,
  cutStages,
  cutWays,
  drawnColumns,
  enumerateCuts,
  lying,
  pieceMasses,
  planCuts,
  planOneWay,
  rounds,
  thicknessForMass,
  toolUses,
} from '../../../src/cutting'

const none: Allowances = { endMm: 0, sideMm: 0, topMm: 0, kerfMm: 0 }
const bar: Piece = { name: 'Bar', faceWidthMm: 80, faceHeightMm: 50, thicknessMm: 25, wanted: null }
const sum = (numbers: readonly number[]): number => numbers.reduce((total, one) => total + one, 0)

const someBlock = fc.record({
  lengthMm: fc.integer({ min: 60, max: 180 }),
  widthMm: fc.integer({ min: 50, max: 120 }),
  heightMm: fc.integer({ min: 30, max: 70 }),
})
const somePiece = fc.record({
  name: fc.constant('piece'),
  faceWidthMm: fc.integer({ min: 30, max: 90 }),
  faceHeightMm: fc.integer({ min: 25, max: 60 }),
  thicknessMm: fc.integer({ min: 18, max: 40 }),
  wanted: fc.option(fc.integer({ min: 1, max: 6 })),
})
const someAllowances = fc.record({
  endMm: fc.integer({ min: 0, max: 4 }),
  sideMm: fc.integer({ min: 0, max: 3 }),
  topMm: fc.integer({ min: 0, max: 3 }),
  kerfMm: fc.double({ min: 0, max: 2, noNaN: true }),
})
const someWay = fc.record({ round: fc.constantFrom(...rounds), way: fc.constantFrom(...cutWays) })

describe('planCuts', () => {
  it('cuts a slab of 300 × 240 × 50 mm in 3 logs of 12 bars as poured, and in as many turned', () => {
    const slab: RoughBlock = { lengthMm: 300, widthMm: 240, heightMm: 50 }
    const of = (way: 'as_poured' | 'turned') => planOneWay(slab, [bar], none, { round: 'along', way })
    expect(of('as_poured').pieces).to.equal(36)
    expect(of('as_poured').wasteShare).to.be.closeTo(0, 1e-12)
    expect(of('as_poured').strips.map(({ widthMm }) => widthMm)).to.deep.equal([80, 80, 80])
    // Two layers of 25 mm, six faces of 50 mm along each of three logs.
    expect(of('turned').pieces).to.equal(36)
  })

  it('turns a block round that is a centimetre off square, where that gives more', () => {
    const block: RoughBlock = { lengthMm: 240, widthMm: 250, heightMm: 50 }
    const [best] = planCuts(block, [{ ...bar, faceWidthMm: 80 }], none)
    const along = planOneWay(block, [bar], none, { round: 'along', way: 'as_poured' })
    expect(along.pieces).to.equal(3 * 9)
    expect(best).to.deep.include({ round: 'across', pieces: 3 * 10 })
  })

  it('takes no more than is wanted, and fills the rest with what there is never enough of', () => {
    const guest: Piece = { name: 'Guest', faceWidthMm: 40, faceHeightMm: 50, thicknessMm: 20, wanted: 4 }
    const plan = planOneWay({ lengthMm: 250, widthMm: 80, heightMm: 50 }, [bar, guest], none, {
      round: 'along',
      way: 'as_poured',
    })
    // Two columns of two guests take 40 mm; 8 bars of 25 mm fill 200 of the 210 that are left.
    expect(plan.counts).to.deep.equal([8, 4])
  })

  it('equals the best of every way of cutting', () => {
    fc.assert(
      fc.property(
        someBlock,
        fc.array(somePiece, { minLength: 1, maxLength: 2 }),
        someAllowances,
        someWay,
        (block, pieces, allowances, way) => {
          const most = enumerateCuts(block, pieces, allowances, way)
          expect(planOneWay(block, pieces, allowances, way).worthMm3).to.be.closeTo(most, 1e-6 * most + 1e-9)
        },
      ),
      { numRuns: 300 },
    )
  }).timeout(60_000)

  it('never cuts more than there is, and counts what it draws', () => {
    fc.assert(
      fc.property(
        someBlock,
        fc.array(somePiece, { minLength: 1, maxLength: 3 }),
        someAllowances,
        (block, pieces, allowances) => {
          for (const plan of planCuts(block, pieces, allowances)) {
            const whole = lying(block, plan)
            expect(plan.wasteShare).to.be.within(0, 1)
            for (const { leftMm, nearMm, acrossMm, alongMm } of drawnColumns(plan, allowances)) {
              expect(leftMm + acrossMm).to.be.at.most(whole.acrossMm - allowances.sideMm + 1e-6)
              expect(nearMm + alongMm).to.be.at.most(whole.alongMm - allowances.endMm + 1e-6)
            }
            pieces.forEach(({ wanted }, kind) => {
              const cut = sum(
                plan.strips.flatMap(({ columns }) =>
                  columns.filter(({ piece }) => piece === kind).map((column) => column.pieces),
                ),
              )
              expect(plan.counts[kind]).to.equal(Math.min(wanted ?? Infinity, cut))
            })
          }
        },
      ),
      { numRuns: 80 },
    )
  })

  it('marks its cuts in order, and says what a bar will weigh', () => {
    const block: RoughBlock = { lengthMm: 256, widthMm: 160, heightMm: 52 }
    const allowances = { ...none, endMm: 3, topMm: 2 }
    const plan = planOneWay(block, [bar], allowances, { round: 'along', way: 'as_poured' })
    expect(plan.pieces).to.equal(20)
    const stages = cutStages(block, [bar], plan, allowances)
    expect(stages.map(({ key }) => key)).to.deep.equal(['logs', 'bars', 'part'])
    expect(stages[0]?.marks).to.deep.equal([{ of: { code: 'from_the_left' }, atMm: [80] }])
    expect(stages[1]?.marks[0]?.atMm.slice(0, 3)).to.deep.equal([3, 28, 53])
    expect(stages[2]?.marks).to.deep.equal([{ of: { code: 'piece_from_base', params: { piece: 'Bar' } }, atMm: [50] }])
    const [mass] = pieceMasses(block, [bar], 2129.92, 0.1)
    expect(mass?.wetG).to.be.closeTo(100, 1e-9)
    expect(mass?.curedG).to.be.closeTo(90, 1e-9)
    expect(thicknessForMass(block, bar, 2129.92, 0.1, 108)).to.be.closeTo(30, 1e-9)
    expect(() => thicknessForMass(block, bar, 0, 0.1, 108)).to.throw('weighs something')
  })

  it('says what each tool can do of it', () => {
    const slab: RoughBlock = { lengthMm: 300, widthMm: 240, heightMm: 50 }
    const plan = planOneWay(slab, [bar], none, { round: 'along', way: 'as_poured' })
    const uses = toolUses(plan, [
      { name: 'Splitter', kind: 'splitter', spacingMm: 80, piecesAPass: 3 },
      { name: 'Ten wires', kind: 'multi_wire', spacingMm: 25.4, piecesAPass: 10 },
      { name: 'Seven wires', kind: 'multi_wire', spacingMm: 30, piecesAPass: 7 },
      { name: 'Wire', kind: 'single_wire', spacingMm: 0, piecesAPass: 1 },
    ])
    expect(uses.map(({ tool, stage, passes }) => [tool.name, stage, passes])).to.deep.equal([
      ['Splitter', 'logs', 1],
      ['Ten wires', 'bars', 6],
      ['Seven wires', 'bars', undefined],
      ['Wire', 'logs', 3],
      ['Wire', 'bars', 36],
    ])
  })

  it('refuses in words what no block gives', () => {
    const codes = (pieces: readonly Piece[], block: RoughBlock = { lengthMm: 250, widthMm: 80, heightMm: 60 }) =>
      checkPieces(block, pieces, none).map(({ code }) => code)
    expect(codes([bar])).to.deep.equal([])
    expect(codes([])).to.deep.equal(['no_piece'])
    expect(codes([{ ...bar, faceWidthMm: 400, wanted: 0.5 }])).to.deep.equal(['out_of_range', 'wanted_range'])
    expect(codes([{ ...bar, faceWidthMm: 280, faceHeightMm: 280 }])).to.deep.equal(['none_fits'])
    expect(codes([bar, bar, bar, bar, bar])).to.deep.equal(['too_many_kinds'])
    const plans: readonly CutPlan[] = planCuts({ lengthMm: 250, widthMm: 80, heightMm: 20 }, [bar], none)
    expect(plans).to.deep.equal([])
  })
})
