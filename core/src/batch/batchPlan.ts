import type { Sentence } from '../findings'
import { sentence } from '../findings'
import type { LyeRounding, Recipe, ScentUse, WeighedAdditive, WeighedLiquid } from '../recipe'
import type { PlannedMove } from './plannedMove'
import type { PieceUse } from './pieces'
import type { PotColour, WeighedPot } from './pots'

/** One kind of mould that a batch fills. */
export interface MouldOfPlan {
  readonly mouldId: string
  readonly name: string
  readonly count: number
  readonly barsPerMould: number
  /** How thick its bars are cut, mm. Batches begun before this was kept have none: the mould says it. */
  readonly barThicknessMm?: number
  /** Batter of one of them, g, when the plan is followed to the gram. */
  readonly batterG: number
  /** The same, ml; 0 when it is not known. */
  readonly mouldMl: number
}

/** What pieces are made of: their own soap's batch, as it was poured. */
export type PieceMakeup = Pick<BatchPlan, 'recipe' | 'weights' | 'scent' | 'moves' | 'pieces'>

/**
 * What a label needs of a soap whose pieces go into another. Pieces in its own pieces are kept once more and not beyond:
 * scraps of scraps of scraps are traces of a bar, and a plan must not grow with every round.
 */
export function makeupOf({ recipe, weights, scent, moves, pieces }: BatchPlan): PieceMakeup {
  const powdered = moves?.filter(({ powder }) => powder !== undefined) ?? []
  return {
    recipe,
    weights,
    scent,
    ...(powdered.length > 0 ? { moves: powdered } : {}),
    ...(pieces
      ? { pieces: pieces.map((piece) => ({ ...piece, madeOf: piece.madeOf && withoutPieces(piece.madeOf) })) }
      : {}),
  }
}
function withoutPieces({ pieces: _pieces, ...own }: PieceMakeup): PieceMakeup {
  return own
}

/** Pieces as a batch takes them. */
export interface PieceOfPlan extends PieceUse {
  /** Null where the record of their loaf cannot be read any more. */
  readonly madeOf: PieceMakeup | null
}

/** What the bench works from: frozen when the batch is started, so that a later change of the recipe cannot alter it. */
export interface BatchPlan {
  readonly designName: string
  readonly recipe: Recipe
  readonly scent: ScentUse | null
  readonly colours: readonly PotColour[]
  readonly mouldName: string
  readonly mouldCount: number
  /** Every kind of mould it fills, the first among them. Batches begun before there were several have none. */
  readonly moulds?: readonly MouldOfPlan[]
  readonly barsWanted: number
  readonly barsPlanned: number
  /** Batter of one loaf, g, when the plan is followed to the gram. */
  readonly loafBatterG: number
  readonly scaleResolutionG: number
  /** Batches begun before there was a choice have none: to the nearest step. */
  readonly lyeRounding?: LyeRounding
  /** In how many pots it is made, and in how many jugs the lye of each; one of each where nothing is said. */
  readonly vessels?: { readonly pots: number; readonly jugs: number }
  /** The moves of its pour, in order; batches begun before they were kept, and soaps without a pour plan, have none. */
  readonly moves?: readonly PlannedMove[]
  /** Pieces of earlier soap that go in; none where nothing is said. */
  readonly pieces?: readonly PieceOfPlan[]
  /** Of the batter; batches begun before pots were stated in ml have none. */
  readonly densityGMl?: number
  /** Lye that is made the same day and cooled is used at this temperature, °C. */
  readonly soapingTemperatureC: number
  readonly weights: {
    readonly fats: readonly { readonly fatKey: string; readonly name: string; readonly massG: number }[]
    readonly naohG: number
    /** Batches begun before there was a second alkali have none of these three. */
    readonly kohG?: number
    readonly liquids?: readonly WeighedLiquid[]
    readonly additives?: readonly WeighedAdditive[]
    readonly waterG: number
    readonly scentG: number
    readonly batterG: number
    readonly pots: readonly WeighedPot[]
  }
}

/** The kinds of mould that a plan fills. */
export function mouldsOfPlan(plan: BatchPlan): readonly MouldOfPlan[] {
  const { mouldName: name, mouldCount: count, barsPlanned, loafBatterG: batterG } = plan
  const barsPerMould = Math.floor(barsPlanned / count)
  return plan.moulds ?? [{ mouldId: '', name, count, barsPerMould, batterG, mouldMl: 0 }]
}

/** "2 × Long loaf and Tray". */
export function mouldsToFill(plan: BatchPlan): readonly Sentence[] {
  return mouldsOfPlan(plan).map(({ name: mould, count }) => sentence('moulds_of_kind', { count, mould }))
}

/** Batter that the moulds are to take together, g. */
export function mouldsBatterG(plan: BatchPlan): number {
  return mouldsOfPlan(plan).reduce((sum, { count, batterG }) => sum + count * batterG, 0)
}
