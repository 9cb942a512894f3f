import { finishedWords } from '../parts/finishWords'
import type { LoafHappening } from '@vendange/core/loaf'
import { faults } from '@vendange/core/cutting'

type Show = (kind: 'mass', massG: number) => string

/** An event of a loaf's record in a sentence. */
export function eventWords(happening: LoafHappening, show: Show): string {
  switch (happening.type) {
    case 'poured':
      return `Poured, ${show('mass', happening.batterG)} of batter.`
    case 'unmoulded':
      return 'Unmoulded.'
    case 'cut': {
      const others = (happening.others ?? []).map(({ name, count }) => `, ${count} ${name}`).join('')
      return `Cut into ${happening.bars} bars${others} and ${happening.ends} ends${happening.bevelled ? ', bevelled' : ''}. The first bar weighs ${show('mass', happening.firstBarG)}.`
    }
    case 'scrapped':
      return `${show('mass', happening.massG)} of ${happening.colour} into the scrap bin.`
    case 'scrap_used':
      return `${show('mass', happening.massG)} of its ${happening.colour} scrap taken for ${happening.use}.`
    case 'fault_found':
      return `Fault: ${faults[happening.fault].name}. ${happening.text}`.trim()
    case 'fault_closed':
      return `${faults[happening.fault].name} closed: ${happening.text}`
    case 'finished': {
      const off = happening.removedG === null ? '' : `, ${show('mass', happening.removedG)} off`
      return `${finishedWords[happening.finish]}, ${happening.bars} bars in ${happening.minutes} min${off}.`
    }
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
    case 'downgraded':
      return `${happening.bars} bars to ${happening.to}: ${happening.reason}`
    case 'released': {
      const over = happening.overrideReason
        ? `. Let go all the same: ${happening.overrideReason}`
        : ', look and label in order.'
      return `Released, ${happening.bars} bars, pH ${happening.ph}${over}`
    }
    case 'allotted':
      return `${happening.bars} bars set aside for ${happening.who || happening.channel}.`
    case 'given_back':
      return `${happening.bars} bars back from ${happening.channel}.`
    case 'sold':
      return `${happening.bars} bars sold (${happening.channel})${happening.buyer ? ` to ${happening.buyer}` : ''}.`
    case 'recalled':
      return `Called back: ${happening.reason}`
    case 'amended':
      return `Amended, ${happening.subject}: ${happening.text}`
  }
}
