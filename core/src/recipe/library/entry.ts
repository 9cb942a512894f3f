import type { ContentKey } from '../../fats'
import type { additiveBases, additivePlaces, wettings } from '../parts'

/** What a liquid or an additive is made of, as mass fractions; what is missing to 1 is none of these. */
export interface Makeup {
  readonly waterShare: number
  readonly sugarShare: number
  readonly fatShare: number
  /** By mass; "4 % vol" is about 3.2 % by mass. */
  readonly alcoholShare: number
}

/** What speeds the thickening of a batter, besides scents. */
export const thickeners = ['sugar', 'milk', 'fruit', 'oats', 'clay', 'white'] as const
export type Thickener = (typeof thickeners)[number]

/** What a part of a recipe does to batter and bar, besides what its makeup tells. */
export const partEffects = [
  'heats',
  'thickens',
  'browns',
  'colours',
  'hardens',
  'silky',
  'foams_more',
  'foams_less',
  'scrubs',
  'less_scum',
  'keeps',
] as const
export type PartEffect = (typeof partEffects)[number]

/** What is to be minded with it. */
export const partCautions = [
  'freeze_first',
  'boil_off_alcohol',
  'go_flat',
  'sieve',
  'dissolve_first',
  'in_hot_lye',
  'takes_lye',
  'scratches',
  'dust',
  'spoils',
  'cool_fats',
  'no_healing_claim',
] as const
export type PartCaution = (typeof partCautions)[number]

/** A liquid or an additive as it usually is. */
export interface LibraryEntry {
  readonly kind: 'liquid' | 'additive'
  readonly name: string
  /** Other names that mean it. */
  readonly words: RegExp
  readonly makeup: Makeup
  readonly densityGMl: number
  /** What says its makeup or density; the pack goes before it. */
  readonly says: 'table' | 'estimate'
  /** Of a liquid: its part of the water; of an additive: its rate on a basis. */
  readonly usual: {
    readonly basis: 'water' | (typeof additiveBases)[number]
    readonly least: number
    readonly rate: number
    readonly most: number
  }
  readonly place: (typeof additivePlaces)[number]
  readonly wetting: { readonly with: (typeof wettings)[number]; readonly ratio: number } | null
  readonly contains: readonly ContentKey[]
  readonly thickener?: Thickener
  /** Pure NaOH that a gram of it takes up, g. */
  readonly naohG?: number
  readonly effects: readonly PartEffect[]
  readonly cautions: readonly PartCaution[]
  /** As it usually stands on a label; empty: its supplier's certificate tells. */
  readonly inci: string
}
