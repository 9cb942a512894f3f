import { expect } from 'chai'
import fc from 'fast-check'
import type { MoveLine } from '../../src/pour'
import { acrossAt, canFollowALine, changesAlong, checkPourPlan, linesAt, simulatePour } from '../../src/pour'
import { plainly } from '../plainly'

const section = { widthMm: 80, heightMm: 70, fillMm: 50, lengthMm: 240 }
const line = [
  { xMm: 20, yMm: 40 },
  { xMm: 60, yMm: 200 },
]
const potsMm2 = [3000, 1000]
const layer: MoveLine = { kind: 'level', pot: 0, part: 1, trace: 'medium' }
const drop: MoveLine = { kind: 'drop', pot: 1, part: 1, xMm: 40, fallMm: 100, spreadMm: 12, trace: 'medium' }

/** Share of a cut that is the second pot, and its middle across, mm. */
function found(cut: Int8Array, width: number): { readonly share: number; readonly middleMm: number } {
  const places = [...cut.keys()].filter((at) => cut[at] === 1)
  const middle = places.reduce((sum, at) => sum + (at % width), 0) / places.length
  return { share: places.length / cut.length, middleMm: ((middle + 0.5) * section.widthMm) / width }
}

describe('a line along the loaf', () => {
  it('runs straight from point to point, and on as it ends', () => {
    expect([0, 40, 120, 200, 240].map((alongMm) => acrossAt(line, alongMm))).to.deep.equal([20, 20, 40, 60, 60])
    expect(acrossAt(line.toReversed(), 120)).to.equal(40)
    expect(() => acrossAt([], 1)).to.throw('a point at least')
  })

  it('moves what is poured in one place, and tools drawn across', () => {
    expect(linesAt([{ ...drop, along: line }], 80, section)[0]).to.deep.include({ xMm: 30 })
    const pull: MoveLine = {
      kind: 'hanger',
      path: [
        { xMm: 30, yMm: 40 },
        { xMm: 50, yMm: 5 },
      ],
    }
    expect(linesAt([{ ...pull, along: line }], 200, section)[0]?.path).to.deep.equal([
      { xMm: 50, yMm: 40 },
      { xMm: 70, yMm: 5 },
    ])
    expect(canFollowALine({ kind: 'level' })).to.equal(false)
    expect(canFollowALine({ kind: 'column' })).to.equal(false)
    expect(canFollowALine({ kind: 'hanger', plane: 'plan' })).to.equal(false)
    expect(changesAlong([{ ...layer, along: line }, drop])).to.equal(false)
  })

  it('shows in each section what a pour all along at that place would', () => {
    const inside = simulatePour([layer, { ...drop, along: line }], potsMm2, section)
    const across = (alongMm: number) => ({ kind: 'across', leftMm: 0, rightMm: 80, alongMm, upToMm: 50 }) as const
    for (const alongMm of [42, 120, 198]) {
      const straight = simulatePour([layer, { ...drop, xMm: acrossAt(line, alongMm) }], potsMm2, section)
      expect(inside.cut(across(alongMm), 160, 100)).to.deep.equal(straight.cut(across(alongMm), 160, 100))
      for (const xMm of [15, 30, 45, 65])
        expect(inside.materialAt(xMm, 40, alongMm)).to.equal(straight.materialAt(xMm, 40, alongMm))
    }
  })

  it('runs askew through a cut that is turned, from the near end to the far one', () => {
    const inside = simulatePour([layer, { ...drop, along: line }], [3600, 400], section)
    const rows = 48
    const cut = inside.cut({ kind: 'level', leftMm: 0, rightMm: 80, heightMm: 46, fromMm: 0, toMm: 240 }, 160, rows)
    // The first row is the far end.
    const middles = [rows - 9, rows / 2, 9].map((row) => found(cut.slice(row * 160, (row + 1) * 160), 160).middleMm)
    expect(middles[1]).to.be.closeTo(acrossAt(line, 117), 1)
    expect(middles[0]).to.be.below(32)
    expect(middles[2]).to.be.closeTo(80 - middles[0]!, 1.5)
  })

  it('keeps every colour’s share in every section', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ xMm: fc.double({ min: 0, max: 80, noNaN: true }), yMm: fc.integer({ min: 0, max: 240 }) }),
          {
            minLength: 1,
            maxLength: 5,
          },
        ),
        fc.integer({ min: 0, max: 240 }),
        (along, alongMm) => {
          const inside = simulatePour([layer, { ...drop, along }], potsMm2, section)
          const cut = inside.cut({ kind: 'across', leftMm: 0, rightMm: 80, alongMm, upToMm: 50 }, 256, 160)
          expect(found(cut, 256).share).to.be.closeTo(0.25, 0.0025)
        },
      ),
      { numRuns: 25 },
    )
  })

  it('is refused where it leaves the mould', () => {
    const off = [{ ...drop, along: [{ xMm: 20, yMm: 400 }] }]
    const pots = [
      { name: 'a', massG: 900 },
      { name: 'b', massG: 300 },
    ]
    expect(plainly(checkPourPlan(off, pots, section)[0])).to.contain('line_leaves_mould')
  })
})
