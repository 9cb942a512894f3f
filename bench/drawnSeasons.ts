import { solveSeason } from '@vendange/core/season'
import { readFileSync } from 'node:fs'
import { percentile } from './measure'
import type { SeasonSeed } from './seasons/drawSeason'
import { drawSeason } from './seasons/drawSeason'

/** A season that is drawn anew from its seed, and what is known of it. */
interface DrawnSeason extends SeasonSeed {
  /** Those for tuning are what the search was fitted to; those for reporting it had not seen. */
  readonly set: 'tuning' | 'reporting'
  /** The least cost known, and what no plan can be cheaper than where that was worked out. */
  readonly cost: number
  readonly bound: number | null
}

const known = JSON.parse(
  readFileSync(new URL('./seasons/drawn.json', import.meta.url), 'utf8'),
) as readonly DrawnSeason[]
const bands = [
  { name: 'up to 22 batches', from: 0, to: 22 },
  { name: '23 to 40', from: 23, to: 40 },
  { name: 'more than 40', from: 41, to: Infinity },
]
const seedsOfSpread = 10
const dust = 1e-6

interface Solved {
  readonly season: DrawnSeason
  /** Cost over the least cost known. */
  readonly ratio: number
  readonly seconds: number
}

/** How a season is planned: on one thread, or as the page does where the machine does two things at once. */
const ways = [
  { threads: 'one thread', seeds: [1], effort: 1 },
  { threads: 'two threads', seeds: [1, 2], effort: 0.6 },
]
type Way = Omit<(typeof ways)[number], 'threads'>

function solve(season: DrawnSeason, { seeds, effort }: Way): Solved {
  const problem = drawSeason(season)
  const runs = seeds.map((seed) => {
    const before = process.cpuUsage()
    const { check } = solveSeason(problem, { seed, effort })
    const { user, system } = process.cpuUsage(before)
    return { cost: check.isFeasible ? check.cost : Infinity, seconds: (user + system) / 1e6 }
  })
  return {
    season,
    ratio: Math.min(...runs.map(({ cost }) => cost)) / season.cost,
    seconds: Math.max(...runs.map(({ seconds }) => seconds)),
  }
}

const sorted = (values: readonly number[]): readonly number[] => [...values].sort((a, b) => a - b)
const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length

function reportBand(name: string, solved: readonly Solved[], { from, to }: (typeof bands)[number]): void {
  const all = solved.filter(({ season: { batches } }) => batches >= from && batches <= to)
  const ratios = all.map(({ ratio }) => ratio)
  const proven = all.filter(({ season: { cost, bound } }) => bound !== null && cost - bound < dust)
  const equal = proven.filter(({ ratio }) => ratio < 1 + dust)
  const seconds = sorted(all.map((one) => one.seconds))
  console.log(
    `${name} (${all.length}): cost over the least known mean ${mean(ratios).toFixed(4)}, worst ${Math.max(...ratios).toFixed(4)}; equal to the proven least ${equal.length} of ${proven.length}; seconds of processor median ${percentile(seconds, 0.5).toFixed(2)}, worst ${Math.max(...seconds).toFixed(2)}`,
  )
  for (const { season, ratio } of all.filter((one) => one.ratio < 1 - dust))
    console.log(`  better than known: ${JSON.stringify({ ...season, cost: ratio * season.cost })}`)
}

/** The planner on seasons drawn by chance: those that it was tuned on apart from those that it had not seen. */
export function benchDrawnSeasons(): void {
  for (const { threads, ...way } of ways)
    for (const set of ['tuning', 'reporting'] as const) {
      const solved = known.filter((season) => season.set === set).map((season) => solve(season, way))
      for (const band of bands) reportBand(`${threads}, ${set}, ${band.name}`, solved, band)
    }
  for (const season of known.filter(({ set, batches }) => set === 'reporting' && [14, 28, 40, 64].includes(batches))) {
    const ratios = Array.from(
      { length: seedsOfSpread },
      (_, index) => solve(season, { seeds: [index + 1], effort: 1 }).ratio,
    )
    console.log(
      `over ${seedsOfSpread} seeds, ${season.batches} batches: worst over best ${(Math.max(...ratios) / Math.min(...ratios)).toFixed(4)}`,
    )
  }
}
