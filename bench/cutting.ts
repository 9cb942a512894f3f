import type { Allowances, Piece, RoughBlock } from '@vendange/core/cutting'
import { cutWays, enumerateCuts, planCuts, planOneWay, rounds } from '@vendange/core/cutting'
import { randomFrom } from '@vendange/core/random'
import { percentile, report, timesOf } from './measure'

/** A block and what is wanted of it, drawn at random. */
function drawCut(seed: number): readonly [RoughBlock, readonly Piece[], Allowances] {
  const random = randomFrom(seed)
  const whole = (from: number, to: number): number => Math.round(from + random() * (to - from))
  const piece = (index: number): Piece => ({
    name: `kind ${index}`,
    faceWidthMm: whole(45, 90),
    faceHeightMm: whole(30, 60),
    thicknessMm: whole(20, 35),
    wanted: index === 0 ? null : whole(2, 8),
  })
  return [
    { lengthMm: whole(120, 260), widthMm: whole(80, 190), heightMm: whole(40, 90) },
    Array.from({ length: whole(1, 3) }, (_, index) => piece(index)),
    { endMm: whole(0, 5), sideMm: whole(0, 3), topMm: whole(0, 3), kerfMm: random() },
  ]
}

const slab: RoughBlock = { lengthMm: 310, widthMm: 300, heightMm: 55 }
const mixed: readonly Piece[] = [
  { name: 'Bar', faceWidthMm: 80, faceHeightMm: 52, thicknessMm: 25, wanted: null },
  { name: 'Guest bar', faceWidthMm: 52, faceHeightMm: 52, thicknessMm: 20, wanted: 20 },
  { name: 'Sample', faceWidthMm: 25, faceHeightMm: 52, thicknessMm: 15, wanted: 12 },
]
const allowances: Allowances = { endMm: 3, sideMm: 2, topMm: 2, kerfMm: 0.5 }

/** The cut planner against every way of cutting there is. */
export async function benchCutting(): Promise<void> {
  let equal = 0
  let [planMs, allMs] = [0, 0]
  for (let seed = 1; seed <= 300; seed++) {
    const [block, pieces, allowed] = drawCut(seed)
    for (const round of rounds)
      for (const way of cutWays) {
        const started = performance.now()
        const { worthMm3 } = planOneWay(block, pieces, allowed, { round, way })
        const between = performance.now()
        const most = enumerateCuts(block, pieces, allowed, { round, way })
        planMs += between - started
        allMs += performance.now() - between
        if (Math.abs(worthMm3 - most) <= 1e-6 * most) equal += 1
      }
  }
  console.log(`Equal to every way of cutting: ${equal} of 1200 (300 random blocks, four ways round)`)
  console.log(
    `  planned in ${planMs.toFixed(0)} ms, all enumerated in ${allMs.toFixed(0)} ms: ${(allMs / planMs).toFixed(1)} times as long`,
  )
  const times = await timesOf(20, () => planCuts(slab, mixed, allowances))
  const one = await timesOf(3, () =>
    enumerateCuts(slab, mixed.slice(0, 2), allowances, { round: 'along', way: 'as_poured' }),
  )
  report(
    'A slab in three sizes, four ways round',
    percentile(times, 0.5),
    'one way of two sizes, enumerated',
    percentile(one, 0.5),
  )
  console.log(`  the longest of 20: ${percentile(times, 1).toFixed(1)} ms`)
}
