import type { Finding } from '../findings'
import { quantity, refuse, sentence, warn } from '../findings'
import { fillVolumeMl } from '../mould'
import { barsOfMould, thicknessForMouldBars } from '../cutting'
import type { SuperfatBand, WeighedAdditive, WeighedFat, WeighedLiquid } from '../recipe'
import {
  blendOf,
  checkScent,
  cureLossRange,
  dissolvingWaterG,
  massRange,
  naohForFatsG,
  potLossRange,
  superfatLeft,
  wettingG,
} from '../recipe'
import { assertWithin, roundToScale } from '../units'
import type { BatchSettings, BatchWish } from './batchWish'
import { batterOfVolume, densityOfBatter } from './batterVolume'
import { lyeSolutionDensity } from './lyeSolutionDensity'
import type { WeighedPot } from './pots'
import { volumeOfPieces } from './pieces'
import { checkPots } from './pots'
import { splitFindings, vesselParts } from './splitting'
import type { WeightsForFats } from './weightsForFats'
import { scentIntoPotsG, weightsForFats } from './weightsForFats'

/** Everything that is weighed for a batch, g, as the scale can show it. */
export interface BatchWeights {
  readonly fats: readonly WeighedFat[]
  readonly fatsG: number
  readonly naohG: number
  readonly kohG: number
  /** Water to weigh as water: what other liquids bring, and what wets additives, is taken off. */
  readonly waterG: number
  readonly liquids: readonly WeighedLiquid[]
  readonly additives: readonly WeighedAdditive[]
  readonly scentG: number
  readonly batterG: number
  readonly pots: readonly WeighedPot[]
}

/** What one kind of mould takes of a batch, and gives. */
export interface MouldPart {
  readonly count: number
  readonly barsPerMould: number
  readonly restMm: number
  /** Batter of one of them, ml. */
  readonly mouldMl: number
  readonly barWetG: number
  /** Estimate: the wet bar less the expected loss in the cure. */
  readonly barCuredG: number
}

export interface ScaledBatch {
  /** One entry for each kind of mould, the first as wished first. */
  readonly parts: readonly MouldPart[]
  readonly weights: BatchWeights
  /** Superfat that the weighed lye leaves. */
  readonly band: SuperfatBand
  /** Of the batter as it goes into the pots, g/ml. */
  readonly densityGMl: number
  /** Batter that the moulds take, the top included, ml. */
  readonly mouldsMl: number
  /** In how many pots it is made, and in how many jugs the lye of each. */
  readonly vessels: { readonly pots: number; readonly jugs: number }
  /** Batter made, ml, what sticks to the pots included. */
  readonly madeMl: number
  /** Bars of one mould of the first kind. */
  readonly barsPerLoaf: number
  /** Bars of all moulds. */
  readonly bars: number
  /** Bars got minus bars wanted. */
  readonly barsOver: number
  /** Left over of each loaf of the first kind besides its end trims, mm. */
  readonly restMm: number
  /** The lightest bar of all moulds. */
  readonly barWetG: number
  /** Estimate: the wet bar less the expected loss in the cure. */
  readonly barCuredG: number
  /** Bar thickness that would give the bars wanted from these moulds, when there is one. */
  readonly thicknessForWishMm: number | undefined
  readonly findings: readonly Finding[]
}

function scaleFindings(fats: readonly WeighedFat[], scaleResolutionG: number): Finding[] {
  return fats
    .filter(({ massG }) => massG === 0)
    .map(({ fat }) => refuse('below_scale', { fat: fat.name, step: quantity.fineMass(scaleResolutionG) }))
}

/** More fat than can be weighed for one batch: it is reckoned for what can, and refused. */
const sizeFindings = (fatsG: number): Finding[] =>
  fatsG > massRange.max
    ? [
        refuse(
          'batch_too_large',
          { fats: quantity.mass(fatsG), most: quantity.most('mass', massRange.max) },
          'mouldCount',
        ),
      ]
    : []

/** Wetting colourants in the batch's own water must leave the alkali its own mass of it. */
function dissolvingFindings({ lye, waterG, pots }: WeightsForFats): Finding[] {
  const alkaliG = lye.naohG + lye.kohG
  const takenG = wettingG(pots, 'water')
  const leftG = dissolvingWaterG(lye, lye.plainWaterG - waterG)
  if (takenG === 0 || leftG >= alkaliG) return []
  return [
    refuse(
      'wetting_takes_lye_water',
      {
        taken: quantity.fineMass(takenG),
        left: quantity.mass(Math.max(0, leftG)),
        alkali: quantity.mass(alkaliG),
      },
      'colours',
    ),
  ]
}

function barFindings(
  wish: BatchWish,
  bars: number,
  barCuredG: number,
  thicknessForWishMm: number | undefined,
): Finding[] {
  const findings: Finding[] = []
  if (bars < wish.barsWanted) {
    const mend =
      thicknessForWishMm === undefined
        ? sentence('fill_another_mould')
        : sentence('cut_thinner_or_fill_another', { thickness: quantity.most('length', thicknessForWishMm) })
    findings.push(warn('bars_short', { missing: wish.barsWanted - bars, wanted: wish.barsWanted, mend }, 'barsWanted'))
  }
  if (barCuredG < wish.labelMassG) {
    findings.push(
      warn(
        'bar_below_label',
        { cured: quantity.barMass(barCuredG), label: quantity.barMass(wish.labelMassG) },
        'labelMassG',
      ),
    )
  }
  return findings
}

/**
 * Scales a recipe to its moulds: grams of everything so that the moulds come out full. Fats are rounded to the scale
 * first; lye and water follow from the rounded fats and are then rounded; scent likewise.
 *
 * @throws {RangeError} if the recipe, mould or a setting is out of range: check them first
 */
export function scaleBatch(wish: BatchWish, settings: BatchSettings): ScaledBatch {
  const { recipe, scent, mould, mouldCount } = wish
  const { scaleResolutionG, potLoss, cureLoss } = settings
  assertWithin('potLoss', potLoss, potLossRange)
  assertWithin('cureLoss', cureLoss, cureLossRange)
  assertWithin('mouldCount', mouldCount, { min: 1, max: 50 })

  const kinds = [{ mould, count: mouldCount }, ...(wish.more ?? [])].map((one) => ({
    count: one.count,
    ...barsOfMould(one.mould),
    mouldMl: fillVolumeMl(one.mould),
  }))
  const heldMl = kinds.reduce((sum, { count, mouldMl }) => sum + count * mouldMl, 0)
  const pieces = wish.pieces ?? []
  const bars = kinds.reduce((sum, { count, bars: each }) => sum + count * each, 0)
  const inBatter = { scent, colours: wish.colours, bars }
  const piecesMl =
    pieces.length > 0 ? volumeOfPieces(pieces, densityOfBatter(batterOfVolume(recipe, inBatter, heldMl))) : 0
  const mouldsMl = heldMl - (wish.displacedMl ?? 0) - piecesMl + (wish.topMl ?? 0)
  const madeMl = Math.max(0, mouldsMl) / (1 - potLoss)
  const batter = batterOfVolume(recipe, inBatter, madeMl)
  const densityGMl = batter.batterMl > 0 ? batter.batterG / batter.batterMl : 0
  const barGMl = densityOfBatter(batter)
  const parts = kinds.map(({ count, bars: barsPerMould, restMm, barMl, mouldMl }): MouldPart => {
    const barWetG = barMl * barGMl
    return { count, barsPerMould, restMm, mouldMl, barWetG, barCuredG: barWetG * (1 - cureLoss) }
  })
  const fats = blendOf(recipe).map(({ fat, share }) => ({
    fat,
    massG: roundToScale(Math.min(batter.fatsG, massRange.max) * share, scaleResolutionG),
  }))

  const stepG = scaleResolutionG
  const scentRate = scent?.rate ?? 0
  const { colours } = wish
  const { lyeRounding = 'down' } = settings
  const made = weightsForFats(fats, recipe, { scentRate, colours, densityGMl, bars, stepG, lyeRounding })
  const { fatsG, lye, waterG, additives, scentG, batterG, pots } = made
  const barWetG = Math.min(...parts.map((part) => part.barWetG))
  const barCuredG = barWetG * (1 - cureLoss)
  const thicknessForWishMm =
    parts.length > 1 ? undefined : thicknessForMouldBars(mould, Math.max(1, Math.ceil(wish.barsWanted / mouldCount)))

  const lyeMl = (lye.naohG + lye.kohG + lye.allWaterG) / lyeSolutionDensity(recipe.lyeConcentration)
  const vessels = { largestPotMl: settings.largestPotMl ?? 0, lyeJugMl: settings.lyeJugMl ?? 0 }

  return {
    parts,
    weights: {
      fats,
      fatsG,
      naohG: lye.naohG,
      kohG: lye.kohG,
      waterG,
      liquids: lye.liquids,
      additives,
      scentG,
      batterG,
      pots,
    },
    // With nothing to weigh `below_scale` refuses the batch.
    band: superfatLeft(fats, naohForFatsG(lye, recipe, { additives, liquids: lye.liquids }), recipe),
    densityGMl,
    mouldsMl,
    madeMl,
    vessels: vesselParts({ batterMl: madeMl, lyeMl }, vessels),
    barsPerLoaf: parts[0]?.barsPerMould ?? 0,
    bars,
    barsOver: bars - wish.barsWanted,
    restMm: parts[0]?.restMm ?? 0,
    barWetG,
    barCuredG,
    thicknessForWishMm,
    findings: [
      ...scaleFindings(fats, stepG),
      ...sizeFindings(batter.fatsG),
      ...checkPots(wish.colours, { batterG, scentG: scentIntoPotsG(recipe, scentG), densityGMl, stepG }),
      ...dissolvingFindings(made),
      ...(scent ? checkScent(scent, scentG, batterG, cureLoss) : []),
      ...splitFindings(
        {
          batterMl: madeMl,
          lyeMl,
          batterG,
          fatsG,
          stepG,
          alkaliG: lye.naohG + lye.kohG,
          plainWaterG: lye.plainWaterG,
        },
        vessels,
      ),
      ...barFindings(wish, bars, barCuredG, thicknessForWishMm),
    ],
  }
}
