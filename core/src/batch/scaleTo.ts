import type { BarCut } from '../cutting'
import { barsOfMould } from '../cutting'
import type { Finding } from '../findings'
import { quantity, refuse, warn } from '../findings'
import type { Mould } from '../mould'
import { barThicknessRange, fillVolumeMl, filledTo, shapeOf } from '../mould'
import type { Recipe } from '../recipe'
import { isWithin } from '../units'
import type { BatterParts } from './batterVolume'
import { batterOfFats, batterOfVolume, densityOfBatter } from './batterVolume'
import type { BatchSettings, MouldsOfKind } from './batchWish'

/** What a batch is scaled to. */
export type ScaleAim =
  /** The moulds, filled as usual. */
  | { readonly by: 'moulds' }
  /** So many bars: as many of the first mould as it takes. */
  | { readonly by: 'bars'; readonly bars: number }
  /** Bars that weigh this when cured, g: the moulds are filled to it. */
  | { readonly by: 'label'; readonly labelMassG: number }
  /** A mass of batter, g. */
  | { readonly by: 'mass'; readonly batterG: number }
  /** All that is left of one fat, g. */
  | { readonly by: 'fat'; readonly fatKey: string; readonly massG: number }

export interface AimedMoulds<M extends Mould & BarCut> {
  /** The moulds as they have to be filled and cut. */
  readonly kinds: readonly MouldsOfKind<M>[]
  readonly findings: readonly Finding[]
}

const brimMm = ({ heightMm, linerMm }: Mould): number => heightMm - linerMm
const volumeOf = (kinds: readonly MouldsOfKind[]): number =>
  kinds.reduce((sum, { mould, count }) => sum + count * fillVolumeMl(mould), 0)

/** Halvings of a span: 2^-40 of a mould's height is far below what a hand can fill to. */
const halvings = 40

/** The greatest value of a span at which a figure that grows with it does not exceed its aim. */
function greatestWithin(low: number, high: number, aim: number, figureAt: (value: number) => number): number {
  let [from, to] = [low, high]
  if (figureAt(to) <= aim) return to
  for (let step = 0; step < halvings; step++) {
    const middle = (from + to) / 2
    if (figureAt(middle) <= aim) from = middle
    else to = middle
  }
  return from
}

/** A mould filled to a part of its usual fill, at the most to its brim; of a tray as many cavities. */
function filledToLevel<M extends Mould & BarCut>(mould: M, level: number): M {
  if (shapeOf(mould) !== 'cavities') return filledTo(mould, Math.min(brimMm(mould), mould.fillHeightMm * level))
  const { cavityCount = 0, measuredMl = null } = mould
  const filled = Math.max(1, Math.min(cavityCount, Math.floor(cavityCount * level + 1e-9)))
  const measured = measuredMl === null ? {} : { measuredMl: (measuredMl * filled) / cavityCount }
  return { ...mould, cavityCount: filled, ...measured }
}

const leastLevel = 0.01

/** Fills all moulds to the same part of their usual fill, so that together they take this much, ml. */
function filledWith<M extends Mould & BarCut>(kinds: readonly MouldsOfKind<M>[], aimMl: number): AimedMoulds<M> {
  const at = (level: number): readonly MouldsOfKind<M>[] =>
    kinds.map(({ mould, count }) => ({ mould: filledToLevel(mould, level), count }))
  const highest = Math.max(
    ...kinds.map(({ mould }) => (shapeOf(mould) === 'cavities' ? 1 : brimMm(mould) / mould.fillHeightMm)),
  )
  const filled = at(greatestWithin(leastLevel, highest, aimMl, (level) => volumeOf(at(level))))
  const leftMl = aimMl - volumeOf(filled)
  const findings: Finding[] = []
  if (leftMl > aimMl / 100) findings.push(warn('moulds_too_small', { left: quantity.volume(leftMl) }))
  if (leftMl < -aimMl / 100) findings.push(refuse('too_little_batter'))
  return { kinds: filled, findings }
}

/** The mould filled, or its log cut, so that a bar takes this much, ml. */
function withBarsOf<M extends Mould & BarCut>(
  kind: MouldsOfKind<M>,
  aimMl: number,
): { readonly kind: MouldsOfKind<M>; readonly findings: readonly Finding[] } {
  const { mould } = kind
  const { barMl } = barsOfMould(mould)
  if (shapeOf(mould) === 'cavities') {
    const findings = Math.abs(barMl / aimMl - 1) < 0.02 ? [] : [warn('cavities_set_bar_mass')]
    return { kind, findings }
  }
  const thicknessMm = Math.round(((mould.barThicknessMm * aimMl) / barMl) * 10) / 10
  if (shapeOf(mould) === 'cylinder')
    return isWithin(thicknessMm, barThicknessRange)
      ? { kind: { ...kind, mould: { ...mould, barThicknessMm: thicknessMm } }, findings: [] }
      : { kind, findings: [warn('no_cut_of_log_fits')] }
  const barAt = (fillMm: number): number => barsOfMould(filledTo(mould, fillMm)).barMl
  const fillMm = greatestWithin(brimMm(mould) * leastLevel, brimMm(mould), aimMl, barAt)
  const short = barAt(fillMm) < aimMl * 0.995
  return {
    kind: { ...kind, mould: filledTo(mould, fillMm) },
    findings: short
      ? [
          warn('brim_stays_lighter', {
            brim: quantity.length(brimMm(mould)),
            thickness: quantity.least('length', thicknessMm),
          }),
        ]
      : [],
  }
}

const barsIn = (kinds: readonly MouldsOfKind[]): number =>
  kinds.reduce((sum, { mould, count }) => sum + barsOfMould(mould).bars * count, 0)

/** What hangs on the bars of the moulds, and these on it again, settles in a few rounds. */
const rounds = 8

/**
 * The moulds as they have to be filled, counted and cut for what the batch is scaled to. All that is weighed then follows
 * from them by `scaleBatch`: forward from moulds to masses, and here backward from bars or masses to moulds.
 *
 * @param kinds the moulds at hand, at least one kind
 * @throws {RangeError} if the recipe or a mould is out of range: check them first
 */
export function mouldsFor<M extends Mould & BarCut>(
  aim: ScaleAim,
  kinds: readonly MouldsOfKind<M>[],
  recipe: Recipe,
  { potLoss, cureLoss }: Pick<BatchSettings, 'potLoss' | 'cureLoss'>,
  holds: Omit<BatterParts, 'bars'> = {},
): AimedMoulds<M> {
  const [first, ...others] = kinds
  if (!first || aim.by === 'moulds') return { kinds, findings: [] }
  if (aim.by === 'bars') {
    const wanted = aim.bars - barsIn(others)
    const each = barsOfMould(first.mould).bars
    if (each === 0)
      return {
        kinds,
        findings: [refuse('mould_gives_no_bar')],
      }
    return { kinds: [{ ...first, count: Math.max(1, Math.ceil(wanted / each)) }, ...others], findings: [] }
  }
  const bestOf = (at: readonly MouldsOfKind<M>[]): AimedMoulds<M> => {
    const parts = { ...holds, bars: barsIn(at) }
    if (aim.by === 'label') {
      const density = densityOfBatter(batterOfVolume(recipe, parts, volumeOf(at) / (1 - potLoss)))
      const aimed = kinds.map((kind) => withBarsOf(kind, aim.labelMassG / (1 - cureLoss) / density))
      return { kinds: aimed.map(({ kind }) => kind), findings: aimed.flatMap(({ findings }) => findings) }
    }
    const { batterMl, colourantsMl } = batterOfFats(recipe, parts, fatsOf(aim, recipe, parts))
    return filledWith(kinds, (batterMl + colourantsMl) * (1 - potLoss))
  }
  let best = bestOf(kinds)
  for (let round = 1; round < rounds; round++) best = bestOf(best.kinds)
  return best
}

/** Fats for a mass of batter, or for all that is left of one of them, g. */
function fatsOf(aim: Extract<ScaleAim, { readonly by: 'mass' | 'fat' }>, recipe: Recipe, parts: BatterParts): number {
  if (aim.by === 'fat') {
    const share = recipe.fats.find(({ fatKey }) => fatKey === aim.fatKey)?.share ?? 0
    // Of a fat that is not in it, any mass makes nothing.
    return share > 0 ? aim.massG / share : 0
  }
  const byTheBarG = batterOfFats(recipe, parts, 0).batterG
  const perGramG = batterOfFats(recipe, parts, 1).batterG - byTheBarG
  return Math.max(0, aim.batterG - byTheBarG) / perGramG
}
