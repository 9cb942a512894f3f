import type { KnownPulls, MoveLine, SectionPoint } from '@vendange/core/pour'
import { simulatePour } from '@vendange/core/pour'
import { linearRegression, linearRegressionLine, rSquared } from 'simple-statistics'
import { percentile, report, timesOf } from './measure'

const section = { widthMm: 80, heightMm: 70, fillMm: 60, lengthMm: 250 }
const [width, height] = [512, 384]

const zigzag = (left: number): readonly SectionPoint[] =>
  [0, 1, 2, 3].flatMap((turn) => [
    { xMm: left + turn * 12, yMm: turn % 2 === 0 ? 54 : 8 },
    { xMm: left + turn * 12, yMm: turn % 2 === 0 ? 8 : 54 },
  ])

/** Nine pours and three pulls. */
function twelveMoves(): readonly MoveLine[] {
  const pours = Array.from({ length: 9 }, (_, index): MoveLine =>
    index % 3 === 2
      ? { kind: 'drop', pot: index % 4, part: 0.4, xMm: 20 + index * 5, sinkMm: 15, spreadMm: 20 }
      : { kind: 'level', pot: index % 4, part: 0.4 },
  )
  const pulls = [18, 22, 26].map((left, index): MoveLine => ({
    kind: index === 1 ? 'skewer' : 'hanger',
    path: zigzag(left),
  }))
  return [...pours, ...pulls]
}

/** The inside of a loaf, warm, against reading each pixel through as many maps that do nothing. */
export async function benchPour(): Promise<void> {
  const moves = twelveMoves()
  const areas = [1200, 1200, 1200, 1200]
  const paint = (across: number, up: number, of = moves): Int8Array =>
    simulatePour(of, areas, section).picture(across, up, 60)
  const maps = moves.map((_, index) => (at: { x: number; y: number }) => {
    at.x += index * 1e-9
  })
  const trivial = (): number => {
    const at = { x: 0, y: 0 }
    let sum = 0
    for (let pixel = 0; pixel < width * height; pixel++) {
      at.x = pixel % width
      at.y = pixel / width
      for (const map of maps) map(at)
      sum += at.x
    }
    return sum
  }
  const yardstick = percentile(await timesOf(20, trivial), 0.5)
  const what = 'reading each pixel through as many maps'
  report(
    '12 moves, three of them pulls, 512 × 384',
    percentile(await timesOf(12, () => paint(width, height)), 0.5),
    what,
    yardstick,
  )
  report(
    'The same at 192 × 144, as while dragging',
    percentile(await timesOf(20, () => paint(192, 144)), 0.5),
    what,
    yardstick,
  )
  // While the last path is drawn it is another one in each picture; the two before it are known.
  const known: KnownPulls = new Map()
  let turn = 0
  const dragged = (): Int8Array => {
    const last: MoveLine = { kind: 'hanger', path: zigzag(20 + (turn++ % 50) / 10) }
    return simulatePour([...moves.slice(0, -1), last], areas, section, { known, across: 64 }).picture(192, 144, 60)
  }
  report('The same while its last pull is drawn', percentile(await timesOf(20, dragged), 0.5), what, yardstick)
  await reportGrowth(areas)
}

/** How time grows with moves and with pixels: a straight line through the times, and how much of them it explains. */
async function reportGrowth(areas: readonly number[]): Promise<void> {
  const drop = (index: number): MoveLine => ({
    kind: 'drop',
    pot: index % 4,
    part: 0.04,
    xMm: 10 + ((index * 23) % 60),
    sinkMm: 15,
    spreadMm: 20,
  })
  const timeOf = async (count: number, share: number): Promise<number> => {
    const lines: readonly MoveLine[] = [
      ...[0, 1, 2, 3].map((pot): MoveLine => ({ kind: 'level', pot, part: 0.2 })),
      ...Array.from({ length: count }, (_, index) => drop(index)),
    ]
    const paint = () => simulatePour(lines, areas, section).picture(width * share, height * share, 60)
    // The fastest of nine: growth is to be seen, not who else is at work on the machine.
    return percentile(await timesOf(9, paint), 0.01)
  }
  const byMoves: [number, number][] = []
  for (const count of [5, 10, 20, 40, 80]) byMoves.push([count, await timeOf(count, 1)])
  const byPixels: [number, number][] = []
  for (const share of [0.25, 0.5, 0.75, 1, 1.25])
    byPixels.push([(width * share * height * share) / 1000, await timeOf(20, share)])
  for (const [what, unit, points] of [
    ['moves', 'a drop', byMoves],
    ['pixels', 'a thousand pixels', byPixels],
  ] as const) {
    const { m, b } = linearRegression(points)
    const explained = rSquared(points, linearRegressionLine({ m, b }))
    console.log(`  Fit over ${what}: ${b.toFixed(1)} ms + ${m.toFixed(3)} ms for ${unit}, R² ${explained.toFixed(3)}`)
    console.log(`    ${points.map(([at, ms]) => `${at.toFixed(0)}: ${ms.toFixed(0)} ms`).join(', ')}`)
  }
}
