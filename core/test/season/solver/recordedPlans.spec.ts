import { expect } from 'chai'
import { readFileSync, writeFileSync } from 'node:fs'
import type { SeasonProblem, SolverOptions } from '../../../src/season'
import { solveSeason } from '../../../src/season'

interface Recorded {
  readonly cost: number
  /** Pour and cut of each batch, in the order of the problem: "3.5 10.12". */
  readonly days: string
}

const file = 'core/test/season/solver/recordedPlans.json'
const instance = (name: string): SeasonProblem =>
  JSON.parse(readFileSync(`bench/seasons/${name}.json`, 'utf8')) as SeasonProblem

/** A little of the search on each: what differs in it comes to another plan soon. */
const questions: readonly (readonly [string, SolverOptions])[] = [
  ...['season-12', 'season-16', 'season-20', 'season-30', 'season-40', 'season-60'].flatMap((name) =>
    [1, 2].map((seed) => [name, { seed, effort: 0.06 }] as const),
  ),
  ['season-80', { seed: 3, effort: 0.03 }],
]
const nameOf = ([name, { seed }]: (typeof questions)[number]): string => `${name}, seed ${seed}`

function answerOf([name, options]: (typeof questions)[number]): Recorded {
  const problem = instance(name)
  const { plan, check } = solveSeason(problem, options)
  const byId = new Map(plan.pours.map((one) => [one.id, one]))
  const days = problem.batches.map(({ id }) => {
    const placed = byId.get(id)
    return placed ? `${placed.pour}.${placed.cut}` : '-'
  })
  return { cost: check.cost, days: days.join(' ') }
}

/** A season that is planned, and then loses the day on which most is poured. */
function lostDay(name: string): (typeof questions)[number][1] & { readonly problem: SeasonProblem } {
  const problem = instance(name)
  const { plan } = solveSeason(problem, { effort: 0.06 })
  const pours = plan.pours.map(({ pour }) => pour)
  const most = pours.reduce((a, b) =>
    pours.filter((day) => day === b).length > pours.filter((day) => day === a).length ? b : a,
  )
  const hours = problem.hours.map((there, day) => (day === most ? 0 : there))
  return { problem: { ...problem, hours }, current: plan.pours, effort: 0.06 }
}

/**
 * The search is chance and rules of thumb: a slip in it breaks no rule of a plan and makes it a little worse. So its plans
 * are kept as they were found. Whoever changes the search on purpose measures it (npm run bench -- season) and records
 * them anew: VENDANGE_RECORD=1 npx mocha core/test/season/solver/recordedPlans.spec.ts
 */
describe('the plans that the search finds', () => {
  const recorded =
    process.env['VENDANGE_RECORD'] === '1'
      ? undefined
      : (JSON.parse(readFileSync(file, 'utf8')) as Readonly<Record<string, Recorded>>)
  const found: Record<string, Recorded> = {}
  after(() => {
    if (!recorded) writeFileSync(file, `${JSON.stringify(found, null, 2)}\n`)
  })

  const check = (name: string, answer: Recorded): void => {
    found[name] = answer
    if (recorded) expect(answer).to.deep.equal(recorded[name])
  }
  for (const question of questions)
    it(`are as recorded: ${nameOf(question)}`, () => check(nameOf(question), answerOf(question)))

  it('change little when a day is lost, as recorded', () => {
    for (const name of ['season-20', 'season-30']) {
      const { problem, ...options } = lostDay(name)
      const { plan, check: checked, costWithChanges } = solveSeason(problem, options)
      check(`${name}, a day lost`, {
        cost: costWithChanges,
        days: `${checked.cost} ${plan.pours.map(({ id, pour, cut }) => `${id}:${pour}.${cut}`).join(' ')}`,
      })
    }
  })
})
