import type { Sentence } from '@vendange/core/findings'
import { sentence } from '@vendange/core/findings'
import type { InferType } from 'yup'
import { array, number, object, string, ValidationError } from 'yup'
import { mostMoves } from '@vendange/core/pour'
import { atField, faultsOf } from './faults'
import { said } from './said'
import { hexText, nameText } from './schemas/pieces'
import { faceSchema, moveSchema } from './schemas/pour'

export const pourPlanFormat = 'vendange-pour-plan'

/** A pour plan as a file: see docs/formats/pour-plan.md. */
export const pourPlanFileSchema = object({
  format: string()
    .oneOf([pourPlanFormat] as const)
    .required(),
  version: number()
    .oneOf([1] as const)
    .required(),
  name: nameText(),
  pots: array(object({ name: nameText(), hex: hexText() }).noUnknown().required())
    .max(12)
    .required(),
  moves: array(moveSchema)
    .max(mostMoves, said('too_many_moves', { most: mostMoves }))
    .required(),
  face: faceSchema,
})
  .noUnknown()
  .required()
export type PourPlanFile = InferType<typeof pourPlanFileSchema>

/** What was read of a file, or what is wrong with it. */
export type PourPlanRead =
  { readonly ok: true; readonly plan: PourPlanFile } | { readonly ok: false; readonly problem: Sentence }

/** Reads a pour plan from a file. Never throws on what a file may hold. */
export function readPourPlan(text: string): PourPlanRead {
  let content: unknown
  try {
    content = JSON.parse(text)
  } catch {
    return { ok: false, problem: sentence('pour_plan_not_json') }
  }
  try {
    return { ok: true, plan: pourPlanFileSchema.validateSync(content, { strict: true, abortEarly: true }) }
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    const [first] = faultsOf(error)
    return { ok: false, problem: sentence('pour_plan_unread', { problem: first ? atField(first) : '' }) }
  }
}
