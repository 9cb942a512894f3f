import { expect } from 'chai'
import fc from 'fast-check'
import type { KnownPulls, MoveLine, SectionPoint } from '../../src/pour'
import {
  air,
  checkPourPlan,
  dragShare,
  heightsAfter,
  partsPoured,
  simulatePour,
  toolRadiusMm,
  traces,
} from '../../src/pour'
import { ringShare } from '../../src/pour/rings'
import { plainly } from '../plainly'

const section = { widthMm: 80, heightMm: 70, fillMm: 60, lengthMm: 250 }
const wholeMm2 = section.widthMm * section.fillMm
const level = (pot: number, part = 1): MoveLine => ({ kind: 'level', pot, part })
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
    const { materialAt: potAt } = simulatePour(
      [{ kind: 'sloped', angleDeg: 20, pot: 0, part: 1 }, level(1)],
      [1600, 3200],
      section,
    )
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
    const drop: MoveLine = { kind: 'drop', xMm: 40, sinkMm, spreadMm, pot: 1, part: 1 }
    const { materialAt: potAt, topMm } = simulatePour([level(0), drop], [levelMm * 80, dropMm2], section)
    expect(topMm).to.be.closeTo(levelMm + dropMm2 / 80, 1e-9)
    // A bell (1 − u²)² of 400 mm² over 40 mm: in its middle 400 · 15 / (16 · 20) = 18.75 mm thick.
    const thickest = (dropMm2 * 15) / (16 * spreadMm)
    for (const off of [0, 6, 12, 16]) {
      const u = off / spreadMm
      const bell = (1 - u * u) ** 2
      const thickness = thickest * bell
      const raised = levelMm + thickness
      // x' = 1/h' · ∫c: from the middle outward by off · 40 plus the bell up to there.
      const half = spreadMm * (u - (2 * u ** 3) / 3 + u ** 5 / 5)
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
    const { materialAt: potAt } = simulatePour(
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
    const first: MoveLine = { kind: 'hanger', path: path([20, 50], [20, 10], [60, 10]) }
    const second: MoveLine = { kind: 'skewer', path: path([60, 50], [60, 15]) }
    const moves = [level(0), level(1), first, second]
    const areas = [wholeMm2 / 2, wholeMm2 / 2]
    const known: KnownPulls = new Map()
    const pots = simulatePour(moves, areas, section, { known }).picture(64, 48, 60)
    const ways = [...known.values()]
    expect(simulatePour(moves, areas, section, { known }).picture(64, 48, 60)).to.deep.equal(pots)
    expect([...known.values()]).to.deep.equal(ways)
    // Another second pull: the first is kept, the one that is gone is forgotten.
    simulatePour([level(0), level(1), first, { ...second, path: path([50, 50], [50, 15]) }], areas, section, { known })
    expect(known.size).to.equal(2)
    expect([...known.values()].includes(ways[0]!)).to.equal(true)
    expect([...known.values()].includes(ways[1]!)).to.equal(false)
  })
})

describe('a column', () => {
  const slab = { widthMm: 200, heightMm: 60, fillMm: 40, lengthMm: 300 }
  const plan: readonly MoveLine[] = [
    {
      kind: 'column',
      outline: 'square',
      xMm: 100,
      zMm: 150,
      sizeMm: 40,
      count: 3,
      pots: [
        { pot: 0, part: 1 },
        { pot: 1, part: 1 },
      ],
    },
  ]
  const inside = simulatePour(plan, [3200, 4800], slab)

  it('gives each pot its share of the level cut, the last one in the middle and the first at the walls', () => {
    const cut = inside.cut({ kind: 'level', leftMm: 0, rightMm: 200, heightMm: 20, fromMm: 0, toMm: 300 }, 200, 300)
    expect(sharesIn(cut, 2)[0]).to.be.closeTo(0.4, 0.005)
    expect(inside.materialAt(100, 20, 150)).to.equal(1)
    expect(inside.materialAt(0.5, 20, 0.5)).to.equal(0)
    // Six rings, one after the other, from the middle to the wall.
    const along = Array.from({ length: 1000 }, (_, at) => inside.materialAt(100 + at / 10, 20, 150))
    expect(along.filter((material, at) => at > 0 && material !== along[at - 1])).to.have.length(5)
  })

  it('is the same at every height, and its upright cut is crossed where the level one says', () => {
    for (let x = 1; x < 200; x += 3) {
      const level = [2, 20, 39].map((y) => inside.materialAt(x, y, 60))
      expect(new Set(level).size).to.equal(1)
      const upright = inside.cut({ kind: 'across', leftMm: x - 0.5, rightMm: x + 0.5, alongMm: 60, upToMm: 40 }, 1, 8)
      expect(new Set(upright)).to.deep.equal(new Set([level[0]]))
    }
  })

  it('is rounded off less and less toward its middle', () => {
    // On a line on which the same share lies inside, straight out and to the corner of the square.
    const ring = ringShare({ xMm: 100, zMm: 150, sizeMm: 40, outline: 'square' }, slab)
    expect(ring(100 + 10, 150)).to.be.closeTo(ring(100 + 10, 150 + 9), 0.003)
    expect(ring(100, 150)).to.be.at.most(0.001)
    expect(ring(199.99, 150)).to.be.closeTo(1, 0.01)
  })
})

describe('what is poured side by side or in rings on uneven batter', () => {
  const sloped: MoveLine = { kind: 'sloped', pot: 0, part: 1, angleDeg: 15 }
  const pots = [
    { pot: 1, part: 1 },
    { pot: 2, part: 1 },
  ]
  const areas = [0.3, 0.2, 0.5].map((share) => share * wholeMm2)

  it('is deep where the batter is low, and each pot keeps its volume', () => {
    const { picture, topMm } = simulatePour([sloped, { kind: 'dividers', pots }], areas, section)
    sharesIn(picture(640, 480, topMm), 3).forEach((share, pot) =>
      expect(share).to.be.closeTo([0.3, 0.2, 0.5][pot]!, 0.002),
    )
  })

  it('keeps it around a column too', () => {
    const column: MoveLine = { kind: 'column', xMm: 12, zMm: 100, sizeMm: 20, outline: 'round', count: 1, pots }
    const inside = simulatePour([sloped, column], areas, section)
    const cuts = Array.from({ length: 50 }, (_, at) =>
      inside.cut({ kind: 'across', leftMm: 0, rightMm: 80, upToMm: inside.topMm, alongMm: (at + 0.5) * 5 }, 160, 120),
    )
    const pixels = Int8Array.from(cuts.flatMap((cut) => [...cut]))
    sharesIn(pixels, 3).forEach((share, pot) => expect(share).to.be.closeTo([0.3, 0.2, 0.5][pot]!, 0.005))
  })
})

describe('what is drawn on the surface', () => {
  it('goes through all of the depth and keeps what each level has', () => {
    const cells: MoveLine = {
      kind: 'dividers',
      pots: [
        { pot: 0, part: 1 },
        { pot: 1, part: 1 },
      ],
    }
    const drawn: MoveLine = { kind: 'skewer', plane: 'plan', path: path([20, 100], [60, 100]) }
    const inside = simulatePour([cells, drawn], [wholeMm2 / 2, wholeMm2 / 2], section)
    // Away from the path the cells stand as they were poured; at the path the left one is dragged to the right.
    expect([inside.materialAt(39.5, 30, 200), inside.materialAt(40.5, 30, 200)]).to.deep.equal([0, 1])
    for (const y of [2, 30, 58]) expect(inside.materialAt(45, y, 100)).to.equal(0)
    const cut = inside.cut({ kind: 'level', leftMm: 0, rightMm: 80, heightMm: 30, fromMm: 60, toMm: 140 }, 256, 256)
    expect(sharesIn(cut, 2)[0]).to.be.closeTo(0.5, 0.005)
  })
})

describe('what stands in the batter', () => {
  const embed: MoveLine = { kind: 'embed', outline: 'round', sizeMm: 30, xMm: 40, yMm: 25, hex: '#B98A3E' }

  it('keeps its shape, and layers lie level around it, higher by what it takes up', () => {
    const inside = simulatePour([level(0), embed, level(1)], [1600, 3200], section)
    // The first layer: 1600 mm² between the walls and the circle, to the height at which the free area is that.
    const below = (heightMm: number): number => {
      const up = Math.min(1, Math.max(-1, (heightMm - 25) / 15))
      return 15 * 15 * (up * Math.sqrt(1 - up * up) + Math.asin(up) + Math.PI / 2)
    }
    let levelMm = 20
    for (let round = 0; round < 60; round++) levelMm = (1600 + below(levelMm)) / 80
    expect([inside.materialAt(5, levelMm - 0.3), inside.materialAt(5, levelMm + 0.3)]).to.deep.equal([0, 1])
    expect([inside.materialAt(40, 11), inside.materialAt(40, 39), inside.materialAt(40, 9)]).to.deep.equal([2, 2, 0])
    expect(inside.topMm).to.be.closeTo((wholeMm2 + Math.PI * 225) / 80, 0.1)
    expect(inside.otherHexes).to.deep.equal(['#B98A3E'])
  })

  it('is cubes, or shavings a quarter as thick, each of which raises the batter by what it takes up', () => {
    const rise = (outline: 'square' | 'shaving'): number =>
      simulatePour([level(0), { kind: 'cubes', count: 6, sizeMm: 8, outline, hex: '#333333' }], [4800], section).topMm -
      60
    // Six pieces of 8 mm on average, from 6 to 10 mm.
    expect(rise('square')).to.be.within((6 * 6 * 6) / 80, (6 * 10 * 10) / 80)
    expect(rise('shaving')).to.be.closeTo(rise('square') / 4, 0.15)
  })

  it('is told by the heights after each move', () => {
    const heights = heightsAfter(
      [level(0), embed, { kind: 'sloped', angleDeg: 10, pot: 1, part: 1 }],
      [1600, 1600],
      section,
    )
    expect(heights[0]!.leftMm).to.equal(heights[1]!.leftMm)
    expect(heights[2]!.rightMm - heights[2]!.leftMm).to.be.closeTo(80 * Math.tan((10 * Math.PI) / 180), 0.1)
  })

  it('is not stirred by what is poured and drawn around it', () => {
    const pull: MoveLine = { kind: 'hanger', path: path([10, 30], [70, 30]) }
    const drop: MoveLine = { kind: 'drop', pot: 1, part: 0.5, xMm: 40, sinkMm: 30, spreadMm: 25 }
    const inside = simulatePour([level(0), embed, drop, level(1, 0.5), pull], [2400, 2400], section, {
      hand: { seed: 4 },
    })
    const cut = inside.picture(400, 400, inside.topMm)
    const mm2 = cut.filter((material) => material === 2).length * (80 / 400) * (inside.topMm / 400)
    expect(mm2).to.be.closeTo(Math.PI * 225, 10)
  })
})

describe('every pour plan', () => {
  const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true })
  const point = fc.record({ xMm: mm(0, 80), yMm: mm(0, 60) })
  const trace = fc.constantFrom(...traces)
  const stir = fc.oneof(
    fc.record({
      kind: fc.constantFrom('hanger' as const, 'skewer' as const),
      path: fc.array(point, { minLength: 2, maxLength: 4 }),
    }),
    fc.record({ kind: fc.constant('powder' as const), hex: fc.constant('#333333') }),
    fc.record({ kind: fc.constant('texture' as const), peakMm: mm(1, 8) }),
  )
  const pour = (pot: number) => {
    const half = { pot: fc.constant(pot), part: fc.constant(0.5), trace }
    const other = (pot + 1) % 3
    return fc.oneof(
      fc.record({ kind: fc.constant('level' as const), ...half }),
      fc.record({ kind: fc.constant('sloped' as const), ...half, angleDeg: mm(-15, 15) }),
      fc.record({
        kind: fc.constant('drop' as const),
        ...half,
        xMm: mm(5, 75),
        fallMm: mm(0, 400),
        spreadMm: mm(8, 40),
      }),
      fc.record({
        kind: fc.constantFrom('ribbon' as const, 'spoon' as const),
        ...half,
        count: fc.integer({ min: 2, max: 5 }),
      }),
      fc.record({
        kind: fc.constantFrom('pipe' as const, 'drizzle' as const),
        ...half,
        count: fc.integer({ min: 3, max: 6 }),
      }),
      fc.record({
        kind: fc.constantFrom('dividers' as const, 'stack' as const),
        xMm: mm(20, 60),
        count: fc.integer({ min: 2, max: 4 }),
        trace,
        pots: fc.constant([
          { pot, part: 0.25 },
          { pot: other, part: 0.125 },
          { pot, part: 0.25 },
        ]),
      }),
    )
  }
  // The last pour is level, so that the loaf ends level.
  const plan = fc
    .tuple(pour(0), pour(1), pour(2), fc.array(stir, { maxLength: 2 }), pour(1), fc.array(stir, { maxLength: 1 }))
    .map(([a, b, c, first, d, second]) => [a, b, c, ...first, d, level(2, 0.5), ...second] as readonly MoveLine[])

  it('keeps the area of each colour within 1 %, and lets nothing through a wall', function () {
    this.timeout(240_000)
    const shares = [0.3, 0.3, 0.4]
    fc.assert(
      fc.property(plan, fc.option(fc.integer({ min: 1, max: 99 }), { nil: undefined }), (moves, seed) => {
        const { picture, topMm } = simulatePour(
          moves,
          shares.map((share) => share * wholeMm2),
          section,
          seed === undefined ? {} : { hand: { seed } },
        )
        const pots = picture(320, 240, topMm)
        const pixelMm2 = (topMm * section.widthMm) / pots.length
        // Nothing is lost, nor comes in from beyond a wall: each pot has as many pixels as it was poured.
        partsPoured(moves, 3).forEach((part, pot) => {
          const pouredMm2 = part * shares[pot]! * wholeMm2
          const seenMm2 = pots.filter((seen) => seen === pot).length * pixelMm2
          expect(Math.abs(seenMm2 - pouredMm2), `pot ${pot}`).to.be.below(0.01 * wholeMm2)
        })
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
  const messages = (moves: readonly MoveLine[]): readonly string[] => checkPourPlan(moves, pots, section).map(plainly)

  it('says what is left in a pot, and what is poured over', () => {
    expect(partsPoured([level(0, 0.5), level(1), level(0, 0.25)], 2)).to.deep.equal([0.75, 1])
    expect(messages([level(0, 0.5), level(1)])).to.deep.equal(['pot_left_over, pot ink, off 200 g'])
    expect(messages([level(0), level(1), level(1, 0.25)])).to.deep.equal(['pot_used_over, pot fog, off 200 g'])
    expect(messages([])).to.deep.equal([])
  })

  it('refuses what cannot be done, in words', () => {
    expect(messages([{ kind: 'hanger', path: path([10, 10], [90, 10]) }])[0]).to.contain('path_leaves_mould')
    expect(messages([{ kind: 'skewer', path: path([10, 10]) }])[0]).to.contain('path_wants_two_points')
    expect(messages([level(5)])[0]).to.contain('move_pot_unknown')
    expect(messages([level(0, 0)])[0]).to.contain('move_part_range')
    expect(messages([{ kind: 'sloped', angleDeg: 80, pot: 0, part: 1 }])[0]).to.contain('(move_angle_range, most 45)')
    expect(messages([{ kind: 'drop', xMm: 99, sinkMm: 1, spreadMm: 5, pot: 0, part: 1 }])[0]).to.contain(
      '(move_beside_mould, width 80 mm)',
    )
    expect(messages([{ kind: 'drop', xMm: 9, sinkMm: 1, spreadMm: 0, pot: 0, part: 1 }])[0]).to.contain(
      'figure spreadMm, least 1',
    )
    expect(messages(new Array<MoveLine>(201).fill(level(0, 0.001)))).to.deep.equal(['too_many_moves, most 200'])
  })
})
