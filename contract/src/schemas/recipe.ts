import { contentKeys, isOwnFatKey } from '@vendange/core/fats'
import {
  additiveBases,
  additivePlaces,
  blendings,
  checkRecipe,
  cureSchools,
  gelSchools,
  liquidPlaces,
  lyeSchools,
  scentSchools,
  waterStyles,
  wettings,
} from '@vendange/core/recipe'
import type { InferType } from 'yup'
import { array, boolean, object, string } from 'yup'
import { said } from '../said'
import {
  areNumbers,
  claimKeys,
  figure,
  freeText,
  idText,
  nameText,
  refusals,
  versionNumber,
  wholeWithin,
  text,
} from './pieces'

export const cureDaysRange = { min: 0, max: 400 } as const
export const setDaysRange = { min: 1, max: 14 } as const

const contents = () => array(string().oneOf(contentKeys).required()).max(contentKeys.length).required()

/** What the core reckons with of a recipe: it is asked once every one of these is of its kind. */
const recipeFigures = object({
  fats: array(
    object({
      fatKey: text().max(64).required(said('fat_missing')),
      share: figure().required(),
      atTrace: boolean().required(),
    })
      .noUnknown()
      .required(),
  )
    .max(30)
    .required(),
  superfat: figure().required(),
  lyeConcentration: figure().required(),
  naohPurity: figure().required(),
  kohShare: figure().required(),
  kohPurity: figure().required(),
  /** Which figure for the water the maker keeps; it is reckoned with the concentration. */
  waterStyle: string().oneOf(waterStyles).required(),
  liquids: array(
    object({
      name: nameText(),
      waterShare: figure().required(),
      partOfWater: figure().required(),
      place: string().oneOf(liquidPlaces).required(),
      contains: contents(),
    })
      .noUnknown()
      .required(),
  )
    .max(12)
    .required(),
  additives: array(
    object({
      name: nameText(),
      basis: string().oneOf(additiveBases).required(),
      rate: figure().required(),
      place: string().oneOf(additivePlaces).required(),
      wetting: object({ with: string().oneOf(wettings).required(), ratio: figure().required() })
        .noUnknown()
        .nullable()
        .defined()
        .default(null),
      contains: contents(),
    })
      .noUnknown()
      .required(),
  )
    .max(30)
    .required(),
  /** Whether more lye makes up for what acids take up. Recipes from before it is asked do not. */
  meetsAcids: boolean().optional(),
  /** What every bar of this recipe shall be. */
  claims: claimKeys(),
  setDaysMin: wholeWithin('days', setDaysRange).required(),
  setDaysMax: wholeWithin('days', setDaysRange).required(),
  cureDays: wholeWithin('days', cureDaysRange).required(),
  /** Whether its loaves are put in the oven on the night after the pour, to gel. */
  oven: boolean().required(),
  /** When the lye is made, what becomes of the first night's heat, when the scent goes in. */
  school: object({
    lye: string().oneOf(lyeSchools).required(),
    gel: string().oneOf(gelSchools).required(),
    scent: string().oneOf(scentSchools).required(),
    blending: string().oneOf(blendings).optional(),
    cure: string().oneOf(cureSchools).optional(),
  })
    .noUnknown()
    .required(),
})

/** A recipe by share. What makes it safe is checked by the core. */
export const recipeSchema = recipeFigures
  .shape({ name: nameText(), notes: freeText() })
  .noUnknown()
  .required()
  .test('can-be-made', function (value) {
    // Fats of the workshop's own are known to the workshop alone, which checks the recipe with them.
    const isCheckedHere =
      recipeFigures.isValidSync(value, { strict: true }) && !value.fats.some(({ fatKey }) => isOwnFatKey(fatKey))
    return isCheckedHere ? refusals(this, checkRecipe(value)) : true
  })
  .test('set-days', function (value) {
    if (!areNumbers(value, ['setDaysMin', 'setDaysMax']) || value.setDaysMin <= value.setDaysMax) return true
    return this.createError({ path: 'setDaysMax', message: said('set_days_order') })
  })

export const savedRecipeSchema = recipeSchema.shape({
  id: idText(),
  version: versionNumber(),
  isRemoved: boolean().required(),
})

export type NewRecipe = InferType<typeof recipeSchema>
export type SavedRecipe = InferType<typeof savedRecipeSchema>
