import type { BarCut } from '../cutting'
import type { Mould } from '../mould'
import type { Recipe } from '../recipe'
import { plainName } from '../recipe'
import { roundToScale } from '../units'
import type { BatchPlan, MouldOfPlan, PieceMakeup, PieceOfPlan } from './batchPlan'
import type { BatchSettings, DesignWish, MouldsOfKind } from './batchWish'
import type { PieceUse } from './pieces'
import type { PlannedMove } from './plannedMove'
import type { ScaledBatch } from './scaleBatch'
import { scaleBatch } from './scaleBatch'

export type NamedMould = Mould & BarCut & { readonly name: string; readonly id?: string }

/** A design with the recipe, mould and workshop it is made by. */
export interface BatchSource {
  readonly design: DesignWish
  readonly recipe: Recipe
  readonly mould: NamedMould
  /** Moulds of other kinds that are filled from the same batch. */
  readonly more?: readonly MouldsOfKind<NamedMould>[]
  /** The moves of its pour. @default none */
  readonly moves?: readonly PlannedMove[]
  /** What pieces of earlier soap are made of. @default not known */
  readonly madeOf?: (piece: PieceUse) => PieceMakeup | null
  readonly settings: BatchSettings & { readonly soapingTemperatureC: number }
}

/** The design scaled to its moulds. @throws {RangeError} as `scaleBatch` does */
export function scaleDesign({ design, recipe, mould, more = [], settings }: BatchSource): ScaledBatch {
  return scaleBatch({ ...design, recipe, mould, more }, settings)
}

/** Those of the values that are there. */
function given<T extends object>(values: T): { [K in keyof T]?: Exclude<T[K], undefined> } {
  return Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined)) as {
    [K in keyof T]?: Exclude<T[K], undefined>
  }
}

/** The pieces of earlier soap as they are weighed, with what they are made of. */
const piecesOfPlan = ({ design, settings, madeOf }: BatchSource): readonly PieceOfPlan[] =>
  (design.pieces ?? []).map((piece) => ({
    ...piece,
    massG: Math.max(settings.scaleResolutionG, roundToScale(piece.massG, settings.scaleResolutionG)),
    madeOf: madeOf?.(piece) ?? null,
  }))

/** What the bench works from. Holds only what was chosen and computed now. @throws {RangeError} as `scaleBatch` does */
export function batchPlan(source: BatchSource): BatchPlan {
  const { design, recipe, mould, settings } = source
  const { weights, bars, parts, densityGMl, vessels } = scaleDesign(source)
  const kinds = [{ mould, count: design.mouldCount }, ...(source.more ?? [])]
  const allMl = parts.reduce((sum, { count, mouldMl }) => sum + count * mouldMl, 0)
  const pouredG = weights.batterG * (1 - settings.potLoss)
  const moulds = parts.map(({ count, barsPerMould, mouldMl }, index): MouldOfPlan => {
    const { id = '', name } = kinds[index]?.mould ?? mould
    const { barThicknessMm } = kinds[index]?.mould ?? mould
    return { mouldId: id, name, count, barsPerMould, barThicknessMm, batterG: (pouredG * mouldMl) / allMl, mouldMl }
  })
  const { fats, superfat, lyeConcentration, naohPurity } = recipe
  const { kohShare, kohPurity, liquids, additives, meetsAcids, school, oven } = recipe
  // The span that the bench warns by is that of the lots at hand when it began.
  const knownFats = recipe.knownFats?.filter(({ key }) => fats.some(({ fatKey }) => fatKey === key))
  const named = new Set(
    [...(liquids ?? []), ...(additives ?? []), ...design.colours].map(({ name }) => plainName(name)),
  )
  const knownDensities = recipe.knownDensities?.filter(
    ({ kind, name }) => kind === 'scent' || named.has(plainName(name)),
  )
  const knownMakeups = recipe.knownMakeups?.filter(({ name }) => named.has(plainName(name)))
  return {
    designName: design.name,
    recipe: {
      fats,
      superfat,
      lyeConcentration,
      naohPurity,
      ...given({ kohShare, kohPurity, liquids, additives, meetsAcids, school, oven }),
      ...given({ knownFats, knownDensities, knownMakeups }),
    },
    scent: design.scent,
    colours: design.colours,
    mouldName: mould.name,
    mouldCount: design.mouldCount,
    barsWanted: design.barsWanted,
    barsPlanned: bars,
    moulds,
    loafBatterG: moulds[0]?.batterG ?? 0,
    scaleResolutionG: settings.scaleResolutionG,
    lyeRounding: settings.lyeRounding ?? 'down',
    ...(source.moves && source.moves.length > 0 ? { moves: source.moves } : {}),
    ...((design.pieces ?? []).length > 0 ? { pieces: piecesOfPlan(source) } : {}),
    densityGMl,
    vessels,
    soapingTemperatureC: settings.soapingTemperatureC,
    weights: { ...weights, fats: weights.fats.map(({ fat, massG }) => ({ fatKey: fat.key, name: fat.name, massG })) },
  }
}
