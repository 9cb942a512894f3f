import type { ContentKey, Fat } from '../fats'
import { contentsOfFat } from '../fats'
import type { Recipe } from '../recipe'
import { kohMolarMass, naohMolarMass } from '../fats'
import type { Sentence } from '../findings'
import { quantity, sentence } from '../findings'

/** Groups of fatty acids that a wish may limit, in mass percent columns of the fat table. */
export const wishAcids = {
  polyunsaturated: ['linoleic', 'linolenic'],
  foaming: ['lauric', 'myristic'],
  firm: ['palmitic', 'stearic'],
} as const
export type WishAcids = keyof typeof wishAcids

/** The temperature at which the table tells liquid fats from others, °C. */
const liquidAtC = 20

/** What a maker wishes of a recipe. Limits are fractions of the fats, or cents a bar. */
export type Wish =
  | { readonly kind: 'fat'; readonly fatKey: string; readonly sense: Sense; readonly limit: number }
  | { readonly kind: 'acids'; readonly acids: WishAcids; readonly sense: Sense; readonly limit: number }
  | { readonly kind: 'liquid'; readonly sense: Sense; readonly limit: number }
  | { readonly kind: 'free_of'; readonly content: ContentKey }
  | { readonly kind: 'bar_cost'; readonly limitCents: number }
export type Sense = 'at_most' | 'at_least'

/** What fats cost and how much of them a bar takes, for wishes about its cost. */
export interface BarCost {
  /** Price by fat key, cents a kilo. A fat without one cannot be chosen while a wish speaks of the cost. */
  readonly centsPerKg: Readonly<Record<string, number>>
  readonly naohCentsPerKg: number
  /** g of fats in a bar. */
  readonly fatsGPerBar: number
  readonly superfat: number
}

export interface WishProblem {
  readonly fats: Recipe['fats']
  readonly wishes: readonly Wish[]
  /** Fats whose shares stay as they are. */
  readonly locked: readonly string[]
  /** Fats that may come in besides those of the recipe. */
  readonly mayAdd: readonly string[]
  readonly cost: BarCost
  /** Fats as the workshop has them, its own among them. @default none */
  readonly knownFats?: readonly Fat[]
}

export type WishAnswer =
  | {
      readonly kind: 'nearest'
      readonly fats: Recipe['fats']
      /** Share of the fats that is another than before, 0 to 1. */
      readonly changed: number
    }
  | {
      readonly kind: 'contradiction'
      /** Wishes, by their place, that cannot hold together; without any one of them the others could. */
      readonly wishes: readonly number[]
      /** Whether the locks are part of it: without them it could be done. */
      readonly locksStand: boolean
    }

/** A wish, to be told. @param nameOf name of a fat by its key */
export function wishSentence(wish: Wish, nameOf: (fatKey: string) => string): Sentence {
  switch (wish.kind) {
    case 'fat':
      return sentence('wish_fat', {
        sense: wish.sense,
        limit: quantity.share(wish.limit),
        fat: nameOf(wish.fatKey).toLowerCase(),
      })
    case 'acids':
      return sentence('wish_acids', { sense: wish.sense, limit: quantity.share(wish.limit), acids: wish.acids })
    case 'liquid':
      return sentence('wish_liquid', {
        sense: wish.sense,
        limit: quantity.share(wish.limit),
        room: quantity.temperature(liquidAtC),
      })
    case 'free_of':
      return sentence('wish_free_of', { content: wish.content })
    case 'bar_cost':
      return sentence('wish_bar_cost', { limit: quantity.money(wish.limitCents) })
  }
}

/** A wish as a row of a linear program: Σ coefficient · share (≤ or ≥) limit. */
export interface WishRow {
  readonly coefficients: readonly number[]
  readonly sense: Sense
  readonly limit: number
}

/** What a fat and the lye for it cost in a bar that were made of it alone, cents; Infinity without a price. */
export function barCostOf(fat: Fat, cost: BarCost): number {
  const price = cost.centsPerKg[fat.key]
  if (price === undefined) return Infinity
  const naohPerG = (fat.saponificationValue.typical / 1000) * (naohMolarMass / kohMolarMass) * (1 - cost.superfat)
  return (cost.fatsGPerBar / 1000) * (price + naohPerG * cost.naohCentsPerKg)
}

/** A wish as a row over these fats. */
export function wishRow(wish: Wish, fats: readonly Fat[], cost: BarCost): WishRow {
  switch (wish.kind) {
    case 'fat':
      return {
        coefficients: fats.map(({ key }) => (key === wish.fatKey ? 1 : 0)),
        sense: wish.sense,
        limit: wish.limit,
      }
    case 'acids':
      return {
        coefficients: fats.map(
          ({ fattyAcidPercent }) =>
            wishAcids[wish.acids].reduce((sum, acid) => sum + (fattyAcidPercent?.[acid] ?? 0), 0) / 100,
        ),
        sense: wish.sense,
        limit: wish.limit,
      }
    case 'liquid':
      return {
        coefficients: fats.map(({ stateAt20C }) => (stateAt20C === 'liquid' ? 1 : 0)),
        sense: wish.sense,
        limit: wish.limit,
      }
    case 'free_of':
      return {
        coefficients: fats.map((fat) => (contentsOfFat(fat).includes(wish.content) ? 1 : 0)),
        sense: 'at_most',
        limit: 0,
      }
    case 'bar_cost': {
      const costs = fats.map((fat) => barCostOf(fat, cost))
      // A fat without a price is dearer than any wish, so that it is not chosen.
      const unaffordable = 1000 * Math.max(wish.limitCents, 1)
      return {
        coefficients: costs.map((value) => (Number.isFinite(value) ? value : unaffordable)),
        sense: 'at_most',
        limit: wish.limitCents,
      }
    }
  }
}
