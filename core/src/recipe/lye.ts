import { assertWithin, floorToScale, roundToScale } from '../units'
import { kohMolarMass, naohMolarMass } from '../fats'
import { hasAcid, naohBoundG } from './acids'
import {
  kohPurityRange,
  kohShareRange,
  lyeConcentrationRange,
  naohPurityRange,
  superfatRange,
  waterShareRange,
} from './ranges'
import type { RecipeLiquid } from './parts'
import type { Recipe } from './recipe'
import type { WeighedFat } from './superfatBand'
import { naohDemand } from './superfatBand'

/** Usual purity of potassium hydroxide flakes, which hold water. An estimate until a certificate says more. */
export const usualKohPurity = 0.9

/** The alkali of a recipe, as weighed. */
export interface Alkali {
  readonly naohG: number
  readonly kohG: number
}

/** A liquid as weighed, with the water that is in it. */
export interface WeighedLiquid {
  readonly name: string
  readonly place: RecipeLiquid['place']
  readonly massG: number
  /** Water in it, g. */
  readonly waterG: number
}

export interface Lye extends Alkali {
  /** All water, that of other liquids counted. */
  readonly allWaterG: number
  /** Water that is weighed as water, before anything is taken off it for wetting. */
  readonly plainWaterG: number
  readonly liquids: readonly WeighedLiquid[]
}

/** The same alkali in g of pure NaOH: KOH counts mole for mole. */
export function asPureNaohG({ naohG, kohG }: Alkali, recipe: Pick<Recipe, 'naohPurity' | 'kohPurity'>): number {
  return naohG * recipe.naohPurity + kohG * (recipe.kohPurity ?? usualKohPurity) * (naohMolarMass / kohMolarMass)
}

/** The same, less what acids take up of it: what is left for the fats, g of pure NaOH, from 0. */
export function naohForFatsG(
  alkali: Alkali,
  recipe: Pick<Recipe, 'naohPurity' | 'kohPurity'>,
  weighed: Parameters<typeof naohBoundG>[0],
): number {
  return Math.max(0, asPureNaohG(alkali, recipe) - naohBoundG(weighed))
}

/** How alkali is rounded to the scale: down, so that the superfat is never below the recipe's, or to the nearest step. */
export const lyeRoundings = ['down', 'nearest'] as const
export type LyeRounding = (typeof lyeRoundings)[number]

/**
 * Alkali for weighed fats, mole for mole shared between NaOH and KOH. Rounded to the scale, and never above what the
 * fats take at no superfat.
 *
 * @param stepG step of the scale, g; 0 for figures that are not rounded
 * @param rounding of the alkali to that step
 * @param boundG pure NaOH that is to come on top for what takes it up before the fats do, g
 * @throws {RangeError} if a mass, the superfat, a purity or the share of KOH is out of range
 */
export function alkaliFor(
  fats: readonly WeighedFat[],
  recipe: Recipe,
  stepG = 0,
  rounding: LyeRounding = 'down',
  boundG = 0,
): Alkali {
  const floor = (massG: number): number => (stepG > 0 ? floorToScale(Math.max(0, massG), stepG) : Math.max(0, massG))
  const round = (massG: number): number =>
    stepG > 0 && rounding === 'nearest' ? roundToScale(massG, stepG) : floor(massG)
  const kohShare = recipe.kohShare ?? 0
  const kohPurity = recipe.kohPurity ?? usualKohPurity
  assertWithin('superfat', recipe.superfat, superfatRange)
  assertWithin('naohPurity', recipe.naohPurity, naohPurityRange)
  assertWithin('kohShare', kohShare, kohShareRange)
  assertWithin('kohPurity', kohPurity, kohPurityRange)
  const fatsTakeG = naohDemand(fats, 'typical')
  const demandG = fatsTakeG + boundG
  const wantedG = fatsTakeG * (1 - recipe.superfat) + boundG
  const kohPerNaoh = kohMolarMass / naohMolarMass
  const kohG = Math.min(round((wantedG * kohShare * kohPerNaoh) / kohPurity), floor((demandG * kohPerNaoh) / kohPurity))
  const naohLeftG = demandG - (kohG * kohPurity) / kohPerNaoh
  const naohG = Math.min(round((wantedG * (1 - kohShare)) / recipe.naohPurity), floor(naohLeftG / recipe.naohPurity))
  return { naohG, kohG }
}

/** Rounds until the lye and what takes it up agree to far below any scale: each is a hundredth of the one before. */
const acidRounds = 8

/**
 * The lye for weighed fats, the way in for whatever is made: alkali as `alkaliFor` has it, with its water, part of which
 * other liquids may bring. Where the recipe meets its acids, what they take up comes on top.
 *
 * @param stepG step of the scale, g; 0 for figures that are not rounded
 * @param rounding of the alkali to that step; all else goes to the nearest
 * @param bars of the batch, for acids that are stated by the bar
 * @throws {RangeError} as `alkaliFor` does, and if the concentration, a liquid's water or its part of it is out of range
 */
export function lyeFor(
  fats: readonly WeighedFat[],
  recipe: Recipe,
  stepG = 0,
  rounding: LyeRounding = 'down',
  bars = 0,
): Lye {
  let lye = lyeOnTopOf(0, fats, recipe, stepG, rounding)
  if (!recipe.meetsAcids || !hasAcid(recipe)) return lye
  for (let round = 0; round < acidRounds; round++)
    lye = lyeOnTopOf(boundByAcids(lye, fats, recipe, bars), fats, recipe, stepG, rounding)
  return lye
}

/** Pure NaOH that the acids of a recipe take up, g, as they are reckoned and not yet weighed. */
function boundByAcids(lye: Lye, fats: readonly WeighedFat[], recipe: Recipe, bars: number): number {
  const fatsG = fats.reduce((sum, { massG }) => sum + massG, 0)
  const amountOf = { fats: fatsG, batter: bareBatterG(fatsG, lye), bar: bars } as const
  const additives = (recipe.additives ?? []).map(({ name, basis, rate }) => ({ name, massG: rate * amountOf[basis] }))
  return naohBoundG({ additives, liquids: lye.liquids })
}

/** Fats, alkali, water and liquids, without what is added, g. */
export function bareBatterG(fatsG: number, { naohG, kohG, plainWaterG, liquids }: Lye): number {
  return liquids.reduce((sum, { massG }) => sum + massG, fatsG + naohG + kohG + plainWaterG)
}

function lyeOnTopOf(
  boundG: number,
  fats: readonly WeighedFat[],
  recipe: Recipe,
  stepG: number,
  rounding: LyeRounding,
): Lye {
  const round = (massG: number): number => (stepG > 0 ? roundToScale(massG, stepG) : massG)
  const alkali = alkaliFor(fats, recipe, stepG, rounding, boundG)
  const { lyeConcentration } = recipe
  assertWithin('lyeConcentration', lyeConcentration, lyeConcentrationRange)
  const allWaterG = round(((alkali.naohG + alkali.kohG) * (1 - lyeConcentration)) / lyeConcentration)
  const liquids = (recipe.liquids ?? []).map(({ name, place, waterShare, partOfWater }): WeighedLiquid => {
    assertWithin('waterShare', waterShare, waterShareRange)
    assertWithin('partOfWater', partOfWater, { min: 0, max: 1 })
    const massG = round((allWaterG * partOfWater) / waterShare)
    return { name, place, massG, waterG: massG * waterShare }
  })
  const broughtG = liquids.reduce((sum, liquid) => sum + liquid.waterG, 0)
  return { ...alkali, allWaterG, plainWaterG: Math.max(0, round(allWaterG - broughtG)), liquids }
}

/** Water in which the alkali is dissolved: what is weighed as water, less what wets additives, and liquids in the lye. */
export function dissolvingWaterG(lye: Lye, wettingWaterG = 0): number {
  return lye.liquids.reduce(
    (sum, { place, waterG }) => (place === 'lye' ? sum + waterG : sum),
    lye.plainWaterG - wettingWaterG,
  )
}

/** The three ways to state the water of a recipe, each following from the others. */
export interface WaterFigures {
  readonly lyeConcentration: number
  /** g of water for each g of alkali as weighed. */
  readonly waterToLye: number
  /** g of water for each g of fats. */
  readonly shareOfFats: number
}

/** @param alkaliPerFats g of alkali as weighed for each g of fats, above 0 */
export function waterFigures(lyeConcentration: number, alkaliPerFats: number): WaterFigures {
  const waterToLye = (1 - lyeConcentration) / lyeConcentration
  return { lyeConcentration, waterToLye, shareOfFats: waterToLye * alkaliPerFats }
}

/** Lye concentration at which there are so many g of water for each g of alkali. */
export function concentrationOfRatio(waterToLye: number): number {
  return 1 / (1 + waterToLye)
}

/** Lye concentration at which the water is this share of the fats. @param alkaliPerFats g of alkali for each g of fats */
export function concentrationOfFatsShare(shareOfFats: number, alkaliPerFats: number): number {
  return alkaliPerFats / (alkaliPerFats + shareOfFats)
}
