import type { Mould } from '../mould'
import { isWithin } from '../units'
import type { BarCut } from './barsFromLoaf'
import type { BarSides } from './mouldBars'
import { barSidesOf } from './mouldBars'

export const finishes = ['planed', 'pared', 'bevelled', 'stamped', 'polished'] as const
export type Finish = (typeof finishes)[number]

/** Edges of a bar that may be bevelled: the four that run along its width, its height, its thickness. */
export const edgeGroups = ['widthMm', 'heightMm', 'thicknessMm'] as const
export type EdgeGroup = (typeof edgeGroups)[number]

/** Leg of a bevel: how far from the edge each face is cut, mm. */
export const bevelLegRange = { min: 0.5, max: 20 } as const

/** Whether bevels with this leg leave something of every face. */
const mayBevel = ({ widthMm, heightMm, thicknessMm }: BarSides, legMm: number): boolean =>
  isWithin(legMm, bevelLegRange) && 2 * legMm <= Math.min(widthMm, heightMm, thicknessMm)

/**
 * What bevels at 45° take off a bar, mm³: half a square of the leg along each edge, what two or three of them take at a
 * corner counted once (inclusion and exclusion: two at right angles share leg³/3, three leg³/4).
 *
 * @throws {RangeError} if the leg is out of range or two bevels would meet on a face
 */
export function bevelledOffMm3(sides: BarSides, legMm: number, edges: readonly EdgeGroup[]): number {
  const chosen = edgeGroups.filter((group) => edges.includes(group))
  const shortest = Math.min(sides.widthMm, sides.heightMm, sides.thicknessMm)
  if (!mayBevel(sides, legMm))
    throw new RangeError(`Expected a leg from ${bevelLegRange.min} mm to half of ${shortest} mm, got ${legMm}`)
  const along = chosen.reduce((sum, group) => sum + 4 * sides[group] * (legMm ** 2 / 2), 0)
  const corners = 8 * legMm ** 3
  if (chosen.length === 2) return along - corners / 3
  return chosen.length === 3 ? along - corners * (3 / 3 - 1 / 4) : along
}

/** A layer planed off a bar's faces. */
export interface Planed {
  readonly planedMm: number
  /** One face, or it and the one opposite. */
  readonly faces: number
  /** The side of the bar that becomes shorter: its large faces lie across its thickness. @default 'thicknessMm' */
  readonly across?: EdgeGroup | undefined
}

/** What planing takes off: so thick a layer from so many of the faces that lie across one side, mm³. */
export function planedOffMm3(sides: BarSides, { planedMm, faces, across = 'thicknessMm' }: Planed): number {
  const faceMm2 = edgeGroups.reduce((area, side) => (side === across ? area : area * sides[side]), 1)
  return faceMm2 * planedMm * faces
}

/** A bar after planing, mm; a side may come out at 0 or less where nothing of it would be left. */
export function planedSides(sides: BarSides, { planedMm, faces, across = 'thicknessMm' }: Planed): BarSides {
  return { ...sides, [across]: sides[across] - planedMm * faces }
}

/**
 * The bars of a loaf as they are after the planing that was logged: each bar once, or as often as more bars were planed
 * than there are.
 */
export function sidesNow(
  sides: BarSides,
  {
    cut,
    finished,
  }: { readonly cut?: { readonly bars: number } | undefined; readonly finished: readonly LoggedFinish[] },
): BarSides {
  const planings = finished.filter((one) => one.finish === 'planed')
  const bars = planings.reduce((sum, one) => sum + one.bars, 0)
  const times = cut && cut.bars > 0 ? Math.ceil(bars / cut.bars) : planings.length
  return planings.slice(-times).reduce((now, { planed }) => (planed ? planedSides(now, planed) : now), sides)
}

/** Minutes a bar before any was logged. Estimates from practice. */
export const usualMinutesPerBar: Readonly<Record<Finish, number>> = {
  planed: 0.6,
  pared: 0.5,
  bevelled: 1,
  stamped: 0.5,
  polished: 0.7,
}
/** Bars that the estimate counts for beside what was logged. */
const priorBars = 20

/** Finishing as it was logged. */
export interface LoggedFinish {
  readonly finish: Finish
  readonly bars: number
  readonly minutes: number
  /** Of planing. Records from before this was kept have none. */
  readonly planed?: Planed | undefined
}
export type Logged = readonly LoggedFinish[]

/**
 * Minutes a bar takes here: what was logged, and what was expected for as long as little was.
 *
 * @param expectedMin what the workshop reckons with, minutes a bar
 */
export function minutesPerBar(finish: Finish, logged: Logged, expectedMin = usualMinutesPerBar[finish]): number {
  const own = logged.filter((one) => one.finish === finish && one.bars > 0)
  const bars = own.reduce((sum, one) => sum + one.bars, 0)
  const minutes = own.reduce((sum, one) => sum + one.minutes, 0)
  return (minutes + priorBars * expectedMin) / (bars + priorBars)
}

/** Minutes that some bars take. */
export interface FinishTime {
  readonly eachMin: number
  readonly allMin: number
  readonly isLearned: boolean
}

/** How long some bars take: each, and all of them to the minute; and whether that was learned here. */
export function finishTime(finish: Finish, bars: number, logged: Logged, expectedMin?: number): FinishTime {
  const eachMin = minutesPerBar(finish, logged, expectedMin)
  return { eachMin, allMin: Math.round(eachMin * bars), isLearned: logged.some((one) => one.finish === finish) }
}

/** How far the scale may be off what was reckoned to come off before it is told, as a share of it. An estimate. */
export const removedTolerance = 0.35

/** How thick a layer may be planed off a face, mm, and off how many of two faces that lie opposite. */
export const planedRange = { min: 0.1, max: 10 } as const
export const planedFacesRange = { min: 1, max: 2 } as const

/** Work that takes something off each bar. */
export type TakingOff =
  | { readonly finish: 'bevelled'; readonly legMm: number; readonly edges: readonly EdgeGroup[] }
  | ({ readonly finish: 'planed' } & Planed)

/** What it takes off a bar, mm³; undefined where nothing of the bar would be left or two bevels would meet. */
function takenOffMm3(sides: BarSides, work: TakingOff): number | undefined {
  if (work.finish === 'bevelled')
    return mayBevel(sides, work.legMm) ? bevelledOffMm3(sides, work.legMm, work.edges) : undefined
  const after = planedSides(sides, work)
  return after[work.across ?? 'thicknessMm'] > 0 ? planedOffMm3(sides, work) : undefined
}

/** What a loaf was cut into, and what was done to it since. */
export interface LoafAsCut {
  readonly cut: { readonly bars: number; readonly firstBarG: number } | undefined
  /** @default nothing */
  readonly finished?: Logged
}

/** What finishing takes off the bars of a loaf. */
export interface Finishing {
  readonly eachG: number
  readonly allG: number
  /** Whether what the scale says is far off what was reckoned. */
  isFarOff(removedG: number): boolean
}

/**
 * What is taken off a loaf's bars, by their size as it is after planing and their mass as it is now; undefined where
 * nothing was cut, or none of a bar would be left.
 *
 * @param barG what a whole bar, before any finishing, weighs on the day it is done, g. @default as cut
 */
export function finishingOf(
  mould: Mould & BarCut,
  { cut, finished = [] }: LoafAsCut,
  work: TakingOff & { readonly bars: number },
  barG = cut?.firstBarG,
): Finishing | undefined {
  const whole = barSidesOf(mould)
  const offMm3 = takenOffMm3(sidesNow(whole, { cut, finished }), work)
  if (barG === undefined || offMm3 === undefined) return undefined
  const eachG = (barG * offMm3) / (whole.widthMm * whole.heightMm * whole.thicknessMm)
  const allG = eachG * work.bars
  return { eachG, allG, isFarOff: (removedG) => Math.abs(removedG - allG) > removedTolerance * allG + 1 }
}
