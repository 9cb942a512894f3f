import type { Sentence } from '../findings'
import { sentence } from '../findings'
import type { ScentUse } from '../recipe'

export type StepGroup = 'lye_overnight' | 'prepare' | 'fats' | 'lye' | 'batter' | 'colours' | 'pour' | 'afterwards'

/** What a step's maker is warned of: lye, or the vapour of alcohol. */
export type Caution = 'lye' | 'alcohol'

/** One thing to do at the bench. `weigh` and `temperature` steps take a measured figure, `tick` steps only a word. */
export interface RunSheetStep {
  /** Unique in the sheet and stable, so that records find it again. */
  readonly key: string
  readonly group: StepGroup
  readonly kind: 'tick' | 'weigh' | 'temperature'
  /** Short, for the list. */
  readonly name: Sentence
  /** The instruction in full. */
  readonly title: Sentence
  readonly detail: Sentence | null
  /** Planned mass, g, or temperature, °C. */
  readonly planned: number | null
  readonly caution: Caution | null
  /** Weighed in so many equal parts, because a vessel is too small for all of it. */
  readonly parts?: number
  /** A wait that belongs to it, and what to do at its end. Minutes are estimates. */
  readonly wait?: { readonly minutes: number; readonly what: Sentence }
}

/** How a step is told: short, in full, and what else is to be known. */
export interface StepWords {
  readonly name: Sentence
  readonly title: Sentence
  readonly detail?: Sentence | null
  readonly caution?: Caution | null
}

/** A step that takes a word. */
export function tick(
  key: string,
  group: StepGroup,
  { detail = null, caution = null, ...words }: StepWords,
): RunSheetStep {
  return { key, group, kind: 'tick', ...words, detail, planned: null, caution }
}

/** A step that takes a mass. @param planned g */
export function weigh(
  key: string,
  group: StepGroup,
  planned: number,
  { detail = null, caution = null, ...words }: StepWords,
): RunSheetStep {
  return { key, group, kind: 'weigh', ...words, detail, planned, caution }
}

/** A name that the maker gave, as a sentence of its own. */
export const named = (name: string): Sentence => sentence('named', { name })

/** Key of the step that weighs a fat. */
export const fatStepKey = (fatKey: string): string => `fat:${fatKey}`
/** Key of the step that colours the pot with this place in the design. */
export const potStepKey = (index: number): string => `pot:${index}`
/** Key of the step that does the move with this place in the pour plan. */
export const moveStepKey = (index: number): string => `move:${index}`
export const waterStepKey = 'water'
export const naohStepKey = 'naoh'
export const kohStepKey = 'koh'
/** Key of the step that weighs the liquid with this place in the recipe. */
export const liquidStepKey = (index: number | ''): string => `liquid:${index}`
/** Key of the step that weighs the additive with this place in the recipe. */
export const additiveStepKey = (index: number): string => `additive:${index}`
/** Whether a step weighs an additive: little of one goes on a fine scale. */
export const weighsAdditive = ({ key }: Pick<RunSheetStep, 'key'>): boolean =>
  key.startsWith(additiveStepKey(0).slice(0, -1))
export const scentStepKey = 'scent'
/** Keys of the steps that weigh a scent: one for each part of a blend. */
export const scentStepKeys = (scent: ScentUse): readonly string[] =>
  scent.parts && scent.parts.length > 0 ? scent.parts.map((_, index) => `${scentStepKey}:${index}`) : [scentStepKey]
/** Key of the step that weighs the pieces with this place in the plan. */
export const pieceStepKey = (index: number): string => `piece:${index}`
/** Key of the step that weighs what did not go into the moulds. */
export const leftStepKey = 'left'
/** Key of the step in which lye and fats meet. */
export const emulsionStepKey = 'emulsion'
