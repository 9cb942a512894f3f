import type { FaultKey } from '@vendange/core/cutting'
import { faultCounts } from '@vendange/core/cutting'
import type { FeelWord, FoamWord, SmellWord, Tried } from '@vendange/core/loaf'
import type { PromiseKey } from '@vendange/core/plan'
import type { ReleaseCheck } from '@vendange/core/release'

/** Each fault with its likely cause and what helps. From usual practice. */
export const faultWords: Readonly<
  Record<FaultKey, { readonly name: string; readonly cause: string; readonly remedy: string }>
> = {
  air_pockets: {
    name: 'Air pockets',
    cause: 'Batter was thick when it was poured, or air came in with the blender.',
    remedy: 'Pour thinner, knock each layer; tilt the blender before it runs.',
  },
  half_gel: {
    name: 'A ring, half gelled',
    cause: 'Only the middle of the loaf became hot enough to gel.',
    remedy: 'Keep it all warm (blanket, oven) or all cool (no cover, moving air).',
  },
  rivers: {
    name: 'Glycerine rivers',
    cause: 'It was hot and had much water; white pigment shows them.',
    remedy: 'Less water, a cooler night, white pigment well wetted and sparingly.',
  },
  ash: {
    name: 'Ash',
    cause: 'Fresh soap met air before it had set.',
    remedy: 'Alcohol on the top (away from flames and ovens), a cover; plane or steam it off.',
  },
  cracks: {
    name: 'Cracks',
    cause: 'It overheated, or was cut when it was already brittle.',
    remedy: 'Cooler batter and less sugar; cut earlier.',
  },
  orange_spots: {
    name: 'Orange spots',
    cause: 'Fat has begun to go rancid: old stock, metal, or much superfat in soft fats.',
    remedy: 'Fresher lots, a lower superfat, racks without bare metal. These bars are not sold.',
  },
  curdled: {
    name: 'Curdled spots',
    cause: 'The scent curdled the batter, or it was not blended through.',
    remedy: 'Scent later or another one; blend it smooth before it is poured.',
  },
  bleeding: {
    name: 'Colour bleeds',
    cause: 'A dye that dissolves in the soap’s own water.',
    remedy: 'A pigment in its place, or a layer beside it that may take the colour.',
  },
  colour_off: {
    name: 'Colour off the plan',
    cause: 'Scent that browns, a gel that deepens, or a share weighed otherwise.',
    remedy: 'Photograph it on day 1, 7 and 28 and set the shade in the plan.',
  },
  lye_pocket: {
    name: 'White, soft or wet pocket that bites',
    cause: 'Lye that was not blended in, or a recipe weighed wrong.',
    remedy: 'Gloves on. Test with a strip; the loaf is not sold.',
  },
  too_soft: {
    name: 'Too soft: it smeared at the cut',
    cause: 'It was cut too early: soft fats, much water or a cold room set slowly.',
    remedy: 'A day longer in the mould, or less water.',
  },
}

/** Faults of some loaves, those of most loaves first: "Ash on 2 of 5 loaves; cracks on 1." Empty where there were none. */
export function faultsOfLoaves(loaves: readonly { readonly foundFaults: readonly FaultKey[] }[]): string {
  const counted = faultCounts(loaves)
  if (counted.length === 0) return ''
  const all = `${loaves.length} ${loaves.length === 1 ? 'loaf' : 'loaves'}`
  const lines = counted.map((one, at) => {
    const { name } = faultWords[one.fault]
    const written = at === 0 ? name : name.charAt(0).toLowerCase() + name.slice(1)
    return at === 0 ? `${written} on ${one.loaves} of ${all}` : `${written} on ${one.loaves}`
  })
  return `${lines.join('; ')}.`
}

/** What a later pour is told of a fault of the last one. */
export const lessonOfFault = (fault: FaultKey): string =>
  `${faultWords[fault].name} last time. ${faultWords[fault].remedy}`

export const releaseCheckWords: Readonly<Record<ReleaseCheck['key'], string>> = {
  cure: 'Cure',
  mass: 'Mass against the label',
  levelled: 'Levelled off',
  faults: 'Faults',
  lots: 'Lots',
  ph: 'pH',
  look: 'Look',
  label: 'Label',
}

export const promiseWords: Readonly<Record<PromiseKey, string>> = {
  vegan: 'vegan',
  palm_free: 'palm-free',
  nut_free: 'free of nuts',
}

/** What a maker picks when a bar was tried, in each respect. */
export const foamLabels: Readonly<Record<FoamWord, string>> = { little: 'little', usual: 'good', rich: 'rich' }
export const feelLabels: Readonly<Record<FeelWord, string>> = {
  gentle: 'soft skin',
  usual: 'clean skin',
  strips: 'tight, dry skin',
}
export const smellLabels: Readonly<Record<SmellWord, string>> = {
  sound: 'smells and looks sound',
  off: 'smells off, or has spots',
}

/** "Tried: good foam after 8 rubs; soft skin; 190 washes of a bar of 100 g." @param mass how a bar's mass is told */
export function triedWords({ rubs, foam, feel, smell, lasted }: Tried, mass: (massG: number) => string): string {
  const after = rubs === null ? '' : ` after ${rubs === 1 ? 'one rub' : `${rubs} rubs`}`
  const lines = [
    foam === null ? (rubs === null ? '' : `foam${after}`) : `${foamLabels[foam]} foam${after}`,
    feel === null ? '' : feelLabels[feel],
    smell === null ? '' : smellLabels[smell],
    lasted === null
      ? ''
      : `${lasted.washes === 1 ? 'one wash' : `${lasted.washes} washes`} of a bar of ${mass(lasted.barG)}`,
  ]
  return `Tried: ${lines.filter((line) => line !== '').join('; ')}.`
}
