import type { Day } from '../calendar'
import { inOrderOfNames } from '../cutting'
import type { WeighIn } from './drying'
import { weighInIsDue } from './drying'
import type { MassForecast } from './dryingModel'
import { rackOf } from './racks'

/** A loaf that cures, as far as a weighing round asks. */
export interface RoundLoaf {
  readonly lotCode: string
  readonly place: string | undefined
  readonly weighIns: readonly WeighIn[]
}

/**
 * The loaves whose marked bar is due, in the order in which a hand comes by them: rack by rack as the workshop lists them,
 * on a rack by shelf and lot, and last those that stand nowhere yet.
 *
 * @param loaves those that cure
 * @param racks names of the racks, in their order
 */
export const weighingRound = <T extends RoundLoaf>(
  loaves: readonly T[],
  racks: readonly { readonly name: string }[],
  today: Day,
): readonly T[] =>
  inOrderOfRacks(
    loaves.filter(({ weighIns }) => weighInIsDue(weighIns, today)),
    racks,
  )

/** Loaves in the order in which a hand comes by them. */
export function inOrderOfRacks<T extends Pick<RoundLoaf, 'lotCode' | 'place'>>(
  loaves: readonly T[],
  racks: readonly { readonly name: string }[],
): readonly T[] {
  const rankOf = ({ place }: T): number => {
    const rack = rackOf(place, racks)
    const rank = racks.findIndex(({ name }) => name === rack)
    return rank < 0 ? racks.length : rank
  }
  return [...loaves].sort(
    (a, b) =>
      rankOf(a) - rankOf(b) || inOrderOfNames(a.place ?? '', b.place ?? '') || inOrderOfNames(a.lotCode, b.lotCode),
  )
}

type Point = Pick<MassForecast, 'cureDay'>

/** The point of a forecast that is nearest to a day of the cure; undefined where there is none. */
export const nearestPoint = <T extends Point>(days: readonly T[], cureDay: number): T | undefined =>
  days.reduce<T | undefined>(
    (best, one) => (best && Math.abs(best.cureDay - cureDay) <= Math.abs(one.cureDay - cureDay) ? best : one),
    undefined,
  )

/**
 * Whether a mass lies outside what the bar's drying lets expect on a day of its cure: the point of the forecast that is
 * nearest decides. A forecast without points expects nothing.
 *
 * @param massG as weighed, g
 * @param stepG of the scale, g: a reading may be off by one
 */
export function isOffForecast(
  days: readonly Pick<MassForecast, 'cureDay' | 'fromG' | 'untilG'>[],
  cureDay: number,
  massG: number,
  stepG = 0,
): boolean {
  const nearest = nearestPoint(days, cureDay)
  return nearest !== undefined && (massG < nearest.fromG - stepG || massG > nearest.untilG + stepG)
}
