import fc from 'fast-check'
import type { Placement, ProblemBatch, SeasonProblem } from '../../src/season'
import { checkPlan, dayOptions } from '../../src/season'

export const aBatch: ProblemBatch = {
  id: 'a',
  moulds: { loaf: 1 },
  prepHours: 0.5,
  pourHours: 1.5,
  setDays: { min: 1, max: 2 },
  cutHours: 1,
  cureDays: 5,
  trays: 2,
  due: 12,
  earliest: 0,
  weight: 1,
  oven: false,
}

export const aSeason: SeasonProblem = {
  days: 14,
  hours: [2, 4, 2, 0, 2, 6, 0, 2, 4, 2, 0, 2, 6, 0],
  setupHours: 0.5,
  mouldKinds: { loaf: 1, slab: 1 },
  ovenSlots: 1,
  trays: 4,
  bufferDays: 2,
  batches: [aBatch],
}

const quarter = (min: number, max: number) => fc.integer({ min: min * 4, max: max * 4 }).map((value) => value / 4)

/** Small seasons of up to `most` batches, tight enough that they contend. */
export const smallSeasons = (most: number): fc.Arbitrary<SeasonProblem> =>
  fc
    .record({
      hours: fc.array(fc.constantFrom(0, 1, 2, 3, 5), { minLength: 9, maxLength: 9 }),
      setupHours: fc.constantFrom(0, 0.5, 1),
      loaves: fc.integer({ min: 1, max: 2 }),
      ovenSlots: fc.integer({ min: 0, max: 2 }),
      trays: fc.integer({ min: 3, max: 6 }),
      bufferDays: fc.integer({ min: 0, max: 3 }),
      prepAhead: fc.integer({ min: 1, max: 4 }),
      batches: fc.array(
        fc.record({
          slab: fc.boolean(),
          prepHours: fc.constantFrom(0, 0.5),
          pourHours: quarter(0.5, 1.5),
          cutHours: quarter(0.25, 1),
          set: fc.integer({ min: 0, max: 1 }),
          cureDays: fc.integer({ min: 1, max: 4 }),
          trays: fc.integer({ min: 1, max: 2 }),
          due: fc.integer({ min: 4, max: 11 }),
          earliest: fc.integer({ min: 0, max: 2 }),
          weight: fc.constantFrom(1, 1.5, 3),
          oven: fc.boolean(),
        }),
        { minLength: 1, maxLength: most },
      ),
    })
    .map(({ loaves, batches, ...rest }) => ({
      ...rest,
      days: 9,
      mouldKinds: { loaf: loaves, slab: 1 },
      batches: batches.map(({ slab, set, ...batch }, index) => ({
        ...batch,
        id: `b${index}`,
        moulds: slab ? { slab: 1 } : { loaf: 1 },
        setDays: { min: 1, max: 1 + set },
      })),
    }))

/**
 * Small seasons, each with its batches on any days: rules are broken as often as kept.
 *
 * @param pourDays first and last day of a pour. Usually those before and after which a season still has a day
 */
export const seasonsWithPours = (most: number, pourDays = { min: 1, max: 7 }) =>
  fc
    .tuple(smallSeasons(most), fc.array(fc.integer(pourDays), { minLength: most, maxLength: most }))
    .map(([problem, days]) => ({
      problem,
      pours: problem.batches.map(({ id, setDays }, index): Placement => {
        const pour = days[index] ?? 1
        return { id, pour, cut: pour + setDays.min }
      }),
    }))

/** Every plan of a season in which each batch stands on days that it could take alone. */
export function* everyPlan(problem: SeasonProblem): Generator<readonly Placement[]> {
  const options = problem.batches.map((batch) => dayOptions(problem, batch))
  function* from(index: number, chosen: readonly Placement[]): Generator<readonly Placement[]> {
    const batch = problem.batches[index]
    if (!batch) yield chosen
    else
      for (const { pour, cut } of options[index] ?? []) yield* from(index + 1, [...chosen, { id: batch.id, pour, cut }])
  }
  yield* from(0, [])
}

/** The least cost of any plan that breaks no rule; undefined when there is none. */
export function leastCost(problem: SeasonProblem): number | undefined {
  let least: number | undefined
  for (const pours of everyPlan(problem)) {
    const { isFeasible, cost } = checkPlan(problem, { pours })
    if (isFeasible && (least === undefined || cost < least)) least = cost
  }
  return least
}
