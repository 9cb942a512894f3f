import { counted } from '@vendange/words'
import { listed } from '../verdictWords'

/** What a plan that was found comes to. */
export interface PlanFound {
  /** How many pours it moves or adds. */
  readonly changes: number
  readonly lateDays: number
  /** Days of lateness that no plan can do without. */
  readonly leastLateDays: number
  /** Names of the soaps that have no day in it. */
  readonly withoutDay: readonly string[]
}

/** The answer to "is there a better plan?" in one or two sentences. */
export function planFoundSentence({ changes, lateDays, leastLateDays, withoutDay }: PlanFound): string {
  const without = listed(withoutDay)
  if (changes === 0)
    return without === ''
      ? 'The plan that stands is the best one found. Nothing needs to move.'
      : `No day was found for ${without}. Nothing else needs to move.`
  const stillWithout = without === '' ? '' : ` ${without} ${withoutDay.length === 1 ? 'has' : 'have'} no day yet.`
  const late = `${lateDays} ${lateDays === 1 ? 'day' : 'days'} of lateness ${lateDays === 1 ? 'remains' : 'remain'}`
  const inTime =
    lateDays === 0
      ? 'everything is in time.'
      : `${late}${lateDays <= leastLateDays ? ', and no plan can do better' : ''}.`
  return `${counted(changes, 'pour')} ${changes === 1 ? 'gets' : 'get'} a new day; ${inTime}${stillWithout}`
}
