import { shareBelow } from '../random'
import type { BarConditions } from './bar'
import type { BarObservationKey, ObservationSpread } from './model'
import { modelOf, spreadOf } from './model'

/** Something that was seen of a bar: it lay in this span, both in the observation's own unit. */
export interface SeenBar {
  readonly key: BarObservationKey
  readonly recipeId: string
  /** What the model says of such a bar. */
  readonly model: number
  /** @default it may be as little as it will */
  readonly atLeast?: number | undefined
  /** @default it may be as much as it will */
  readonly atMost?: number | undefined
}

/** What is believed of the next bar: chances of how far its kind lies from the model, and what varies beside. */
export interface BarBelief {
  readonly median: number
  /** Logarithms of the offset, with the chance of each. */
  readonly offsets: readonly { readonly log: number; readonly chance: number }[]
  readonly each: number
  /** Bars that it was learned from, and those of them of this recipe. */
  readonly seen: number
  readonly seenOfRecipe: number
}

/** Offsets are looked at in steps of five per cent, as far as a factor of seven both ways. */
const stepLog = 0.05
const reach = 40
const steps = Array.from({ length: 2 * reach + 1 }, (_, at) => at - reach)
/** No observation is held against an offset more firmly than this: a slip of the pen must not rule. An estimate. */
const leastLikely = 0.01

const bell = (log: number, spread: number): number => Math.exp(-0.5 * (log / spread) ** 2)

/** How likely something seen is at each offset. */
function likelihoods({ model, atLeast = 0, atMost = Infinity }: SeenBar, each: number): readonly number[] {
  return steps.map((step) => {
    const below = (value: number): number =>
      value <= 0 ? 0 : value === Infinity ? 1 : shareBelow((Math.log(value / model) - step * stepLog) / each)
    return Math.max(leastLikely, below(atMost) - below(atLeast))
  })
}

const timesAll = (all: readonly (readonly number[])[]): readonly number[] => {
  const product = steps.map((_, at) => all.reduce((chance, one) => chance * one[at]!, 1))
  const most = Math.max(...product)
  return product.map((chance) => chance / most)
}

/** For each offset of the workshop: how likely what was seen of one recipe is, whose own offset is not known. */
function seenThrough(ofRecipe: readonly number[], { recipe }: ObservationSpread): readonly number[] {
  const own = steps.map((step) => bell(step * stepLog, recipe))
  const total = own.reduce((sum, one) => sum + one, 0)
  return steps.map(
    (workshop) =>
      steps.reduce((sum, step, at) => {
        const both = workshop + step + reach
        return both < 0 || both >= ofRecipe.length ? sum : sum + own[at]! * ofRecipe[both]!
      }, 0) / total,
  )
}

/** What a workshop has seen, ready to be asked about any recipe. */
export type Learned = (key: BarObservationKey, bar: BarConditions, recipeId: string | undefined) => BarBelief

/**
 * Learns from what was seen: the logarithm of what a bar does is the model's, plus the workshop's own offset, plus the
 * recipe's, plus what varies from bar to bar, all normal; what was seen is a span, so that "clean when it was cut" counts
 * as "by then" (hierarchical model with censored data: Gelman and others, "Bayesian Data Analysis", 3rd ed., 2013, ch. 5
 * and 8). Worked out on a grid of offsets.
 */
export function learnFromBars(all: readonly SeenBar[]): Learned {
  interface OfKey {
    readonly seen: readonly SeenBar[]
    readonly byRecipe: ReadonlyMap<string, { readonly own: readonly number[]; readonly through: readonly number[] }>
  }
  const learned = new Map<BarObservationKey, OfKey>()
  const learn = (key: BarObservationKey): OfKey => {
    const known = learned.get(key)
    if (known) return known
    const seen = all.filter((one) => one.key === key)
    const spread = spreadOf(key)
    const byRecipe = new Map(
      [...new Set(seen.map(({ recipeId }) => recipeId))].map((recipeId) => {
        const own = timesAll(
          seen.filter((one) => one.recipeId === recipeId).map((one) => likelihoods(one, spread.each)),
        )
        return [recipeId, { own, through: seenThrough(own, spread) }] as const
      }),
    )
    const now = { seen, byRecipe }
    learned.set(key, now)
    return now
  }
  return (key, bar, recipeId) => {
    const { seen, byRecipe } = learn(key)
    const spread = spreadOf(key)
    const own = recipeId === undefined ? undefined : byRecipe.get(recipeId)?.own
    const others = [...byRecipe].flatMap(([id, { through }]) => (id === recipeId ? [] : [through]))
    const fromOthers = timesAll(others)
    const workshop = steps.map((step, at) => bell(step * stepLog, spread.workshop) * fromOthers[at]!)
    const chances = new Map<number, number>()
    for (const [at, ofWorkshop] of workshop.entries())
      for (const step of steps) {
        const both = steps[at]! + step
        if (Math.abs(both) > reach) continue
        const chance = ofWorkshop * bell(step * stepLog, spread.recipe) * (own?.[both + reach] ?? 1)
        chances.set(both, (chances.get(both) ?? 0) + chance)
      }
    const total = [...chances.values()].reduce((sum, one) => sum + one, 0)
    return {
      median: modelOf(key, bar),
      offsets: [...chances].map(([step, chance]) => ({ log: step * stepLog, chance: chance / total })),
      each: spread.each,
      seen: seen.length,
      seenOfRecipe: seen.filter((one) => one.recipeId === recipeId).length,
    }
  }
}

/** Share of the next bars of a kind, 0 to 1, of which less than `value` will be seen. */
export function shareOfBarsBelow({ median, offsets, each }: BarBelief, value: number): number {
  if (value <= 0) return 0
  const log = Math.log(value / median)
  return offsets.reduce((sum, offset) => sum + offset.chance * shareBelow((log - offset.log) / each), 0)
}

/** The value below which such a share (above 0 and below 1) of the next bars of a kind lies: found by halving. */
export function barsBelow(belief: BarBelief, share: number): number {
  let [low, high] = [belief.median / 100, belief.median * 100]
  for (let step = 0; step < 60; step++) {
    const middle = Math.sqrt(low * high)
    if (shareOfBarsBelow(belief, middle) < share) low = middle
    else high = middle
  }
  return Math.sqrt(low * high)
}
