import type { Sentence } from '../../findings'
import { sentence } from '../../findings'
import type { Blending, KnownMakeup, Recipe, ScentBehaviour, Thickener } from '../../recipe'
import { blendOf, thickenerOf, thickeners } from '../../recipe'

/** What the working time of a batter depends on. */
export interface BatterConditions {
  /** Of fats and lye as they meet, °C. */
  readonly temperatureC: number
  /** Alkali over alkali plus water. */
  readonly lyeConcentration: number
  /** Share of the fats that are solid or soft at 20 °C. */
  readonly solidShare: number
  readonly blending: Blending
  /** Scents, each with its share of the fats: of a blend its parts. */
  readonly scents: readonly { readonly name: string; readonly rate: number; readonly behaviour: ScentBehaviour }[]
  /** Whether the scent goes into the pots last, or into the batter at emulsion. */
  readonly scentLast: boolean
  readonly thickeners: readonly Thickener[]
  readonly pots: number
  /** What sets single pots apart from the batter as a whole. @default none does */
  readonly paces?: readonly PotPace[]
}

/** How one pot thickens in relation to the batter it was split from. */
export interface PotPace {
  /** By how much its time is multiplied: below 1 where a white pigment thickens it. */
  readonly times: number
  /** Whether scent is stirred into it. */
  readonly isScented: boolean
}

/** Something that lengthens or shortens the working time. */
export interface WorkingFactor {
  readonly key: string
  readonly name: Sentence
  /** By how much the time is multiplied; below 1 it is shorter. */
  readonly times: number
  /** How unsure that is: standard deviation of its logarithm. */
  readonly spread: number
  readonly reason: Sentence
  /** Whether it is one of the scents, which act from when they are stirred in. */
  readonly isScent: boolean
}

/**
 * The model's figures. All are estimates from usual practice; a workshop may set its own, and its timed pours go before
 * them.
 */
export const workingPrior = {
  /** Minutes from emulsion until the batter is too thick for a swirl: at 30 °C, lye of 30 %, half solid fats, no scent. */
  baseMin: 32,
  /** Between workshops, blenders and hands: standard deviation of the logarithm. */
  workshopSpread: 0.35,
  /** From pour to pour of the same plan. */
  pourSpread: 0.2,
  /** Of the logarithm: for each °C, for each 1 % of lye, for each 10 % of solid fats. */
  perDegree: -0.028,
  perLyePercent: -0.04,
  perSolidTenth: -0.09,
  blending: { brief: 0.22, usual: 0, long: -0.35 },
  behaviour: {
    unknown: { effect: -0.3, spread: 0.55 },
    slows: { effect: 0.2, spread: 0.2 },
    calm: { effect: 0, spread: 0.15 },
    speeds: { effect: -0.6, spread: 0.3 },
    races: { effect: -1.5, spread: 0.4 },
    curdles: { effect: -1.1, spread: 0.5 },
  },
  thickener: { sugar: -0.2, milk: -0.15, fruit: -0.2, oats: -0.15, clay: -0.12, white: -0.12 },
  /** Share of the fats at which a scent acts as told. */
  usualScentRate: 0.03,
} as const

/** Own figures of a workshop: by how much a factor multiplies the time, by its key. */
export type OwnFactors = Readonly<Record<string, number>>

const reference = { temperatureC: 30, lyeConcentration: 0.3, solidShare: 0.5 } as const
/** How a scent acts at its rate, of the logarithm. A weak dose acts less, a strong one more. */
function scentEffect({ rate, behaviour }: BatterConditions['scents'][number]): number {
  const dose = Math.min(1.6, Math.max(0.2, rate / workingPrior.usualScentRate))
  return workingPrior.behaviour[behaviour].effect * dose
}

/**
 * Everything that changes the working time, with its reason. Scents of a blend do not cancel: the one that shortens the
 * time most counts whole, and what slows beside it counts for nothing.
 */
export function workingFactors(batter: BatterConditions, own: OwnFactors = {}): readonly WorkingFactor[] {
  const { temperatureC, lyeConcentration, solidShare, blending } = batter
  const factor = (key: string, name: Sentence, effect: number, spread: number, reason: Sentence, isScent = false) => ({
    key,
    name,
    spread,
    reason,
    isScent,
    times: own[key] ?? Math.exp(effect),
  })
  const degrees = temperatureC - reference.temperatureC
  const lye = (lyeConcentration - reference.lyeConcentration) * 100
  const solid = (solidShare - reference.solidShare) * 10
  const strongest = [...batter.scents].sort((a, b) => scentEffect(a) - scentEffect(b))[0]
  return [
    factor(
      'temperature',
      sentence('factor', { factor: 'temperature' }),
      degrees * workingPrior.perDegree,
      Math.abs(degrees) * 0.008,
      sentence('factor_reason', { factor: 'temperature' }),
    ),
    factor(
      'lye',
      sentence('factor', { factor: 'lye' }),
      lye * workingPrior.perLyePercent,
      Math.abs(lye) * 0.015,
      sentence('factor_reason', { factor: 'lye' }),
    ),
    factor(
      'solid',
      sentence('factor', { factor: 'solid' }),
      solid * workingPrior.perSolidTenth,
      Math.abs(solid) * 0.03,
      sentence('factor_reason', { factor: 'solid' }),
    ),
    factor(
      'blending',
      sentence('factor', { factor: 'blending' }),
      workingPrior.blending[blending],
      0.1,
      sentence('factor_reason', { factor: 'blending' }),
    ),
    ...batter.thickeners.map((one) =>
      factor(
        one,
        sentence('factor', { factor: one }),
        workingPrior.thickener[one],
        0.1,
        sentence('factor_reason', { factor: one }),
      ),
    ),
    ...(strongest
      ? [
          factor(
            `scent:${strongest.name}`,
            sentence('named', { name: strongest.name }),
            scentEffect(strongest),
            workingPrior.behaviour[strongest.behaviour].spread,
            sentence('scent_reason', {
              behaviour: strongest.behaviour,
              isBlend: batter.scents.length > 1 ? 'yes' : 'no',
            }),
            true,
          ),
        ]
      : []),
  ]
}

/** A white pigment, by the name that its maker gave it. */
const whitePigment = /titanium|white|zinc/i

/** What of a recipe and its colours thickens the batter, by the names that its maker gave them. */
export function thickenersOf(
  parts: readonly { readonly kind: 'liquid' | 'additive' | 'colourant'; readonly name: string }[],
  known: readonly KnownMakeup[] = [],
): readonly Thickener[] {
  const found = new Set(
    parts.map(({ kind, name }) => {
      const its = kind === 'colourant' ? undefined : thickenerOf(kind, name, known)
      return its ?? (kind !== 'liquid' && whitePigment.test(name) ? 'white' : undefined)
    }),
  )
  return thickeners.filter((one) => found.has(one))
}

/** Share of the fats that are solid or soft at 20 °C. @throws {RangeError} if a key is not in the table */
export function solidShareOf(recipe: Pick<Recipe, 'fats' | 'knownFats'>): number {
  return blendOf(recipe).reduce((sum, { fat, share }) => sum + (fat.stateAt20C === 'liquid' ? 0 : share), 0)
}
