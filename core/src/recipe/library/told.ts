import type { Sentence } from '../../findings'
import { quantity, sentence } from '../../findings'
import type { LibraryEntry, Makeup } from './entry'

/** How much of it is usual, and where it goes in. */
export function usuallySentence({ usual: { basis, least, most }, place }: LibraryEntry): Sentence {
  const amount = (value: number) => (basis === 'bar' ? quantity.mass(value) : quantity.share(value, 2))
  return sentence('part_usually', { least: amount(least), most: amount(most), basis, place })
}

/** What it does to batter and bar. */
export function effectSentences({ effects }: LibraryEntry): readonly Sentence[] {
  return effects.map((effect) => sentence('part_effect', { effect }))
}

/** What is to be minded with it. */
export function cautionSentences({ cautions }: LibraryEntry): readonly Sentence[] {
  return cautions.map((caution) => sentence('part_caution', { caution }))
}

const parts = [
  ['water', 'waterShare'],
  ['sugar', 'sugarShare'],
  ['fat', 'fatShare'],
  ['alcohol', 'alcoholShare'],
] as const

/** What it is made of, as far as it counts. */
export function makeupSentences(makeup: Makeup): readonly Sentence[] {
  return parts
    .filter(([, key]) => makeup[key] > 0)
    .map(([what, key]) => sentence('part_makeup', { what, share: quantity.share(makeup[key], 1) }))
}
