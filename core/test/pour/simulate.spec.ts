import { expect } from 'chai'
import fc from 'fast-check'
import type { KnownPulls, PourMove, SectionPoint } from '../../src/pour'
import { air, checkPourPlan, dragShare, partsPoured, simulatePour, toolRadiusMm } from '../../src/pour'

const section = { widthMm: 80, heightMm: 70, fillMm: 60 }
const wholeMm2 = section.widthMm * section.fillMm
const level = (pot: number, part = 1): PourMove => ({ kind: 'level', pot, part })
const path = (...points: readonly (readonly [number, number])[]): readonly SectionPoint[] =>
  points.map(([xMm, yMm]) => ({ xMm, yMm }))

/** Area of each pot in a picture, as a share of all batter. */
function sharesIn(picture: Int8Array, pots: number): readonly number[] {
  const counts = new Array<number>(pots).fill(0)
  let batter = 0
  for (const pot of picture)
    if (pot !== air) {
      batter++
      counts[pot] = (counts[pot] ?? 0) + 1
    }
  return counts.map((count) => count / batter)
}

describe('level and sloped layers', () => {
  it('lie to the pixel where they were poured', () => {
    const { picture } = simulatePour([level(0), level(1)], [wholeMm2 / 3, (wholeMm2 * 2) / 3], section)
    // 60 rows of 1 mm: the upper 40 of the second pot, the lower 20 of the first.
    const rows = picture(80, 60, 60)
    for (let row = 0; row < 60; row++)
      expect(new Set(rows.slice(row * 80, row * 80 + 80))).to.deep.equal(new Set([row < 40 ? 1 : 0]))
  })

  it('rise as the mould is propped', () => {
    // 1600 mm² at 20° in 80 mm: 20 mm in the middle, 20 ± 40 · tan 20° = 34.56 and 5.44 mm at the walls.
    const { potAt } = simulatePour([{ kind: 'sloped', angleDeg: 20, pot: 0, part: 1 }, level(1)], [1600, 3200], section)
    const rise = 40 * Math.tan((20 * Math.PI) / 180)
    expect([potAt(79.9, 20 + rise - 0.3), potAt(79.9, 20 + rise + 0.3)]).to.deep.equal([0, 1])
    expect([potAt(0.1, 20 - rise - 0.3), potAt(0.1, 20 - rise + 0.3)]).to.deep.equal([0, 1])
    expect([potAt(40, 19.8), potAt(40, 20.2)]).to.deep.equal([0, 1])
    expect(potAt(40, 60.1)).to.equal(air)
  })
})

describe('a drop alone', () => {
  it('has the outline that the lobe and its levelling give', () => {
    const [sinkMm, spreadMm, dropMm2, levelMm] = [12, 20, 400, 40]
    const drop: PourMove = { kind: 'drop', xMm: 40, sinkMm, spreadMm, pot: 1, part: 1 }
    const { potAt, topMm } = simulatePour([level(0), drop], [levelMm * 80, dropMm2], section)
    expect(topMm).to.be.closeTo(levelMm + dropMm2 / 80, 1e-9)
    // A parabola of 400 mm² over 40 mm: in its middle 400 · 3 / (4 · 20) = 15 mm thick.
    const thickest = (dropMm2 * 3) / (4 * spreadMm)
    for (const off of [0, 6, 12, 16]) {
      const bell = 1 - (off / spreadMm) ** 2
      const thickness = thickest * bell
      const raised = levelMm + thickness
      // x' = 1/h' · ∫c: from the middle outward by off · 40 plus the parabola up to there.
      const half = off - off ** 3 / (3 * spreadMm ** 2)
      const xNow = 40 + (off * levelMm + thickest * half) / topMm
      const [low, high] = [levelMm - sinkMm * bell, levelMm - sinkMm * bell + thickness].map(
        (y) => (y * topMm) / raised,
      )
      const at = (y: number): number => potAt(xNow, y)
      expect([at(low! - 0.2), at(low! + 0.2)], `base at ${off}`).to.deep.equal([0, 1])
      expect([at(high! - 0.2), at(high! + 0.2)], `back at ${off}`).to.deep.equal([1, 0])
    }
  })
})

describe('a straight pull', () => {
  /** Where a point comes to, followed forward by itself in very small steps (Runge and Kutta's fourth-order rule). */
  function followed(x: number, y: number, from: SectionPoint, to: SectionPoint): readonly [number, number] {
    const reach = toolRadiusMm.hanger
    const share = (distance: number): number => (distance <= 0 ? 0 : distance ** 2 / (distance ** 2 + reach ** 2))
    const psi = (px: number, py: number, cx: number, cy: number, ux: number, uy: number): number =>
      dragShare *
      (ux * (py - cy) - uy * (px - cx)) *
      Math.exp(-((px - cx) ** 2 + (py - cy) ** 2) / (2 * reach * reach)) *
      share(px) *
      share(80 - px) *
      share(py) *
      share(60 - py)
    const steps = 800
    const [ux, uy] = [(to.xMm - from.xMm) / steps, (to.yMm - from.yMm) / steps]
    const drag = (px: number, py: number, cx: number, cy: number): readonly [number, number] => {
      const h = 1e-4
      return [
        (psi(px, py + h, cx, cy, ux, uy) - psi(px, py - h, cx, cy, ux, uy)) / (2 * h),
        -(psi(px + h, py, cx, cy, ux, uy) - psi(px - h, py, cx, cy, ux, uy)) / (2 * h),
      ]
    }
    for (let step = 0; step < steps; step++) {
      const [cx, cy] = [from.xMm + ux * (step + 0.5), from.yMm + uy * (step + 0.5)]
      const a = drag(x, y, cx, cy)
      const b = drag(x + a[0] / 2, y + a[1] / 2, cx, cy)
      const c = drag(x + b[0] / 2, y + b[1] / 2, cx, cy)
      const d = drag(x + c[0], y + c[1], cx, cy)
      x += (a[0] + 2 * b[0] + 2 * c[0] + d[0]) / 6
      y += (a[1] + 2 * b[1] + 2 * c[1] + d[1]) / 6
    }
    return [x, y]
  }

  it('bends a layer as a point followed by itself says', () => {
    const [from, to] = path([40, 55], [40, 12]) as [SectionPoint, SectionPoint]
    const { potAt } = simulatePour(
      [level(0), level(1), { kind: 'hanger', path: [from, to] }],
      [wholeMm2 / 2, wholeMm2 / 2],
      section,
    )
    for (const x of [24, 32, 36, 39, 44, 50]) {
      // Points of the border between the layers, a little under and over it.
      const [belowX, belowY] = followed(x, 29.2, from, to)
      const [aboveX, aboveY] = followed(x, 30.8, from, to)
      expect(potAt(belowX, belowY), `under the border at ${x}`).to.equal(0)
      expect(potAt(aboveX, aboveY), `over the border at ${x}`).to.equal(1)
    }
  })
})

describe('pulls that are known already', () => {
  it('are not followed anew, and change nothing', () => {
    const first: PourMove = { kind: 'hanger', path: path([20, 50], [20, 10], [60, 10]) }
    const second: PourMove = { kind: 'skewer', path: path([60, 50], [60, 15]) }
    const moves = [level(0), level(1), first, second]
    const areas = [wholeMm2 / 2, wholeMm2 / 2]
    const known: KnownPulls = new Map()
    const pots = simulatePour(moves, areas, section, known).picture(64, 48, 60)
    const ways = [...known.values()]
    expect(simulatePour(moves, areas, section, known).picture(64, 48, 60)).to.deep.equal(pots)
    expect([...known.values()]).to.deep.equal(ways)
    // Another second pull: the first is kept, the one that is gone is forgotten.
    simulatePour([level(0), level(1), first, { ...second, path: path([50, 50], [50, 15]) }], areas, section, known)
    expect(known.size).to.equal(2)
    expect([...known.values()].includes(ways[0]!)).to.equal(true)
    expect([...known.values()].includes(ways[1]!)).to.equal(false)
  })
})

describe('every pour plan', () => {
  const point = fc.record({
    xMm: fc.double({ min: 0, max: 80, noNaN: true }),
    yMm: fc.double({ min: 0, max: 60, noNaN: true }),
  })
  const stir = fc.record({
    kind: fc.constantFrom('hanger' as const, 'skewer' as const),
    path: fc.array(point, { minLength: 2, maxLength: 4 }),
  })
  const pour = (pot: number) =>
    fc.oneof(
      fc.constant(level(pot, 0.5)),
      fc.record({
        ...{ kind: fc.constant('sloped' as const), pot: fc.constant(pot), part: fc.constant(0.5) },
        angleDeg: fc.double({ min: -15, max: 15, noNaN: true }),
      }),
      fc.record({
        ...{ kind: fc.constant('drop' as const), pot: fc.constant(pot), part: fc.constant(0.5) },
        xMm: fc.double({ min: 5, max: 75, noNaN: true }),
        sinkMm: fc.double({ min: 0, max: 40, noNaN: true }),
        spreadMm: fc.double({ min: 8, max: 40, noNaN: true }),
      }),
    )
  // The last pour is level, so that the loaf ends at its fill height.
  const plan = fc
    .tuple(
      pour(0),
      pour(1),
      pour(2),
      fc.array(stir, { maxLength: 2 }),
      pour(1),
      pour(0),
      fc.array(stir, { maxLength: 1 }),
    )
    .map(([a, b, c, first, d, e, second]) => [a, b, c, ...first, d, e, level(2, 0.5), ...second] as readonly PourMove[])

  it('keeps the area of each colour within 1 %, and lets nothing through a wall', function () {
    this.timeout(120_000)
    const shares = [0.3, 0.3, 0.4]
    fc.assert(
      fc.property(plan, (moves) => {
        const { picture, topMm } = simulatePour(
          moves,
          shares.map((share) => share * wholeMm2),
          section,
        )
        const pots = picture(512, 384, topMm)
        const found = sharesIn(pots, 3)
        // Nothing is lost, nor comes in from beyond a wall.
        const batterMm2 = (pots.filter((pot) => pot !== air).length / pots.length) * topMm * section.widthMm
        expect(batterMm2).to.be.closeTo(wholeMm2, wholeMm2 * 0.01)
        found.forEach((share, pot) => expect(share).to.be.closeTo(shares[pot] ?? 0, 0.01))
      }),
      { numRuns: 200, seed: 7 },
    )
  })
})

describe('checkPourPlan', () => {
  const pots = [
    { name: 'ink', massG: 400 },
    { name: 'fog', massG: 800 },
  ]
  const messages = (moves: readonly PourMove[]): readonly string[] =>
    checkPourPlan(moves, pots, section).map(({ message }) => message)

  it('says what is left in a pot, and what is poured over', () => {
    expect(partsPoured([level(0, 0.5), level(1), level(0, 0.25)], 2)).to.deep.equal([0.75, 1])
    expect(messages([level(0, 0.5), level(1)])).to.deep.equal([
      'ink: 200 g are left over. Pour the rest, or make the pot smaller.',
    ])
    expect(messages([level(0), level(1), level(1, 0.25)])).to.deep.equal([
      'fog: the moves pour 200 g more than the pot holds.',
    ])
    expect(messages([])).to.deep.equal([])
  })

  it('refuses what cannot be done, in words', () => {
    expect(messages([{ kind: 'hanger', path: path([10, 10], [90, 10]) }])[0]).to.contain('leaves the mould')
    expect(messages([{ kind: 'skewer', path: path([10, 10]) }])[0]).to.contain('two points')
    expect(messages([level(5)])[0]).to.contain('a pot that the soap has')
    expect(messages([level(0, 0)])[0]).to.contain('more than nothing')
    expect(messages([{ kind: 'sloped', angleDeg: 80, pot: 0, part: 1 }])[0]).to.contain('40°')
    expect(messages([{ kind: 'drop', xMm: 99, sinkMm: 1, spreadMm: 5, pot: 0, part: 1 }])[0]).to.contain('80 mm wide')
    expect(messages([{ kind: 'drop', xMm: 9, sinkMm: 1, spreadMm: 0, pot: 0, part: 1 }])[0]).to.contain('1 mm at least')
    expect(messages(new Array<PourMove>(201).fill(level(0, 0.001)))).to.deep.equal(['At most 200 moves fit a pour.'])
  })
})
