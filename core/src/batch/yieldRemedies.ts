import { barsOfMould, thicknessForMouldBars } from '../cutting'
import type { BarCut } from '../cutting'
import type { Mould } from '../mould'
import { filledTo, shapeOf } from '../mould'
import type { PourPart } from './designYield'
import { pourParts } from './pourParts'
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
  /** The pours to be made, where the soap is not to be poured at once as its moulds usually are. */
  readonly parts?: readonly PourPart[]
}

type Trial = Pick<YieldRemedy, 'kind' | 'title' | 'mouldId'> & {
  readonly mould: Mould & BarCut
  readonly mouldCount: number
  readonly parts?: readonly PourPart[]
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
  const { barsWanted, mouldCount, labelMassG, more = [] } = wish
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
    const once = { mouldId: its.id, mouldCount, barsWanted, barThicknessMm: thinner.barThicknessMm }
    // One pour with a cut of its own; with moulds of other kinds beside it, that is for each mould to say.
    const asPart = (part: PourPart) => (more.length === 0 ? { parts: [part] } : {})
    trials.push({
      kind: 'cut',
      title: sentence('cut_thinner', { thickness }),
      mouldId: its.id,
      mould: thinner,
      mouldCount,
      ...asPart(once),
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
        ...asPart({ ...once, fillHeightMm }),
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
    // In two pours at the least: one that fills all its moulds at once is told above.
    const loaves = Math.ceil(barsWanted / now.barsPerLoaf)
    const parts = pourParts({
      mouldId: its.id,
      mouldsAtHand: Math.min(its.count, Math.ceil(loaves / 2)),
      barsWanted,
      barsPerLoaf: now.barsPerLoaf,
      barThicknessMm: its.barThicknessMm,
    })
    if (more.length === 0 && parts.length > 1)
      trials.push({
        kind: 'second_batch',
        title: sentence('make_batches', { batches: parts.length }),
        mouldId: its.id,
        mould: its,
        mouldCount: parts.reduce((sum, part) => sum + part.mouldCount, 0),
        parts,
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
    .map(({ kind, title, mouldId, mould, mouldCount: count, parts }): YieldRemedy => {
      const pours = parts ? parts.map((part) => scaledIn(mould, part.mouldCount)) : [scaledIn(mould, count)]
      const { barCuredG, barWetG } = pours[0]!
      const bars = pours.reduce((sum, pour) => sum + pour.bars, 0)
      const batterG = pours.reduce((sum, { weights }) => sum + weights.batterG, 0)
      return {
        kind,
        title,
        bars,
        barCuredG,
        reachesLabel: barCuredG >= labelMassG,
        batterG,
        wasteG: roundTo(batterG - bars * barWetG, 1),
        mouldId,
        mouldCount: count,
        ...(parts ? { parts } : {}),
      }
    })
    .filter(({ bars }) => bars >= barsWanted)
    .sort((a, b) => Number(b.reachesLabel) - Number(a.reachesLabel) || a.wasteG - b.wasteG)
}
