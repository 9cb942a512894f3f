import type { ScentUse } from '../recipe'

export type StepGroup =
  | 'Lye, the night before'
  | 'Prepare'
  | 'Weigh the fats'
  | 'Lye'
  | 'Batter'
  | 'Colours and scent'
  | 'Pour'
  | 'Afterwards'

/** One thing to do at the bench. `weigh` and `temperature` steps take a measured figure, `tick` steps only a word. */
export interface RunSheetStep {
  /** Unique in the sheet and stable, so that records find it again. */
  readonly key: string
  readonly group: StepGroup
  readonly kind: 'tick' | 'weigh' | 'temperature'
  /** Short, for the list. */
  readonly name: string
  /** The instruction in full. */
  readonly title: string
  readonly detail: string
  /** Planned mass, g, or temperature, °C. */
  readonly planned: number | null
  /** Plain words where lye, heat or alcohol count. */
  readonly caution: string | null
  /** A wait that belongs to it, and what to do at its end. Minutes are estimates. */
  /** Weighed in so many equal parts, because a vessel is too small for all of it. */
  readonly parts?: number
  readonly wait?: { readonly minutes: number; readonly what: string }
}

/** A step that takes a word. */
export function tick(
  key: string,
  group: StepGroup,
  name: string,
  title: string,
  detail: string,
  caution: string | null = null,
): RunSheetStep {
  return { key, group, kind: 'tick', name, title, detail, planned: null, caution }
}

/** A step that takes a mass, g. */
export function weigh(
  key: string,
  group: StepGroup,
  name: string,
  title: string,
  planned: number,
  detail = '',
  caution: string | null = null,
): RunSheetStep {
  return { key, group, kind: 'weigh', name, title, detail, planned, caution }
}

/** Key of the step that weighs a fat. */
export const fatStepKey = (fatKey: string): string => `fat:${fatKey}`
/** Key of the step that colours the pot with this place in the design. */
export const potStepKey = (index: number): string => `pot:${index}`
export const waterStepKey = 'water'
export const naohStepKey = 'naoh'
export const kohStepKey = 'koh'
/** Key of the step that weighs the liquid with this place in the recipe. */
export const liquidStepKey = (index: number): string => `liquid:${index}`
/** Key of the step that weighs the additive with this place in the recipe. */
export const additiveStepKey = (index: number): string => `additive:${index}`
export const scentStepKey = 'scent'
/** Keys of the steps that weigh a scent: one for each part of a blend. */
export const scentStepKeys = (scent: ScentUse): readonly string[] =>
  scent.parts && scent.parts.length > 0 ? scent.parts.map((_, index) => `${scentStepKey}:${index}`) : [scentStepKey]
/** Key of the step that weighs what did not go into the moulds. */
export const leftStepKey = 'left'
/** Key of the step in which lye and fats meet. */
export const emulsionStepKey = 'emulsion'
