export const faultKeys = [
  'air_pockets',
  'half_gel',
  'rivers',
  'ash',
  'cracks',
  'orange_spots',
  'curdled',
  'bleeding',
  'colour_off',
  'lye_pocket',
  'too_soft',
] as const
export type FaultKey = (typeof faultKeys)[number]

/** A fault that a cut can show. */
export interface Fault {
  /** Its bars may not go while it is open. */
  readonly holdsBack: boolean
}

/** From usual practice. */
export const faults: Readonly<Record<FaultKey, Fault>> = {
  air_pockets: {
    holdsBack: false,
  },
  half_gel: {
    holdsBack: false,
  },
  rivers: {
    holdsBack: false,
  },
  ash: {
    holdsBack: false,
  },
  cracks: {
    holdsBack: false,
  },
  orange_spots: {
    holdsBack: true,
  },
  curdled: {
    holdsBack: false,
  },
  bleeding: {
    holdsBack: false,
  },
  colour_off: {
    holdsBack: false,
  },
  lye_pocket: {
    holdsBack: true,
  },
  too_soft: {
    holdsBack: false,
  },
}

/** How many of some loaves had each fault, those of most loaves first; none of what no loaf had. */
export function faultCounts(
  loaves: readonly { readonly foundFaults: readonly FaultKey[] }[],
): readonly { readonly fault: FaultKey; readonly loaves: number }[] {
  return faultKeys
    .map((fault) => ({ fault, loaves: loaves.filter(({ foundFaults }) => foundFaults.includes(fault)).length }))
    .filter((one) => one.loaves > 0)
    .sort((a, b) => b.loaves - a.loaves)
}
