import { barThicknessRange, checkMould, endTrimRange, kerfRange, mouldShapes } from '@vendange/core/mould'
import type { InferType } from 'yup'
import { boolean, number, object, string } from 'yup'
import { areNumbers, idText, nameText, refusals, versionNumber, wholeWithin, within } from './pieces'

export const mouldCountRange = { min: 1, max: 50 } as const
const sizes = ['lengthMm', 'widthMm', 'heightMm', 'linerMm', 'fillHeightMm', 'cavityMl'] as const
const optionalSize = () => number().nullable().defined()

/** A mould and how its soap is cut. Sizes are checked by the core. */
export const mouldSchema = object({
  name: nameText(),
  lengthMm: number().required(),
  widthMm: number().required(),
  heightMm: number().required(),
  linerMm: number().required(),
  fillHeightMm: number().required(),
  shape: string().oneOf(mouldShapes).required(),
  topLengthMm: optionalSize(),
  topWidthMm: optionalSize(),
  logCount: number().integer().required(),
  cavityCount: number().integer().required(),
  cavityMl: number().required(),
  /** Found with water, or learned from pours. */
  measuredMl: optionalSize(),
  barThicknessMm: within('length', barThicknessRange).required(),
  endTrimMm: within('length', endTrimRange).required(),
  kerfMm: within('length', kerfRange).required(),
  /** How many of them the workshop has. */
  count: wholeWithin('count', mouldCountRange).required(),
})
  .noUnknown()
  .required()
  .test('fits', function (value) {
    return areNumbers(value, sizes) ? refusals(this, checkMould(value)) : true
  })

export const savedMouldSchema = mouldSchema.shape({
  id: idText(),
  version: versionNumber(),
  isRemoved: boolean().required(),
})

export type NewMould = InferType<typeof mouldSchema>
export type SavedMould = InferType<typeof savedMouldSchema>
