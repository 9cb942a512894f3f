export const foamWords = ['little', 'usual', 'rich'] as const
export type FoamWord = (typeof foamWords)[number]
export const feelWords = ['gentle', 'usual', 'strips'] as const
export type FeelWord = (typeof feelWords)[number]
export const smellWords = ['sound', 'off'] as const
export type SmellWord = (typeof smellWords)[number]

/** What was noticed of a bar in use; null: not looked at. */
export interface Tried {
  /** Turns in wet hands until it foamed. */
  readonly rubs: number | null
  readonly foam: FoamWord | null
  /** How the skin felt after it. */
  readonly feel: FeelWord | null
  /** Whether it smells and looks sound, or has gone off. */
  readonly smell: SmellWord | null
  /** Washes of two hands until it was used up, and what it weighed at first, g. */
  readonly lasted: { readonly washes: number; readonly barG: number } | null
}
