import type { Placement, SeasonProblem } from '@vendange/core/season'
import { checkPlan, deliveryDate, slackOf, solveSeason } from '@vendange/core/season'
import { readFileSync } from 'node:fs'
import { benchDrawnSeasons } from './drawnSeasons'
import { benchLeastChange } from './leastChange'
import { percentile, report, timesOf } from './measure'
import { drawSeason } from './seasons/drawSeason'

const read = (name: string): unknown =>
  JSON.parse(readFileSync(new URL(`./seasons/${name}.json`, import.meta.url), 'utf8'))
const bestKnown = read('best-known') as Readonly<Record<string, { readonly cost: number; readonly proven: boolean }>>

/** Every public season once, one thread, against the best cost known. */
function benchSolver(): void {
  for (const [name, { cost, proven }] of Object.entries(bestKnown)) {
    const problem = read(name) as SeasonProblem
    const start = performance.now()
    const cpu = process.cpuUsage()
    const { check } = solveSeason(problem)
    const seconds = (performance.now() - start) / 1000
    const busy = process.cpuUsage(cpu)
    const ratio = check.isFeasible ? (check.cost / cost).toFixed(4) : 'not feasible'
    console.log(
      `${name}  cost ${String(check.cost).padStart(8)}  cost/best ${ratio}${proven ? '' : ' (best not proven)'}  ${seconds.toFixed(2)} s, ${((busy.user + busy.system) / 1e6).toFixed(2)} s of processor`,
    )
  }
}

async function benchCheck(): Promise<void> {
  const problem = read('season-80') as SeasonProblem
  const { plan } = solveSeason(problem, { effort: 0.05 })
  const touch = (): number => plan.pours.reduce((sum, { pour, cut }) => sum + pour + cut, 0)
  const yardstick = percentile(
    await timesOf(300, () => {
      for (let run = 0; run < 100; run++) touch()
    }),
    0.5,
  )
  const checks = await timesOf(400, () => checkPlan(problem, plan))
  report('The whole plan of 80 batches checked, median', percentile(checks, 0.5), 'reading its days', yardstick / 100)
  report('The same, 95th percentile', percentile(checks, 0.95), 'reading its days', yardstick / 100)
}

interface AskedAnew {
  readonly problem: SeasonProblem
  readonly plan: readonly Placement[]
  readonly wished: Placement
}

/** Batches of planned seasons asked for anew, against planning the whole season again. */
function benchPromises(name: string, cases: readonly AskedAnew[]): void {
  const times: number[] = []
  let [fixedEqual, freeEqual, freeEarlier, freeLater] = [0, 0, 0, 0]
  for (const { problem, plan, wished } of cases) {
    const standing = plan.filter(({ id }) => id !== wished.id)
    const start = performance.now()
    const found = deliveryDate(problem, standing, [wished.id])
    times.push(performance.now() - start)
    const fixed = earliestByReplan(problem, standing, wished, standing)
    const free = earliestByReplan(problem, standing, wished, [])
    const promised = found.withMoves?.due ?? found.asPlanned?.due ?? Infinity
    if (found.asPlanned?.due === fixed) fixedEqual += 1
    if (promised === free) freeEqual += 1
    if (promised < (free ?? Infinity)) freeEarlier += 1
    if (free !== undefined && promised > free) freeLater += 1
  }
  const sorted = times.sort((a, b) => a - b)
  console.log(
    `A promise date with 60 batches planned, ${name}: median ${percentile(sorted, 0.5).toFixed(0)} ms, longest ${percentile(sorted, 1).toFixed(0)} ms`,
  )
  console.log(`  as planned: equal to a re-plan with the others pinned in ${fixedEqual} of ${cases.length}`)
  console.log(
    `  with others moved: equal to a free re-plan in ${freeEqual} of ${cases.length}, earlier in ${freeEarlier}, later in ${freeLater}`,
  )
}

/** Twenty batches of the public season of 60; and one each of twenty seasons that nothing was tuned on. */
function benchPromise(): void {
  const problem = read('season-60') as SeasonProblem
  const { plan } = solveSeason(problem)
  const every = Array.from({ length: 20 }, (_, at) => plan.pours[at * 3]!)
  benchPromises(
    'of the public season',
    every.map((wished) => ({ problem, plan: plan.pours, wished })),
  )
  const unseen = Array.from({ length: 20 }, (_, at) => {
    const season = drawSeason({ batches: 60, seed: 9501 + 7 * at, tightness: 0.5 + 0.05 * (at % 10) })
    const { pours } = solveSeason(season, { effort: 0.3 }).plan
    return { problem: season, plan: pours, wished: pours[3 * at]! }
  })
  benchPromises('one each of 20 seasons not seen before', unseen)
}

/** First day by which a whole re-plan has a batch ready while nobody else gets later. */
function earliestByReplan(
  problem: SeasonProblem,
  standing: readonly Placement[],
  wished: Placement,
  pinned: readonly Placement[],
): number | undefined {
  const late = new Map(
    standing.map(({ id, cut }) => [
      id,
      Math.max(
        0,
        -slackOf(
          problem.batches.find((one) => one.id === id)!,
          cut,
        ),
      ),
    ]),
  )
  // Lateness of the others is forbidden by its weight; that of the wished batch, due at once, is what is made small.
  const batches = problem.batches.map((batch) =>
    batch.id === wished.id
      ? { ...batch, due: 0, weight: 1 }
      : { ...batch, due: batch.due + (late.get(batch.id) ?? 0), weight: 100 },
  )
  const { plan, check } = solveSeason({ ...problem, batches }, { pinned, current: [] })
  const batch = problem.batches.find(({ id }) => id === wished.id)
  const at = plan.pours.find(({ id }) => id === wished.id)
  return check.isFeasible && batch && at ? at.cut + batch.cureDays : undefined
}

export async function benchSeason(): Promise<void> {
  benchSolver()
  benchDrawnSeasons()
  await benchCheck()
  benchPromise()
  benchLeastChange()
}
