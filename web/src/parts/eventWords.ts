import { finishedWords } from '../parts/finishWords'
import type { LoafEvent } from '@vendange/core/loaf'
import { counted, faultWords, triedWords } from '@vendange/words'

type Told = (massG: number) => string
/** How masses are told: of a batch, and by a fine scale. */
export interface MassWords {
  readonly weighed: Told
  readonly fineMass: Told
}

/** An event of a loaf's record in a sentence. */
export function eventWords(event: LoafEvent, { weighed, fineMass }: MassWords): string {
  switch (event.type) {
    case 'poured':
      return `Poured, ${weighed(event.batterG)} of batter.`
    case 'unmoulded':
      return 'Unmoulded.'
    case 'cut': {
      const others = (event.others ?? []).map(({ name, count }) => `, ${count} ${name}`).join('')
      return `Cut into ${counted(event.bars, 'bar')}${others} and ${counted(event.ends, 'end')}${event.bevelled ? ', bevelled' : ''}. The first bar weighs ${fineMass(event.firstBarG)}.`
    }
    case 'scrapped':
      return `${weighed(event.massG)} of ${event.colour} into the scrap bin.`
    case 'scrap_used':
      return `${weighed(event.massG)} of its ${event.colour} scrap taken for ${event.use}.`
    case 'fault_found':
      return `Fault: ${faultWords[event.fault].name}. ${event.text}`.trim()
    case 'fault_closed':
      return `${faultWords[event.fault].name} closed: ${event.text}`
    case 'finished': {
      const off = event.removedG === null ? '' : `, ${fineMass(event.removedG)} off`
      return `${finishedWords[event.finish]}, ${counted(event.bars, 'bar')} in ${event.minutes} min${off}.`
    }
    case 'moved':
      return `Put on ${event.place}.`
    case 'weighed':
      return `The marked bar weighs ${fineMass(event.barG)}.`
    case 'turned':
      return 'Turned on its trays.'
    case 'photographed':
      return 'Photographed.'
    case 'noted':
      return `Note: ${event.text}`
    case 'tried':
      return triedWords(event, fineMass)
    case 'held':
      return `Held: ${event.reason}`
    case 'failed':
      return `Failed: ${event.reason}`
    case 'downgraded':
      return `${counted(event.bars, 'bar')} to ${event.to}: ${event.reason}`
    case 'released': {
      const over = event.overrideReason
        ? `. Let go all the same: ${event.overrideReason}`
        : ', look and label in order.'
      return `Released, ${counted(event.bars, 'bar')}, pH ${event.ph}${over}`
    }
    case 'allotted':
      return `${counted(event.bars, 'bar')} set aside for ${event.who || event.channel}.`
    case 'given_back':
      return `${counted(event.bars, 'bar')} back from ${event.channel}.`
    case 'sold':
      return `${counted(event.bars, 'bar')} sold (${event.channel})${event.buyer ? ` to ${event.buyer}` : ''}${
        event.isBeforeRelease ? ', before its collection was out' : ''
      }.`
    case 'recalled':
      return `Called back: ${event.reason}`
    case 'amended':
      return `Amended, ${event.subject}: ${event.text}`
  }
}
