import type { Sentence } from '../findings'
import { quantity, sentence } from '../findings'
import type { SalesResult } from './demand'

/** A regret or a wish from last time, until it is dealt with in the new version. */
export interface Lesson {
  readonly text: string
  readonly standing: 'open' | 'taken_up' | 'left'
}

/** How a past soap sold, a sentence a channel. */
export function salesSentences(results: readonly SalesResult[]): readonly Sentence[] {
  return results.map(({ channel, offered, sold, days }) =>
    sentence('channel_sold', {
      channel,
      offered,
      sold: Math.min(sold, offered),
      days: quantity.days(days),
      isSoldOut: sold >= offered ? 'yes' : 'no',
    }),
  )
}

/** Lessons for a soap that is brought back: last time's notes, one a line, and what the bars themselves told. */
export function lessonsForReissue(past: {
  readonly notesForNextTime: string
  /** Notes written into the record of its loaves. */
  readonly loafNotes: readonly string[]
  /** Faults that were found in them, with what helps, as the maker reads it. @default none */
  readonly faults?: readonly string[] | undefined
}): readonly Lesson[] {
  const lines = past.notesForNextTime.split('\n').map((line) => line.trim())
  return [...new Set([...lines, ...past.loafNotes.map((note) => note.trim()), ...(past.faults ?? [])])]
    .filter((text) => text !== '')
    .map((text) => ({ text, standing: 'open' }))
}
