import type { WeighedAdditive, WeighedLiquid } from '../recipe'
import { wettingG } from '../recipe'
import { withoutDust } from '../units'
import type { WeighedPot } from './pots'

/** What is weighed for a batch, as its scaled batch and its frozen plan both have it. */
export interface WeighedParts {
  readonly fats: readonly (
    | { readonly name: string; readonly massG: number }
    | { readonly fat: { readonly name: string }; readonly massG: number }
  )[]
  readonly naohG: number
  readonly kohG?: number
  readonly waterG: number
  readonly liquids?: readonly WeighedLiquid[]
  readonly additives?: readonly WeighedAdditive[]
  readonly scentG: number
  readonly pots: readonly WeighedPot[]
}

/** One line of a batch's list of weights. */
export interface WeightRow {
  readonly part: 'fat' | 'water' | 'wetting_water' | 'naoh' | 'koh' | 'liquid' | 'additive' | 'scent'
  /** What the recipe calls it; empty for what the words name. */
  readonly name: string
  readonly massG: number
}

/** Water that wets additives and colourants, taken off the lye's, and fat kept back for it, g. */
export function wettingOf({ additives = [], pots }: Pick<WeighedParts, 'additives' | 'pots'>): {
  readonly waterG: number
  readonly fatG: number
} {
  const wetted = [...additives, ...pots]
  return { waterG: withoutDust(wettingG(wetted, 'water')), fatG: withoutDust(wettingG(wetted, 'fat')) }
}

/** The list of weights of a batch: its lines add up to the batter, colourants being on top of it. */
export function weightRows(weights: WeighedParts): readonly WeightRow[] {
  const wetting = wettingOf(weights)
  const row = (part: WeightRow['part'], massG: number, name = ''): WeightRow[] =>
    massG > 0 ? [{ part, name, massG }] : []
  return [
    ...weights.fats.flatMap((one) => row('fat', one.massG, 'fat' in one ? one.fat.name : one.name)),
    ...row('water', weights.waterG),
    ...row('wetting_water', wetting.waterG),
    ...row('naoh', weights.naohG),
    ...row('koh', weights.kohG ?? 0),
    ...(weights.liquids ?? []).flatMap(({ name, massG }) => row('liquid', massG, name)),
    ...(weights.additives ?? []).flatMap(({ name, massG }) => row('additive', massG, name)),
    ...row('scent', weights.scentG),
  ]
}
