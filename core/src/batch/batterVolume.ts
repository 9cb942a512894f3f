import type { Recipe, ScentUse } from '../recipe'
import { additivesFor, blendOf, densityOfLiquid, densityOfSolid, lyeFor, scentMlPerG, waterDensityGMl } from '../recipe'
import { lyeSolutionDensity } from './lyeSolutionDensity'
import type { PotColour } from './pots'
import { potSharesOf } from './pots'

/** What a batch is made of besides its recipe: enough to tell its volume. */
export interface BatterParts {
  /** @default none */
  readonly scent?: ScentUse | null
  /** @default none */
  readonly colours?: readonly PotColour[]
  /** Bars of the batch, for additives that are stated by the bar. */
  readonly bars: number
}

/** A batter with all that comes into it. Masses in g, volumes in ml. */
export interface Batter {
  readonly fatsG: number
  /** Scent and additives with it, colourants without. */
  readonly batterG: number
  readonly batterMl: number
  /** Powders that go into the pots on top of the batter. */
  readonly colourantsG: number
  readonly colourantsMl: number
}

interface MassAndVolume {
  readonly massG: number
  readonly volumeMl: number
}

/** Some g of fats, large enough that rounding to a fine scale is lost in them. */
const manyG = 1e6

/** Additives for so much of fats, bare batter and bars, with what they displace. */
function additivesOf(recipe: Recipe, amounts: Parameters<typeof additivesFor>[1]): MassAndVolume {
  return additivesFor(recipe, amounts).reduce(
    ({ massG, volumeMl }, { name, massG: ofItG }) => ({
      massG: massG + ofItG,
      volumeMl: volumeMl + ofItG / densityOfSolid('additive', name, recipe.knownDensities).densityGMl,
    }),
    { massG: 0, volumeMl: 0 },
  )
}

/** What one gram of fats becomes as batter, additives stated by the bar left out. */
function perGramOfFats(recipe: Recipe, scent: ScentUse | null): MassAndVolume {
  const fats = blendOf(recipe).map(({ fat, share }) => ({ fat, massG: share }))
  const lye = lyeFor(fats, recipe)
  const fatsMl = fats.reduce((sum, { fat, massG }) => sum + massG / fat.densityGMl, 0)
  const alkaliG = lye.naohG + lye.kohG
  // What a liquid brings besides its water, which is reckoned as the lye's.
  const besides = lye.liquids.map(({ name, massG, waterG }) => ({
    massG: massG - waterG,
    volumeMl:
      massG === 0
        ? 0
        : massG / densityOfLiquid(name, waterG / massG, recipe.knownDensities).densityGMl - waterG / waterDensityGMl,
  }))
  const overG = Math.max(0, lye.liquids.reduce((sum, { waterG }) => sum + waterG, 0) - lye.allWaterG)
  const lyeMl = (alkaliG + lye.allWaterG) / lyeSolutionDensity(recipe.lyeConcentration) + overG / waterDensityGMl
  const bareG = besides.reduce((sum, { massG }) => sum + massG, 1 + alkaliG + lye.allWaterG + overG)
  const bareMl = besides.reduce((sum, { volumeMl }) => sum + volumeMl, fatsMl + lyeMl)
  const added = additivesOf(recipe, { fatsG: manyG, batterG: bareG * manyG, bars: 0 })
  const scentG = scent?.rate ?? 0
  const scentMl = scent ? scentG * scentMlPerG(scent, recipe.knownDensities) : 0
  return {
    massG: bareG + added.massG / manyG + scentG,
    volumeMl: bareMl + added.volumeMl / manyG + scentMl,
  }
}

/** What the additives of one bar are that are stated by the bar. */
function perBar(recipe: Recipe): MassAndVolume {
  const added = additivesOf(recipe, { fatsG: 0, batterG: 0, bars: manyG })
  return { massG: added.massG / manyG, volumeMl: added.volumeMl / manyG }
}

/** Colourants for batter of this mass and density. */
function colourantsFor(
  recipe: Recipe,
  colours: readonly PotColour[],
  batterG: number,
  batterMl: number,
): MassAndVolume {
  const shares = potSharesOf(colours, { batterG, densityGMl: batterG / batterMl })
  return colours.reduce(
    ({ massG, volumeMl }, { name, rateGPerKg }, index) => {
      const ofItG = (((shares[index] ?? 0) * batterG) / 1000) * rateGPerKg
      const { densityGMl } = densityOfSolid('colourant', name, recipe.knownDensities)
      return { massG: massG + ofItG, volumeMl: volumeMl + ofItG / densityGMl }
    },
    { massG: 0, volumeMl: 0 },
  )
}

/**
 * Batter made of a mass of fats. Volumes add: fats at their tabled density as it stands, lye solution at the tabled
 * density of its concentration (20 °C; a solution with potassium hydroxide is taken for one of sodium hydroxide, an
 * estimate), every liquid, additive, scent and colourant at its own (`core/src/recipe/densities.ts`). Good to about one
 * percent.
 *
 * @param fatsG mass of all fats, g, from 0
 * @throws {RangeError} if the recipe would be refused by `checkRecipe`
 */
export function batterOfFats(recipe: Recipe, parts: BatterParts, fatsG: number): Batter {
  return batterOf(recipe, parts, perGramOfFats(recipe, parts.scent ?? null), perBar(recipe), fatsG)
}

function batterOf(
  recipe: Recipe,
  { colours = [], bars }: BatterParts,
  gram: MassAndVolume,
  bar: MassAndVolume,
  fatsG: number,
): Batter {
  const batterG = fatsG * gram.massG + bars * bar.massG
  const batterMl = fatsG * gram.volumeMl + bars * bar.volumeMl
  const { massG: colourantsG, volumeMl: colourantsMl } =
    batterMl > 0 ? colourantsFor(recipe, colours, batterG, batterMl) : { massG: 0, volumeMl: 0 }
  return { fatsG, batterG, batterMl, colourantsG, colourantsMl }
}

/** Colourants take at most a few percent of the room, so that each round is that much nearer: far below a drop in ten. */
const rounds = 12

/**
 * Batter that fills a volume, colourants and all. Where what is stated by the bar takes more than the room there is, it
 * is made of no fats.
 *
 * @param madeMl room to fill, ml, from 0
 * @throws {RangeError} if the recipe would be refused by `checkRecipe`
 */
export function batterOfVolume(recipe: Recipe, parts: BatterParts, madeMl: number): Batter {
  const gram = perGramOfFats(recipe, parts.scent ?? null)
  const bar = perBar(recipe)
  const fatsIn = (freeMl: number): number => Math.max(0, freeMl - parts.bars * bar.volumeMl) / gram.volumeMl
  let batter = batterOf(recipe, parts, gram, bar, fatsIn(madeMl))
  for (let round = 0; round < rounds && batter.colourantsMl > 0; round++)
    batter = batterOf(recipe, parts, gram, bar, fatsIn(madeMl - batter.colourantsMl))
  return batter
}

/** Mass of a ml of it, colourants and all, g; 0 of none. */
export function densityOfBatter({ batterG, batterMl, colourantsG, colourantsMl }: Batter): number {
  return batterMl > 0 ? (batterG + colourantsG) / (batterMl + colourantsMl) : 0
}
