import type { Day } from '../calendar'
import { daysBetween } from '../calendar'
import { photoDue } from './drying'
import { lotOfCode } from './racks'
import { inOrderOfRacks } from './weighingRound'

/** Bars are turned on their trays once a week. A rule of the house. */
export const turnEveryDays = 7

/** A loaf that cures, as far as turning and photographing it go. */
export interface TurnedLoaf {
  readonly lotCode: string
  readonly place: string | undefined
  readonly cutDay: Day
  readonly turnedDays: readonly Day[]
  readonly photoDays: readonly Day[]
}

/** Whether its bars are to be turned: a week after the cut, or after they were turned last. */
export function turnIsDue({ cutDay, turnedDays }: Pick<TurnedLoaf, 'cutDay' | 'turnedDays'>, today: Day): boolean {
  return daysBetween([cutDay, ...turnedDays].sort().at(-1) ?? cutDay, today) >= turnEveryDays
}

/** What is to be done at a loaf's trays. */
export interface TurningStop<T> {
  readonly loaf: T
  readonly isToTurn: boolean
  /** The day of the cure whose photograph is due; undefined where none is. */
  readonly photoDay: number | undefined
}

/**
 * The trays at which something is to be turned or photographed, in the order in which a hand comes by them.
 *
 * @param loaves those that cure
 * @param racks names of the racks, in their order
 */
export function turningRound<T extends TurnedLoaf>(
  loaves: readonly T[],
  racks: readonly { readonly name: string }[],
  today: Day,
): readonly TurningStop<T>[] {
  return inOrderOfRacks(loaves, racks)
    .map((loaf) => ({
      loaf,
      isToTurn: turnIsDue(loaf, today),
      photoDay: photoDue(loaf.photoDays, loaf.cutDay, today),
    }))
    .filter(({ isToTurn, photoDay }) => isToTurn || photoDay !== undefined)
}

const isDigit = (sign: string | undefined): boolean => sign !== undefined && /\d/.test(sign)

/** Whether a lot stands in a text by itself, and not as part of a longer number. */
function standsIn(text: string, lotCode: string): boolean {
  const around = lotCode === '' ? [] : text.split(lotCode)
  return around.slice(1).some((after, at) => !isDigit(around[at]?.at(-1)) && !isDigit(after[0]))
}

/**
 * The loaf that a photograph from a file is of: the one whose code it shows, else the one whose lot stands in the file's
 * name; of lots that both stand there the longer one.
 *
 * @param code that the picture shows; undefined where it shows none
 */
export function loafOfPhoto<T extends { readonly lotCode: string }>(
  loaves: readonly T[],
  code: string | undefined,
  fileName: string,
): T | undefined {
  const shown = code === undefined ? undefined : loaves.find(({ lotCode }) => lotCode === lotOfCode(code))
  const named = loaves
    .filter(({ lotCode }) => standsIn(fileName, lotCode))
    .sort((a, b) => b.lotCode.length - a.lotCode.length)[0]
  return shown ?? named
}
