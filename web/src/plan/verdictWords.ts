import type { SavedCollection } from '@vendange/contract'
import type { Day } from '@vendange/core/calendar'
import { formatDay, relativeDay } from '@vendange/core/calendar'
import type { CollectionVerdict, SoapVerdict } from '@vendange/core/season'
import { counted } from '@vendange/words'

/** The life of a collection, in words. */
export const stateWords: Readonly<Record<SavedCollection['state'], string>> = {
  idea: 'Idea',
  line_up: 'Line-up',
  scheduled: 'Scheduled',
  in_work: 'In work',
  ready: 'Ready',
  released: 'Released',
  looked_back: 'Looked back',
}

/** Days as a maker counts them. */
export const dayCount = (days: number): string => counted(Math.abs(days), 'day')

/** "a, b and c" */
export const listed = (names: readonly string[]): string =>
  names.length <= 1 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`

/** The answer to "do we make it, and what comes first?" in one or two sentences. */
export function verdictSentence(name: string, neededDay: Day, verdict: CollectionVerdict, today: Day): string {
  const day = formatDay(neededDay, today)
  const { soaps, nextPour } = verdict
  if (soaps.length === 0) return `${name} comes out on ${day} and has no soaps yet.`
  if (neededDay < today) {
    const missing = soaps.filter(({ standing }) => standing !== 'out' && standing !== 'ready')
    if (missing.length === 0) return `${name} came out on ${day}.`
    const [one] = missing
    return missing.length === 1
      ? `${name} was needed by ${day}, and ${one?.name ?? ''} is not ready yet.`
      : `${name} was needed by ${day}, and ${missing.length} of its ${soaps.length} soaps are not ready yet: ${listed(missing.map((soap) => soap.name))}.`
  }
  const incomplete = soaps.filter(({ standing }) => standing === 'incomplete')
  const late = soaps.filter(({ standing }) => standing === 'late')
  const worst = [...late].sort((a, b) => (a.slackDays ?? -Infinity) - (b.slackDays ?? -Infinity))[0]
  if (worst) {
    const more =
      late.length > 1 ? ` ${listed(late.filter((soap) => soap !== worst).map((soap) => soap.name))} too.` : ''
    const poured = worst.overdue
      ? `was to be poured on ${formatDay(worst.pourDay ?? '', today)} and, poured today, `
      : ''
    const how =
      worst.slackDays === undefined ? 'finds no free day' : `${poured}is ready ${dayCount(worst.slackDays)} late`
    return `${name} misses ${day}: ${worst.name} ${how}.${more}`
  }
  if (incomplete.length > 0)
    return `${name} cannot be judged yet: choose recipe and mould for ${listed(incomplete.map((soap) => soap.name))}.`
  if (!nextPour) {
    return soaps.every(({ standing }) => standing === 'ready')
      ? `Every soap of ${name} is cured and waits for ${day}.`
      : `All of ${name} is poured and will be cured by ${day}.`
  }
  return `${name} makes ${day} if ${nextPour.name} is poured by ${formatDay(nextPour.byDay, today)}, ${relativeDay(nextPour.byDay, today)}.`
}

/** Where one soap stands, in a few words. */
export function standingWords({ standing, pourDay, readyDay, slackDays, overdue }: SoapVerdict, today: Day): string {
  const on = (day: Day | undefined): string => (day === undefined ? 'no free day' : formatDay(day, today))
  switch (standing) {
    case 'out':
      return 'Came out'
    case 'ready':
      return 'Cured, ready'
    case 'curing':
      return `Curing until ${on(readyDay)}`
    case 'planned':
      return overdue
        ? `Was to be poured on ${on(pourDay)}; poured today, ready ${on(readyDay)}`
        : `Pour ${on(pourDay)}, ready ${on(readyDay)}`
    case 'to_plan':
      return `Free day: ${on(pourDay)}`
    case 'late':
      return slackDays === undefined
        ? 'No free day within a year'
        : `${overdue ? `Was to be poured on ${on(pourDay)}; poured today, ready` : 'Ready'} ${on(readyDay)}: ${dayCount(slackDays)} late`
    case 'incomplete':
      return 'Choose recipe and mould'
  }
}

/** The colour class that goes with a standing; the words say the same. */
export const standingClass: Readonly<Record<SoapVerdict['standing'], string>> = {
  out: 'vine',
  ready: 'vine',
  curing: 'vine',
  planned: 'brass',
  to_plan: 'brass',
  late: 'must',
  incomplete: 'must',
}
