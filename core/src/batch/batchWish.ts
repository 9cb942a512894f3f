import type { BarCut } from '../cutting'
import type { Mould } from '../mould'
import type { LyeRounding, Recipe, ScentUse } from '../recipe'
import type { PieceUse } from './pieces'
import type { PotColour } from './pots'

/** Some moulds of one kind. */
export interface MouldsOfKind<M extends Mould & BarCut = Mould & BarCut> {
  readonly mould: M
  readonly count: number
}

/** What a design asks of its batch. */
export interface DesignWish {
  readonly name: string
  readonly scent: ScentUse | null
  readonly colours: readonly PotColour[]
  /** How many moulds of the first kind are filled, at least 1. */
  readonly mouldCount: number
  /** Taken up by embeds, a column or dividers in all moulds together, ml. @default 0 */
  readonly displacedMl?: number
  /** Pieces of earlier soap in all moulds together; their volume is taken off the batter. @default none */
  readonly pieces?: readonly PieceUse[]
  /** Kept back for piping or the top, above the fill line, ml. @default 0 */
  readonly topMl?: number
  readonly barsWanted: number
  /** Mass on the label, g. */
  readonly labelMassG: number
}

/** A design's wish with what it is made by; what it is called does not matter to the scale. */
export interface BatchWish extends Omit<DesignWish, 'name'> {
  readonly recipe: Recipe
  readonly mould: Mould & BarCut
  /** Moulds of other kinds that are filled from the same batch. */
  readonly more?: readonly MouldsOfKind[]
}

export interface BatchSettings {
  /** Smallest step of the workshop's scale, g. */
  readonly scaleResolutionG: number
  /** @default 'down' */
  readonly lyeRounding?: LyeRounding
  /** Share of the batter made that stays in pots and on tools, within {@link potLossRange}. */
  readonly potLoss: number
  /** Share of its mass that a bar is expected to lose in the cure, within {@link cureLossRange}. */
  readonly cureLoss: number
  /** What the vessels hold with room to stir, ml. @default 0, not known */
  readonly largestPotMl?: number
  readonly lyeJugMl?: number
}
