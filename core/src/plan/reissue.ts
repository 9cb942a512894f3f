import type { FaultKey } from '../cutting'
import { faults } from '../cutting'
import type { SalesResult } from './demandForecast'

/** A regret or a wish from last time, until it is dealt with in the new version. */
export interface Lesson {
  readonly text: string
  readonly standing: 'open' | 'taken_up' | 'left'
}

const counted = (count: number, noun: string): string => `${count} ${noun}${count === 1 ? '' : 's'}`

/** How a past soap sold, a sentence a channel. */
export function salesWords(results: readonly SalesResult[]): readonly string[] {
  return results.map(({ channel, offered, sold, days }) =>
    sold >= offered
      ? `${channel}: all ${offered} bars sold in ${counted(days, 'day')}.`
      : `${channel}: ${sold} of ${offered} bars sold in ${counted(days, 'day')}.`,
  )
}

/** Lessons for a soap that is brought back: last time's notes, one a line, and what the bars themselves told. */
export function lessonsForReissue(past: {
  readonly notesForNextTime: string
  /** Notes written into the record of its loaves. */
  readonly loafNotes: readonly string[]
  /** Faults that were found in them. @default none */
  readonly faults?: readonly FaultKey[] | undefined
}): readonly Lesson[] {
  const lines = past.notesForNextTime.split('\n').map((line) => line.trim())
  const faultLines = (past.faults ?? []).map((key) => `${faults[key].name} last time. ${faults[key].remedy}`)
  return [...new Set([...lines, ...past.loafNotes.map((note) => note.trim()), ...faultLines])]
    .filter((text) => text !== '')
    .map((text) => ({ text, standing: 'open' }))
}
