import type { LoafEvent } from '@vendange/core/loaf'
import { expect } from 'chai'
import { eventWords } from '../../src/parts/eventWords'

const day = '2027-03-10'
const grams = (massG: number): string => `${massG} g`
const words = (event: LoafEvent): string => eventWords(event, { weighed: grams, fineMass: grams })

describe('eventWords', () => {
  const sentences: readonly (readonly [LoafEvent, string])[] = [
    [{ type: 'poured', day, batterG: 1208 }, 'Poured, 1208 g of batter.'],
    [{ type: 'unmoulded', day }, 'Unmoulded.'],
    [
      { type: 'cut', day, bars: 10, ends: 2, firstBarG: 119, bevelled: true },
      'Cut into 10 bars and 2 ends, bevelled. The first bar weighs 119 g.',
    ],
    [
      { type: 'cut', day, bars: 9, ends: 0, firstBarG: 120, bevelled: false },
      'Cut into 9 bars and 0 ends. The first bar weighs 120 g.',
    ],
    [{ type: 'moved', day, place: 'Rack 1, shelf 2' }, 'Put on Rack 1, shelf 2.'],
    [{ type: 'weighed', day, barG: 112.4 }, 'The marked bar weighs 112.4 g.'],
    [{ type: 'photographed', day, photoId: 'p' }, 'Photographed.'],
    [{ type: 'noted', day, text: 'The white went cream.' }, 'Note: The white went cream.'],
    [{ type: 'held', day, reason: 'orange spots' }, 'Held: orange spots'],
    [
      { type: 'released', day, bars: 10, ph: 9.5, lookIsSound: true, labelIsComplete: true },
      'Released, 10 bars, pH 9.5, look and label in order.',
    ],
    [{ type: 'amended', day, subject: 'count', text: 'one was a sample' }, 'Amended, count: one was a sample'],
  ]
  for (const [event, sentence] of sentences) {
    it(`tells of a loaf that was ${event.type}: “${sentence}”`, () => expect(words(event)).to.equal(sentence))
  }
})
