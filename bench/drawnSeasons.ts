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

function solve(season: DrawnSeason, seed = 1): Solved {
  const problem = drawSeason(season)
  const before = process.cpuUsage()
  const { check } = solveSeason(problem, { seed })
  const { user, system } = process.cpuUsage(before)
  const cost = check.isFeasible ? check.cost : Infinity
  return { season, ratio: cost / season.cost, seconds: (user + system) / 1e6 }
}

const sorted = (values: readonly number[]): readonly number[] => [...values].sort((a, b) => a - b)
const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length

/** The planner on seasons drawn by chance: those that it was tuned on apart from those that it had not seen. */
export function benchDrawnSeasons(): void {
  for (const set of ['tuning', 'reporting'] as const) {
    const solved = known.filter((season) => season.set === set).map((season) => solve(season))
    for (const { name, from, to } of bands) {
      const all = solved.filter(({ season: { batches } }) => batches >= from && batches <= to)
      const ratios = all.map(({ ratio }) => ratio)
      const proven = all.filter(({ season: { cost, bound } }) => bound !== null && cost - bound < dust)
      const equal = proven.filter(({ ratio }) => ratio < 1 + dust)
      const seconds = sorted(all.map((one) => one.seconds))
      console.log(
        `${set}, ${name} (${all.length}): cost over the least known mean ${mean(ratios).toFixed(4)}, worst ${Math.max(...ratios).toFixed(4)}; equal to the proven least ${equal.length} of ${proven.length}; seconds of processor median ${percentile(seconds, 0.5).toFixed(2)}, worst ${Math.max(...seconds).toFixed(2)}`,
      )
      for (const { season, ratio } of all.filter((one) => one.ratio < 1 - dust))
        console.log(`  better than known: ${JSON.stringify({ ...season, cost: ratio * season.cost })}`)
    }
  }
  for (const season of known.filter(({ set, batches }) => set === 'reporting' && [14, 28, 40, 64].includes(batches))) {
    const ratios = Array.from({ length: seedsOfSpread }, (_, index) => solve(season, index + 1).ratio)
    console.log(
      `over ${seedsOfSpread} seeds, ${season.batches} batches: worst over best ${(Math.max(...ratios) / Math.min(...ratios)).toFixed(4)}`,
    )
  }
}
