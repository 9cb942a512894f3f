import { checkRecipe } from '@vendange/core/recipe'
import type { InferType } from 'yup'
import { array, boolean, number, object, string } from 'yup'
import { areNumbers, freeText, idText, nameText, refusals, versionNumber, wholeWithin } from './pieces'

export const cureDaysRange = { min: 0, max: 400 } as const
export const setDaysRange = { min: 1, max: 14 } as const

/** A recipe by share. What makes it safe is checked by the core. */
export const recipeSchema = object({
  name: nameText(),
  fats: array(
    object({ fatKey: string().max(64).required('Choose a fat.'), share: number().required() })
      .noUnknown()
      .required(),
  )
    .max(30)
    .required(),
  superfat: number().required(),
  lyeConcentration: number().required(),
  naohPurity: number().required(),
  setDaysMin: wholeWithin('days', setDaysRange).required(),
  setDaysMax: wholeWithin('days', setDaysRange).required(),
  cureDays: wholeWithin('days', cureDaysRange).required(),
  /** Whether its loaves are put in the oven on the night after the pour, to gel. */
  oven: boolean().required(),
  notes: freeText(),
})
  .noUnknown()
  .required()
  .test('can-be-made', function (value) {
    const isComplete =
      areNumbers(value, ['superfat', 'lyeConcentration', 'naohPurity']) &&
      Array.isArray(value.fats) &&
      value.fats.every((line) => areNumbers(line, ['share']))
    return isComplete ? refusals(this, checkRecipe(value)) : true
  })
  .test('set-days', function (value) {
    if (!areNumbers(value, ['setDaysMin', 'setDaysMax']) || value.setDaysMin <= value.setDaysMax) return true
    return this.createError({ path: 'setDaysMax', message: 'The longest time in the mould is at least the shortest.' })
  })

export const savedRecipeSchema = recipeSchema.shape({
  id: idText(),
  version: versionNumber(),
  isRemoved: boolean().required(),
})

export type NewRecipe = InferType<typeof recipeSchema>
export type SavedRecipe = InferType<typeof savedRecipeSchema>
