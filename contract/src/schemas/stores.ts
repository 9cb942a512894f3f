import { ingredientKinds, mostStoresRows, repeatedLots } from '@vendange/core/stores'
import { findFat, isOwnFatKey } from '@vendange/core/fats'
import type { Makeup } from '@vendange/core/recipe'
import { densityRange } from '@vendange/core/recipe'
import type { InferType } from 'yup'
import { array, boolean, number, object, string } from 'yup'
import { said } from '../said'
import { centsRange } from './workshop'
import { dayText, freeText, idText, nameText, optionalDay, text, versionNumber, wholeWithin, within } from './pieces'

export const deliveryDaysRange = { min: 0, max: 365 } as const
/** g or pieces. */
export const amountRange = { min: 0, max: 1_000_000 } as const
export const perBarRange = { min: 0, max: 100 } as const
export const lotPriceRange = { min: 0, max: 100_000_000 } as const
/** mg of KOH a gram of fat, as no fat lies outside of. */
export const certifiedSapRange = { min: 80, max: 400 } as const
export const certifiedToleranceRange = { min: 0, max: 20 } as const

const kind = () => string().oneOf(ingredientKinds).required()
const amount = () => within('number', amountRange).required()

const share = () => within('share', { min: 0, max: 1 }).required()
const makeupSchema = () =>
  object({ waterShare: share(), sugarShare: share(), fatShare: share(), alcoholShare: share() })
    .noUnknown()
    .test('parts-of-one', function (value) {
      const { waterShare = 0, sugarShare = 0, fatShare = 0, alcoholShare = 0 } = (value ?? {}) as Partial<Makeup>
      const over = waterShare + sugarShare + fatShare + alcoholShare > 1 + 1e-9
      return over ? this.createError({ message: said('makeup_over') }) : true
    })

/** What the stores keep of one thing. */
export const ingredientSchema = object({
  kind: kind(),
  name: nameText(),
  ref: text().max(64).defined(),
  leadDays: wholeWithin('days', deliveryDaysRange).required(),
  packSize: amount(),
  perBar: within('number', perBarRange).required(),
  /** g/ml, where the workshop knows better than the table. */
  densityGMl: within('density', densityRange).nullable().defined().default(null),
  /** What a liquid or additive is made of, where the workshop knows better than the library. */
  makeup: makeupSchema().nullable().defined().default(null),
  /** Its INCI name or colour index number, as it stands on a label. */
  inci: text().max(200).defined().default(''),
  /** Cents a kg, or each piece of what is counted, where no lot tells it; 0: not known. */
  listCents: within('money', centsRange).required().default(0),
  /** Whether that is an estimate, and no supplier's list. */
  isListEstimate: boolean().required().default(true),
  notes: freeText(),
})
  .noUnknown()
  .required()
  .test('ref', function (value) {
    // This looks before the fields themselves are looked at.
    if (typeof (value as Partial<typeof value> | undefined)?.ref !== 'string') return true
    if (value?.kind === 'fat' && findFat(value.ref) === undefined && !isOwnFatKey(value.ref))
      return this.createError({ path: 'ref', message: said('which_fat') })
    if (value?.kind === 'alkali' && value.ref !== 'naoh' && value.ref !== 'koh')
      return this.createError({ path: 'ref', message: said('which_alkali') })
    return true
  })

export const savedIngredientSchema = ingredientSchema.shape({
  id: idText(),
  version: versionNumber(),
  isRemoved: boolean().required(),
})

/** A delivery of an ingredient, come or on its way. */
export const lotSchema = object({
  ingredientId: idText(),
  supplier: text().max(80).defined(),
  lotNumber: text().max(80).defined(),
  receivedDay: dayText(),
  openedDay: optionalDay(),
  bestBeforeDay: optionalDay(),
  isRecalled: boolean().required(),
  receivedAmount: amount(),
  /** What counting found over, or below zero under, what the records leave. */
  adjustment: number().min(-amountRange.max).max(amountRange.max).required(),
  priceCents: wholeWithin('money', lotPriceRange).required(),
  /** Its part of what the delivery cost to bring. */
  carriageCents: wholeWithin('money', lotPriceRange).required().default(0),
  /** The supplier's figure for this lot of a fat: mg KOH a gram, give or take, and its day. */
  certificate: object({
    sapKoh: within('number', certifiedSapRange).required(),
    tolerance: within('number', certifiedToleranceRange).required(),
    day: dayText(),
  })
    .noUnknown()
    .nullable()
    .defined()
    .default(null),
  /** Of oil that a herb steeps in here: what it is made of, and whether it was strained. */
  infusion: object({
    startedDay: dayText(),
    parts: array(object({ lotId: idText(), amount: amount() }).noUnknown().required())
      .max(60)
      .required(),
    oilG: amount(),
    herbG: amount(),
    herb: nameText(),
    isStrained: boolean().required(),
  })
    .noUnknown()
    .nullable()
    .optional(),
})
  .noUnknown()
  .required()

export const savedLotSchema = lotSchema.shape({
  id: idText(),
  version: versionNumber(),
  isRemoved: boolean().required(),
})

const rowsSchema = array(
  object({
    kind: kind(),
    name: nameText(),
    ref: text().max(64).defined(),
    leadDays: wholeWithin('days', deliveryDaysRange).nullable().defined(),
    lot: object({
      supplier: text().max(80).defined(),
      lotNumber: text().max(80).defined(),
      receivedDay: dayText(),
      bestBeforeDay: optionalDay(),
      receivedAmount: amount(),
      leftAmount: within('number', amountRange).nullable().defined(),
      priceCents: wholeWithin('money', lotPriceRange).required(),
    })
      .noUnknown()
      .nullable()
      .defined()
      .default(null),
  })
    .noUnknown()
    .required(),
)
  .min(1, said('nothing_to_take_in'))
  .max(mostStoresRows)
  .required()

/** Lines of a stores file, as they were read and shown. */
export const storesImportSchema = object({
  rows: rowsSchema,
})
  .noUnknown()
  .required()
  .test('lots-once', function (value) {
    // This looks before the lines themselves are looked at: what is amiss in one is told by itself.
    const areRows = rowsSchema.isValidSync((value as typeof value | undefined)?.rows, { strict: true })
    const [repeated] = areRows ? repeatedLots(value.rows) : []
    return repeated === undefined ? true : this.createError({ path: `rows[${repeated}]`, message: said('lot_twice') })
  })

/** Prices of things that no lot has one for, as their maker reckons them; what the stores do not keep yet comes in. */
export const statedPricesSchema = object({
  prices: array(
    object({
      kind: kind(),
      name: nameText(),
      ref: text().max(64).defined(),
      listCents: within('money', centsRange).moreThan(0).required(),
    })
      .noUnknown()
      .required(),
  )
    .min(1)
    .max(200)
    .required(),
})
  .noUnknown()
  .required()

export type StatedPrices = InferType<typeof statedPricesSchema>
/** A herb that is put into an oil of the stores. */
export const newInfusionSchema = object({
  /** The oil's ingredient. */
  oilId: idText(),
  oilG: amount().moreThan(0),
  /** The herb's ingredient; null: the stores do not keep it. */
  herbId: idText().nullable().defined(),
  herb: nameText(),
  herbG: amount().moreThan(0),
  /** Until it is strained. */
  days: wholeWithin('days', deliveryDaysRange).required(),
  /** What the infused oil is called. */
  name: nameText(),
})
  .noUnknown()
  .required()

/** What came out of an infusion. */
export const strainedSchema = object({ yieldG: amount().moreThan(0), version: versionNumber() })
  .noUnknown()
  .required()

export type NewInfusion = InferType<typeof newInfusionSchema>
export type Strained = InferType<typeof strainedSchema>
export type NewIngredient = InferType<typeof ingredientSchema>
export type SavedIngredient = InferType<typeof savedIngredientSchema>
export type NewLot = InferType<typeof lotSchema>
export type SavedLot = InferType<typeof savedLotSchema>
export type StoresImport = InferType<typeof storesImportSchema>
