import type { LoafHappening } from '@vendange/core/loaf'

type Show = (kind: 'mass', massG: number) => string

/** An event of a loaf's record in a sentence. */
export function eventWords(happening: LoafHappening, show: Show): string {
  switch (happening.type) {
    case 'poured':
      return `Poured, ${show('mass', happening.batterG)} of batter.`
    case 'unmoulded':
      return 'Unmoulded.'
    case 'cut':
      return `Cut into ${happening.bars} bars and ${happening.ends} ends${happening.bevelled ? ', bevelled' : ''}. The first bar weighs ${show('mass', happening.firstBarG)}.`
    case 'moved':
      return `Put on ${happening.place}.`
    case 'weighed':
      return `The marked bar weighs ${show('mass', happening.barG)}.`
    case 'photographed':
      return 'Photographed.'
    case 'noted':
      return `Note: ${happening.text}`
    case 'held':
      return `Held: ${happening.reason}`
    case 'failed':
      return `Failed: ${happening.reason}`
    case 'released':
      return `Released, ${happening.bars} bars, pH ${happening.ph}, look and label in order.`
    case 'amended':
      return `Amended, ${happening.subject}: ${happening.text}`
  }
}
