import {
  barThicknessRange,
  cavityCountRange,
  cavityRange,
  checkMould,
  endTrimRange,
  kerfRange,
  logCountRange,
  mouldShapes,
  mouldSideRange,
  wallRange,
} from '@vendange/core/mould'
import type { InferType } from 'yup'
import { boolean, object, string } from 'yup'
import {
  areNumbers,
  figure,
  idText,
  nameText,
  refusals,
  unusedOrWithin,
  versionNumber,
  wholeWithin,
  within,
} from './pieces'

export const mouldCountRange = { min: 1, max: 50 } as const
const sizes = ['lengthMm', 'widthMm', 'heightMm', 'linerMm', 'fillHeightMm', 'cavityMl'] as const
const optionalSize = () => figure().nullable().defined()

/** A mould and how its soap is cut. Sizes are checked by the core. */
export const mouldSchema = object({
  name: nameText(),
  lengthMm: unusedOrWithin('length', mouldSideRange).required(),
  widthMm: unusedOrWithin('length', mouldSideRange).required(),
  heightMm: unusedOrWithin('length', mouldSideRange).required(),
  linerMm: figure().required(),
  /** Thickness of walls and floor; 0: not known. */
  wallMm: within('length', wallRange).required(),
  baseMm: within('length', wallRange).required(),
  fillHeightMm: unusedOrWithin('length', mouldSideRange).required(),
  shape: string().oneOf(mouldShapes).required(),
  topLengthMm: optionalSize(),
  topWidthMm: optionalSize(),
  logCount: unusedOrWithin('count', logCountRange).integer().required(),
  cavityCount: unusedOrWithin('count', cavityCountRange).integer().required(),
  cavityMl: unusedOrWithin('volume', cavityRange).required(),
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
