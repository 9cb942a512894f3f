import { checkOwnFat, contentKeys, fatKinds, fatStates, fattyAcidMolarMass } from '@vendange/core/fats'
import type { FattyAcid } from '@vendange/core/fats'
import type { InferType } from 'yup'
import { array, boolean, object, string } from 'yup'
import { areNumbers, figure, idText, nameText, optionalDay, refusals, versionNumber } from './pieces'

const acids = Object.keys(fattyAcidMolarMass) as readonly FattyAcid[]
const percents = Object.fromEntries(acids.map((acid) => [acid, figure().required()])) as Record<
  FattyAcid,
  ReturnType<ReturnType<typeof figure>['required']>
>

/** A fat that the workshop keeps besides those of the table. Whether it can be one is checked by the core. */
export const ownFatSchema = object({
  name: nameText(),
  inci: string().max(120).defined(),
  soapInci: string().max(120).defined(),
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
  supplier: string().max(80).defined(),
  certificateDay: optionalDay(),
})
  .noUnknown()
  .required()
  .test('possible', function (value) {
    const isComplete =
      areNumbers(value, ['densityGMl', 'unsaponifiablePercent']) &&
      areNumbers(value.saponificationValue, ['min', 'typical', 'max'])
    return isComplete ? refusals(this, checkOwnFat(value)) : true
  })

export const savedOwnFatSchema = ownFatSchema.shape({
  id: idText(),
  version: versionNumber(),
  isRemoved: boolean().required(),
})

export type NewOwnFat = InferType<typeof ownFatSchema>
export type SavedOwnFat = InferType<typeof savedOwnFatSchema>
