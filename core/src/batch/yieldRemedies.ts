import { barsOfMould, thicknessForMouldBars } from '../cutting'
import type { BarCut } from '../cutting'
import type { Mould } from '../mould'
import { filledTo, shapeOf } from '../mould'
import type { Sentence } from '../findings'
import { quantity, sentence } from '../findings'
import { roundTo } from '../units'
import type { BatchSettings, BatchWish } from './batchWish'
import { scaleBatch } from './scaleBatch'

/** A mould of the workshop, with how many of it there are. */
export interface MouldAtHand extends Mould, BarCut {
  readonly id: string
  readonly name: string
  readonly count: number
}

/** What could be done so that the bars come out. */
export interface YieldRemedy {
  readonly kind: 'cut' | 'fill' | 'moulds' | 'other_mould' | 'second_batch'
  /** What to do. */
  readonly title: Sentence
  readonly bars: number
  /** Estimate, as all masses after a cure. */
  readonly barCuredG: number
  readonly reachesLabel: boolean
  /** Everything that is weighed, of all batches, g. */
  readonly batterG: number
  /** Soap that is no whole bar: trims, rests and what sticks to the pots, g. */
  readonly wasteG: number
  /** The mould and how many of it, where that is what changes. */
  readonly mouldId: string
  readonly mouldCount: number
}

type Trial = Pick<YieldRemedy, 'kind' | 'title' | 'mouldId'> & {
  readonly mould: Mould & BarCut
  readonly mouldCount: number
  readonly batches?: number
}

/**
 * Ways out when the moulds do not give the bars wanted: another cut, another cut with a higher fill, more moulds of the
 * kind, another mould, a second batch. Those that reach the label come first, then by what they waste.
 *
 * @param its the mould of the batch, as the workshop has it
 * @param others the workshop's other moulds
 * @returns none when the bars come out
 * @throws {RangeError} as `scaleBatch` does
 */
export function yieldRemedies(
  wish: Omit<BatchWish, 'mould'>,
  its: MouldAtHand,
  others: readonly MouldAtHand[],
  settings: BatchSettings,
): readonly YieldRemedy[] {
  const { barsWanted, mouldCount, labelMassG } = wish
  const scaledIn = (mould: Mould & BarCut, count: number) => scaleBatch({ ...wish, mould, mouldCount: count }, settings)
  const now = scaledIn(its, mouldCount)
  if (now.bars >= barsWanted) return []
  /** What moulds of other kinds do not give. */
  const ownWanted = barsWanted - (now.bars - now.barsPerLoaf * mouldCount)
  const trials: Trial[] = []

  const thicknessMm = thicknessForMouldBars(its, Math.max(1, Math.ceil(ownWanted / mouldCount)))
  if (thicknessMm !== undefined) {
    // Cut a hair thinner than the figure, so that the last bar is whole.
    const thinner = { ...its, barThicknessMm: Math.floor(thicknessMm * 10) / 10 }
    const thickness = quantity.most('length', thinner.barThicknessMm)
    trials.push({
      kind: 'cut',
      title: sentence('cut_thinner', { thickness }),
      mouldId: its.id,
      mould: thinner,
      mouldCount,
    })
    const { barCuredG } = scaledIn(thinner, mouldCount)
    const fillHeightMm = Math.ceil((its.fillHeightMm * labelMassG) / barCuredG)
    const isHigher = fillHeightMm > its.fillHeightMm && fillHeightMm <= its.heightMm - its.linerMm
    // A cylinder filled higher gives more discs, not heavier ones.
    if (isHigher && shapeOf(its) !== 'cylinder')
      trials.push({
        kind: 'fill',
        title: sentence('cut_thinner_fill_higher', { thickness, fill: quantity.least('length', fillHeightMm) }),
        mouldId: its.id,
        mould: filledTo(thinner, fillHeightMm),
        mouldCount,
      })
  }
  if (now.barsPerLoaf > 0) {
    const needed = Math.ceil(ownWanted / now.barsPerLoaf)
    if (needed <= its.count)
      trials.push({
        kind: 'moulds',
        title: sentence('fill_moulds', { count: needed, mould: its.name }),
        mouldId: its.id,
        mould: its,
        mouldCount: needed,
      })
    const batches = Math.ceil(barsWanted / now.bars)
    trials.push({
      kind: 'second_batch',
      title: sentence('make_batches', { batches }),
      mouldId: its.id,
      mould: its,
      mouldCount,
      batches,
    })
  }
  for (const other of others) {
    if (other.id === its.id) continue
    const { bars } = barsOfMould(other)
    const needed = bars > 0 ? Math.ceil(ownWanted / bars) : Infinity
    if (needed > other.count) continue
    const title = sentence('pour_into_other', { count: needed, mould: other.name })
    trials.push({ kind: 'other_mould', title, mouldId: other.id, mould: other, mouldCount: needed })
  }

  return trials
    .map(({ kind, title, mouldId, mould, mouldCount: count, batches = 1 }): YieldRemedy => {
      const { bars, barCuredG, barWetG, weights } = scaledIn(mould, count)
      return {
        kind,
        title,
        bars: bars * batches,
        barCuredG,
        reachesLabel: barCuredG >= labelMassG,
        batterG: weights.batterG * batches,
        wasteG: roundTo((weights.batterG - bars * barWetG) * batches, 1),
        mouldId,
        mouldCount: count,
      }
    })
    .filter(({ bars }) => bars >= barsWanted)
    .sort((a, b) => Number(b.reachesLabel) - Number(a.reachesLabel) || a.wasteG - b.wasteG)
}
