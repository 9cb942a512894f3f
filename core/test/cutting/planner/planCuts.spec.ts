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
  trimsOf,
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
              const trims = trimsOf(plan.round, allowances)
              expect(leftMm).to.be.at.least(trims.leftMm)
              expect(nearMm).to.be.at.least(trims.nearMm)
              expect(leftMm + acrossMm).to.be.at.most(whole.acrossMm - trims.leftMm + 1e-6)
              expect(nearMm + alongMm).to.be.at.most(whole.alongMm - trims.nearMm + 1e-6)
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

  it('marks sides, ends and kerfs of two logs with two kinds of piece in them', () => {
    const block: RoughBlock = { lengthMm: 140, widthMm: 170, heightMm: 50 }
    const allowances: Allowances = { endMm: 4, sideMm: 3, topMm: 0, kerfMm: 1 }
    const guest: Piece = { name: 'Guest', faceWidthMm: 39.5, faceHeightMm: 24, thicknessMm: 20, wanted: 8 }
    const plan = planOneWay(block, [bar, guest], allowances, { round: 'along', way: 'as_poured' })
    // In a log 80 mm wide a column of guests gives two beside and two over each other; 132 mm take 3 bars and 2 such columns.
    expect(plan.counts).to.deep.equal([8, 8])
    expect(lying(block, plan)).to.deep.equal({ acrossMm: 170, alongMm: 140 })
    const columns = drawnColumns(plan, allowances)
    expect(new Set(columns.map(({ leftMm }) => leftMm))).to.deep.equal(new Set([3, 84]))
    for (const left of [3, 84]) {
      const log = columns.filter(({ leftMm }) => leftMm === left)
      log.forEach(({ nearMm }, at) =>
        expect(nearMm).to.equal(4 + sum(log.slice(0, at).map(({ alongMm }) => alongMm + 1))),
      )
    }
    const [logs, bars, part] = cutStages(block, [bar, guest], plan, allowances)
    expect(logs?.marks).to.deep.equal([{ of: { code: 'from_the_left' }, atMm: [3, 83, 164] }])
    expect(bars?.marks.map(({ of }) => of)).to.deep.equal([
      { code: 'log_number', params: { log: 1 } },
      { code: 'log_number', params: { log: 2 } },
    ])
    expect(bars?.marks.every(({ atMm }) => atMm[0] === 4)).to.equal(true)
    expect(part?.marks).to.deep.equal([
      { of: { code: 'piece_across', params: { piece: 'Guest' } }, atMm: [39.5] },
      { of: { code: 'piece_from_base', params: { piece: 'Guest' } }, atMm: [24, 49] },
    ])
  })

  it('marks how thick the layers of turned logs are, and says nothing of a stage without a cut', () => {
    const log: RoughBlock = { lengthMm: 100, widthMm: 80, heightMm: 50 }
    const turned = planOneWay(log, [bar], none, { round: 'along', way: 'turned' })
    expect(turned.pieces).to.equal(4)
    expect(cutStages(log, [bar], turned, none)).to.deep.equal([
      { key: 'bars', title: { code: 'cut_across' }, marks: [{ of: { code: 'the_log' }, atMm: [50] }] },
      {
        key: 'part',
        title: { code: 'part_block', params: { way: 'turned' } },
        marks: [{ of: { code: 'piece_from_base', params: { piece: 'Bar' } }, atMm: [25] }],
      },
    ])
  })

  it('leaves a log whole that holds unlike pieces, and splits one of like pieces', () => {
    const slim: Piece = { name: 'Slim', faceWidthMm: 50, faceHeightMm: 50, thicknessMm: 25, wanted: 2 }
    const wide: Piece = { ...bar, faceWidthMm: 100, wanted: 1 }
    const way = { round: 'along', way: 'as_poured' } as const
    const mixed = planOneWay({ lengthMm: 50, widthMm: 100, heightMm: 50 }, [slim, wide], none, way)
    expect(mixed.strips.map(({ widthMm, columns }) => [widthMm, columns.map(({ pieces }) => pieces)])).to.deep.equal([
      [100, [2, 1]],
    ])
    const like = planOneWay({ lengthMm: 50, widthMm: 100, heightMm: 50 }, [{ ...slim, wanted: null }], none, way)
    expect(like.strips.map(({ widthMm, columns }) => [widthMm, columns.map(({ pieces }) => pieces)])).to.deep.equal([
      [50, [1, 1]],
      [50, [1, 1]],
    ])
  })

  it('has the plan that is worth most first, of equals that of more pieces', () => {
    const plans = planCuts({ lengthMm: 250, widthMm: 170, heightMm: 60 }, [bar], none)
    expect(plans.map(({ pieces }) => pieces)).to.deep.equal([20, 20, 18, 18])
  })

  it('says what each tool can do of it', () => {
    const slab: RoughBlock = { lengthMm: 300, widthMm: 240, heightMm: 50 }
    const plan = planOneWay(slab, [bar], none, { round: 'along', way: 'as_poured' })
    const uses = toolUses(plan, [
      { name: 'Splitter', kind: 'splitter', spacingMm: 80, piecesAPass: 3 },
      { name: 'Ten wires', kind: 'multi_wire', spacingMm: 25.4, piecesAPass: 10 },
      { name: 'Seven wires', kind: 'multi_wire', spacingMm: 30, piecesAPass: 7 },
      { name: 'Worn wires', kind: 'multi_wire', spacingMm: 25.5, piecesAPass: 1 },
      { name: 'No wires', kind: 'multi_wire', spacingMm: 25, piecesAPass: 0 },
      { name: 'Wire', kind: 'single_wire', spacingMm: 0, piecesAPass: 1 },
    ])
    expect(uses.map(({ tool, stage, passes }) => [tool.name, stage, passes])).to.deep.equal([
      ['Splitter', 'logs', 1],
      ['Ten wires', 'bars', 6],
      ['Seven wires', 'bars', undefined],
      ['Worn wires', 'bars', 36],
      ['No wires', 'bars', undefined],
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
