import { possibleSaponification } from '../fats'
import type { Range } from '../units'

/** Superfat of a recipe that may be made, as a fraction of the fats. Below 0 the lye exceeds the fats. */
export const superfatRange: Range = { min: 0, max: 0.3 }
/** Superfat a maker may type, so that the refusal can name the surplus of lye. */
export const typedSuperfatRange: Range = { min: -1, max: 1 }
/** NaOH over NaOH plus water. Above 0.5 it does not dissolve at room temperature; below 0.2 a loaf stays soft for weeks. */
export const lyeConcentrationRange: Range = { min: 0.2, max: 0.5 }
/** Mass fraction of NaOH in the flakes as weighed; older or opened packs are weaker. */
export const naohPurityRange: Range = { min: 0.8, max: 1 }
/** mg KOH per g. */
export const saponificationValueRange: Range = possibleSaponification
/** One weighing, g. */
export const massRange: Range = { min: 0, max: 100_000 }
/** Scent as a share of the fats. */
export const scentRateRange: Range = { min: 0, max: 0.1 }
/** Colourant in g per kg of the pot's batter. */
export const colourantRateRange: Range = { min: 0, max: 100 }
/** Share of the batter that sticks to pots and tools. */
export const potLossRange: Range = { min: 0, max: 0.2 }
/** Share of its mass that a bar loses in the cure. */
export const cureLossRange: Range = { min: 0, max: 0.4 }
/** Share of the alkali, by moles, that may be KOH: with more a bar stays soft. An estimate from usual practice. */
export const kohShareRange: Range = { min: 0, max: 0.6 }
/** Mass fraction of KOH in the flakes as weighed. */
export const kohPurityRange: Range = { min: 0.8, max: 1 }
/** Mass fraction of water in a liquid, from honey to skimmed milk. */
export const waterShareRange: Range = { min: 0.1, max: 1 }
/** Most of an additive that a batch takes, salt bars among them: as a share of fats or of batter, or in g for each bar. */
export const additiveRateRanges: Readonly<Record<'fats' | 'batter' | 'bar', Range>> = {
  fats: { min: 0, max: 1.5 },
  batter: { min: 0, max: 1 },
  bar: { min: 0, max: 200 },
}
/** Mass of water or fat to the mass that it wets. */
export const wettingRatioRange: Range = { min: 0, max: 10 }
