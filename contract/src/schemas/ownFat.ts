import { checkOwnFat, contentKeys, fatKinds, fatStates, fattyAcidMolarMass } from '@vendange/core/fats'
import type { FattyAcid } from '@vendange/core/fats'
import type { InferType } from 'yup'
import { array, boolean, object, string } from 'yup'
import { figure, idText, nameText, optionalDay, refusals, text, versionNumber } from './pieces'

const acids = Object.keys(fattyAcidMolarMass) as readonly FattyAcid[]
const percents = Object.fromEntries(acids.map((acid) => [acid, figure().required()])) as Record<
  FattyAcid,
  ReturnType<ReturnType<typeof figure>['required']>
>

/** What the core looks at of a fat: it is asked once every one of these is of its kind. */
const ownFatFigures = object({
  kind: string().oneOf(fatKinds).required(),
  stateAt20C: string().oneOf(fatStates).required(),
  densityGMl: figure().required(),
  densityTemperatureC: figure().required(),
  /** mg KOH a gram. */
  saponificationValue: object({
    min: figure().required(),
    typical: figure().required(),
    max: figure().required(),
  })
    .noUnknown()
    .required(),
  fattyAcidPercent: object(percents).noUnknown().nullable().defined().default(null),
  unsaponifiablePercent: figure().required(),
  contains: array(string().oneOf(contentKeys).required()).max(contentKeys.length).required(),
})

/** A fat that the workshop keeps besides those of the table. Whether it can be one is checked by the core. */
export const ownFatSchema = ownFatFigures
  .shape({
    name: nameText(),
    inci: text().max(120).defined(),
    soapInci: text().max(120).defined(),
    supplier: text().max(80).defined(),
    certificateDay: optionalDay(),
  })
  .noUnknown()
  .required()
  .test('possible', function (value) {
    return ownFatFigures.isValidSync(value, { strict: true }) ? refusals(this, checkOwnFat(value)) : true
  })

export const savedOwnFatSchema = ownFatSchema.shape({
  id: idText(),
  version: versionNumber(),
  isRemoved: boolean().required(),
})

export type NewOwnFat = InferType<typeof ownFatSchema>
export type SavedOwnFat = InferType<typeof savedOwnFatSchema>
