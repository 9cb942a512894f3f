import { massRange } from '@vendange/core/recipe'
import { phRange } from '@vendange/core/release'
import type { InferType } from 'yup'
import { boolean, lazy, number, object, string } from 'yup'
import { barsRange } from './plan'
import { dayText, freeText, idText, versionNumber, wholeWithin, within } from './pieces'

/** A tablet keeps a step that cannot be sent for so long. */
const secondsKept = 14 * 24 * 3600

/** A command line for an instrument. */
export const commandSchema = object({ line: string().max(80).required() })
  .noUnknown()
  .required()

/** A step done at the bench. `actual` in g or °C, null for a tick. */
export const stepSchema = object({
  stepKey: string().max(80).required(),
  actual: number()
    .nullable()
    .defined()
    .test(
      'finite',
      'This must be a number.',
      (value) => value === null || value === undefined || Number.isFinite(value),
    ),
  /** Lot it was taken from, when it is not the oldest. */
  lotId: string().max(64).optional(),
  /** Chosen by the tablet: a record that comes twice is taken once. */
  recordId: string().max(64).optional(),
  /** How long ago it was done, when it could not be sent at once. */
  secondsAgo: number().min(0).max(secondsKept).optional(),
  /** How many records of this pour the tablet knew: what another one did since is not written over unseen. */
  seen: number().integer().min(0).optional(),
})
  .noUnknown()
  .required()

const cutBarsRange = { min: 0, max: barsRange.max } as const
const endsRange = { min: 0, max: 100 } as const
/** One bar as weighed, g. */
export const barMassRange = { min: 1, max: massRange.max / 10 } as const

const words = (empty: string) =>
  freeText(2000).test('not-blank', empty, (value) => value === undefined || value.trim() !== '')

/** `version` counts the events that the writer had seen. */
const happening = { day: dayText(), version: versionNumber() }
const typed = <T extends string>(type: T) =>
  string()
    .oneOf([type] as const)
    .required()

export const happeningSchemas = {
  unmoulded: object({ type: typed('unmoulded'), ...happening })
    .noUnknown()
    .required(),
  cut: object({
    type: typed('cut'),
    ...happening,
    bars: wholeWithin('count', cutBarsRange).required(),
    ends: wholeWithin('count', endsRange).required(),
    firstBarG: within('mass', barMassRange).required(),
    bevelled: boolean().required(),
  })
    .noUnknown()
    .required(),
  moved: object({ type: typed('moved'), ...happening, place: words('Say where it stands.') })
    .noUnknown()
    .required(),
  weighed: object({ type: typed('weighed'), ...happening, barG: within('mass', barMassRange).required() })
    .noUnknown()
    .required(),
  photographed: object({ type: typed('photographed'), ...happening, photoId: idText() })
    .noUnknown()
    .required(),
  noted: object({ type: typed('noted'), ...happening, text: words('Write the note first.') })
    .noUnknown()
    .required(),
  held: object({ type: typed('held'), ...happening, reason: words('Say why it is held.') })
    .noUnknown()
    .required(),
  failed: object({ type: typed('failed'), ...happening, reason: words('Say what went wrong.') })
    .noUnknown()
    .required(),
  released: object({
    type: typed('released'),
    ...happening,
    bars: wholeWithin('count', barsRange).required(),
    ph: within('number', phRange).required(),
    lookIsSound: boolean().required(),
    labelIsComplete: boolean().required(),
  })
    .noUnknown()
    .required(),
  amended: object({
    type: typed('amended'),
    ...happening,
    subject: words('Say what is amended.').max(200),
    text: words('Write the amendment first.'),
  })
    .noUnknown()
    .required(),
} as const

type HappeningType = keyof typeof happeningSchemas
const isHappeningType = (type: unknown): type is HappeningType =>
  typeof type === 'string' && Object.hasOwn(happeningSchemas, type)

/** What happened to a loaf; its `type` says which of the schemas holds. */
export const happeningSchema = lazy((value: unknown) => {
  const type = typeof value === 'object' && value !== null && 'type' in value ? value.type : undefined
  return isHappeningType(type)
    ? happeningSchemas[type]
    : object({ type: string().oneOf(Object.keys(happeningSchemas)).required() }).required()
})

export type NewStep = InferType<typeof stepSchema>
export type NewHappening = { [K in HappeningType]: InferType<(typeof happeningSchemas)[K]> }[HappeningType]
