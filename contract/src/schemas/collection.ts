import { isTimeZone } from '@vendange/core/calendar'
import type { InferType } from 'yup'
import { array, boolean, object, string } from 'yup'
import { said } from '../said'
import { claimKeys, freeText, hexText, idText, momentText, nameText, versionNumber, wholeWithin } from './pieces'

export const collectionStates = ['idea', 'line_up', 'scheduled', 'in_work', 'ready', 'released', 'looked_back'] as const
export const channelNames = ['Web', 'Stalls', 'Shops', 'Subscribers'] as const
/** Who usually may buy early; any other may be named. */
export const audiences = ['Subscribers', 'Mailing list'] as const
/** Bars that a channel is offered or sells. */
export const channelBarsRange = { min: 0, max: 5000 } as const

/** A collection: soaps that are released together at one moment. */
export const collectionSchema = object({
  name: nameText(),
  theme: freeText(),
  palette: array(object({ name: nameText(), hex: hexText() }).noUnknown().required())
    .max(24)
    .required(),
  /** Wall time in `releaseZone`. */
  releaseLocal: momentText(),
  releaseZone: string()
    .test('zone', said('zone_missing'), (value) => value === undefined || isTimeZone(value))
    .required(),
  /** Moments before the release at which some may buy already, in the same zone. */
  early: array(
    object({
      audience: nameText(),
      local: momentText(),
      /** Through which they buy; left out where it follows from the audience. */
      channel: string().oneOf(channelNames).optional(),
      /** So many bars and no more; null or left out: as many as there are. */
      bars: wholeWithin('count', channelBarsRange).nullable().optional(),
    })
      .noUnknown()
      .required(),
  )
    .max(12)
    .required()
    .test('before-release', function (early) {
      const release = (this.parent as { releaseLocal?: string }).releaseLocal ?? ''
      const late =
        early?.findIndex((moment: { readonly local: string } | null) => moment !== null && moment.local >= release) ??
        -1
      return late < 0 || this.createError({ path: `early[${late}].local`, message: said('not_before_release') })
    }),
  channels: array(
    object({
      channel: string().oneOf(channelNames).required(),
      bars: wholeWithin('count', channelBarsRange).required(),
    })
      .noUnknown()
      .required(),
  )
    .max(12)
    .required(),
  promises: claimKeys(),
  state: string().oneOf(collectionStates).required(),
})
  .noUnknown()
  .required()

export const savedCollectionSchema = collectionSchema.shape({
  id: idText(),
  version: versionNumber(),
  isRemoved: boolean().required(),
})

export type NewCollection = InferType<typeof collectionSchema>
export type SavedCollection = InferType<typeof savedCollectionSchema>
