import { edgeGroups, faultKeys, finishes, planedFacesRange, planedRange } from '@vendange/core/cutting'
import type { LoafEvent } from '@vendange/core/loaf'
import { feelWords, foamWords, lesserUses, saleChannels, smellWords } from '@vendange/core/loaf'
import { massRange } from '@vendange/core/recipe'
import { phRange } from '@vendange/core/release'
import type { AnySchema, InferType, Message } from 'yup'
import { array, boolean, lazy, mixed, number, object, string } from 'yup'
import { said } from '../said'
import { barsRange } from './plan'
import {
  dayText,
  figure,
  freeText,
  hexText,
  idText,
  nameText,
  tally,
  text,
  versionNumber,
  wholeWithin,
  within,
} from './pieces'
import { priceRange } from './workshop'

/** A device keeps what cannot be sent for so long. */
const secondsKept = 14 * 24 * 3600

/** A command line for an instrument. */
export const commandSchema = object({ line: text().max(80).required() })
  .noUnknown()
  .required()

/** A step done at the bench. `actual` in g or °C, null for a tick. */
export const stepSchema = object({
  stepKey: text().max(80).required(),
  actual: figure().nullable().defined(),
  /** Done without its figure: by eye, by jug. */
  isUnweighed: boolean().optional(),
  /** Lot it was taken from, when it is not the oldest. */
  lotId: idText().optional(),
  /** Chosen by the tablet: a record that comes twice is taken once. */
  recordId: idText().optional(),
  /** How long ago it was done, when it could not be sent at once. */
  secondsAgo: number().min(0).max(secondsKept).optional(),
  /** How many records of this pour the tablet knew: what another one did since is not written over unseen. */
  seen: tally().optional(),
})
  .noUnknown()
  .required()

/** Why a timed pour is not learned from: a test, a slip; null: it is again. */
export const timingSetAsideSchema = object({
  reason: text().trim().min(1, said('set_aside_why')).max(200).nullable().defined(),
})
  .noUnknown()
  .required()
export type TimingSetAside = InferType<typeof timingSetAsideSchema>

const cutBarsRange = { min: 0, max: barsRange.max } as const
const endsRange = { min: 0, max: 100 } as const
/** One bar as weighed, g. */
export const barMassRange = { min: 1, max: massRange.max / 10 } as const

/** Turns of a wet bar until it foams. */
export const rubsRange = { min: 1, max: 200 } as const
/** Washes until a bar is used up. */
export const washesRange = { min: 1, max: 5000 } as const

const words = (empty: Message) =>
  freeText(2000).test('not-blank', empty, (value) => value === undefined || value.trim() !== '')

const event = {
  day: dayText(),
  /** Counts the events that the writer had seen. */
  version: versionNumber(),
  /** Chosen by the screen: an event that comes twice is taken once. */
  eventId: idText().optional(),
  /** How long ago it happened, when it could not be sent at once. */
  secondsAgo: number().min(0).max(secondsKept).optional(),
}
const typed = <T extends string>(type: T) =>
  string()
    .oneOf([type] as const)
    .required()

const scrapRange = { min: 0, max: massRange.max } as const
const finishMinutesRange = { min: 0, max: 24 * 60 } as const
const faultField = () => string().oneOf(faultKeys).required()
const channelField = () => string().oneOf(saleChannels).required()

/** A loaf is poured at the bench; bars are put by for buyers and sold to them by the lists of the release. */
type EventOfItsOwnWay = 'poured' | 'allotted' | 'sold'

/** What a page may write down of a loaf: each kind of event but those that come about by a way of their own. */
export const loafEventSchemas = {
  unmoulded: object({ type: typed('unmoulded'), ...event })
    .noUnknown()
    .required(),
  cut: object({
    type: typed('cut'),
    ...event,
    bars: wholeWithin('count', cutBarsRange).required(),
    ends: wholeWithin('count', endsRange).required(),
    firstBarG: within('mass', barMassRange).required(),
    bevelled: boolean().required(),
    others: array(
      object({ name: nameText(), count: wholeWithin('count', cutBarsRange).required() })
        .noUnknown()
        .required(),
    )
      .max(8)
      .optional(),
  })
    .noUnknown()
    .required(),
  scrapped: object({
    type: typed('scrapped'),
    ...event,
    massG: within('mass', scrapRange).required(),
    colour: nameText(),
    hex: hexText(),
  })
    .noUnknown()
    .required(),
  scrap_used: object({
    type: typed('scrap_used'),
    ...event,
    massG: within('mass', scrapRange).required(),
    colour: nameText(),
    use: words(said('which_soap')),
    batchId: idText().optional(),
  })
    .noUnknown()
    .required(),
  fault_found: object({ type: typed('fault_found'), ...event, fault: faultField(), text: freeText() })
    .noUnknown()
    .required(),
  fault_closed: object({
    type: typed('fault_closed'),
    ...event,
    fault: faultField(),
    text: words(said('remedy_missing')),
  })
    .noUnknown()
    .required(),
  finished: object({
    type: typed('finished'),
    ...event,
    finish: string().oneOf(finishes).required(),
    bars: wholeWithin('count', barsRange).required(),
    minutes: within('number', finishMinutesRange).required(),
    removedG: within('mass', scrapRange).nullable().defined(),
    planed: object({
      planedMm: within('length', planedRange).required(),
      faces: wholeWithin('count', planedFacesRange).required(),
      across: string().oneOf(edgeGroups).optional(),
    })
      .noUnknown()
      .optional()
      .default(undefined),
  })
    .noUnknown()
    .required(),
  downgraded: object({
    type: typed('downgraded'),
    ...event,
    bars: wholeWithin('count', barsRange).required(),
    to: string().oneOf(lesserUses).required(),
    reason: words(said('reason_missing')),
  })
    .noUnknown()
    .required(),
  given_back: object({
    type: typed('given_back'),
    ...event,
    bars: wholeWithin('count', barsRange).required(),
    channel: channelField(),
    reason: freeText(),
    who: text().max(200).optional(),
  })
    .noUnknown()
    .required(),
  recalled: object({ type: typed('recalled'), ...event, reason: words(said('recall_reason_missing')) })
    .noUnknown()
    .required(),
  moved: object({ type: typed('moved'), ...event, place: words(said('place_missing')) })
    .noUnknown()
    .required(),
  weighed: object({
    type: typed('weighed'),
    ...event,
    barG: within('mass', barMassRange).required(),
    isSure: boolean().optional(),
  })
    .noUnknown()
    .required(),
  turned: object({ type: typed('turned'), ...event })
    .noUnknown()
    .required(),
  photographed: object({ type: typed('photographed'), ...event, photoId: idText() })
    .noUnknown()
    .required(),
  noted: object({ type: typed('noted'), ...event, text: words(said('note_missing')) })
    .noUnknown()
    .required(),
  tried: object({
    type: typed('tried'),
    ...event,
    rubs: wholeWithin('count', rubsRange).nullable().defined(),
    foam: string().oneOf(foamWords).nullable().defined(),
    feel: string().oneOf(feelWords).nullable().defined(),
    smell: string().oneOf(smellWords).nullable().defined(),
    lasted: object({
      washes: wholeWithin('count', washesRange).required(),
      barG: within('mass', barMassRange).required(),
    })
      .noUnknown()
      .nullable()
      .defined(),
  })
    .noUnknown()
    .required(),
  held: object({ type: typed('held'), ...event, reason: words(said('hold_reason_missing')) })
    .noUnknown()
    .required(),
  failed: object({ type: typed('failed'), ...event, reason: words(said('failure_missing')) })
    .noUnknown()
    .required(),
  released: object({
    type: typed('released'),
    ...event,
    bars: wholeWithin('count', barsRange).required(),
    ph: within('number', phRange).required(),
    lookIsSound: boolean().required(),
    labelIsComplete: boolean().required(),
    overrideReason: words(said('override_reason_missing')).optional(),
  })
    .noUnknown()
    .required(),
  amended: object({
    type: typed('amended'),
    ...event,
    subject: words(said('amendment_subject_missing')).max(200),
    text: words(said('amendment_missing')),
  })
    .noUnknown()
    .required(),
} as const satisfies Readonly<Record<Exclude<LoafEvent['type'], EventOfItsOwnWay>, AnySchema>>

type LoafEventType = keyof typeof loafEventSchemas
const isLoafEventType = (type: unknown): type is LoafEventType =>
  typeof type === 'string' && Object.hasOwn(loafEventSchemas, type)

/** What happened to a loaf; its `type` says which of the schemas holds. */
export const loafEventSchema = lazy((value: unknown) => {
  const type = typeof value === 'object' && value !== null && 'type' in value ? value.type : undefined
  return isLoafEventType(type)
    ? loafEventSchemas[type]
    : object({ type: string().oneOf(Object.keys(loafEventSchemas)).required() }).required()
})

/** Bars of a soap given out, oldest ready first. */
export const allotmentSchema = object({
  designId: idText(),
  bars: wholeWithin('count', barsRange).required(),
  channel: channelField(),
  who: freeText(200),
  orderId: idText().nullable().defined(),
})
  .noUnknown()
  .required()

/** Bars of several soaps given out at once: all of it, or none. */
export const givingOutSchema = object({ gifts: array(allotmentSchema).min(1).max(200).required() })
  .noUnknown()
  .required()

/** Bars sold, as a shop or a table of sales reports them. `lotCode` empty: of whichever lot was set aside first. */
export const saleSchema = object({
  saleId: text().max(120).required(),
  day: dayText(),
  designId: idText(),
  lotCode: text().max(40).defined(),
  channel: channelField(),
  bars: wholeWithin('count', barsRange).required(),
  buyer: freeText(200),
  priceCents: wholeWithin('money', priceRange).nullable().defined(),
})
  .noUnknown()
  .required()
/** Each line is held against {@link saleSchema} by itself, so that a wrong one does not take the others with it. */
export const salesSchema = object({ sales: array(mixed<NewSale>().required()).max(5000).required() })
  .noUnknown()
  .required()

/** How a sale that found no bar is settled. */
export const saleSettlingSchema = object({
  saleId: text().max(120).required(),
  how: string().oneOf(['free_bar', 'money_back']).required(),
})
  .noUnknown()
  .required()

export type SaleSettling = InferType<typeof saleSettlingSchema>
export type GivingOut = InferType<typeof givingOutSchema>
export type NewAllotment = InferType<typeof allotmentSchema>
export type NewSale = InferType<typeof saleSchema>
export type NewStep = InferType<typeof stepSchema>
export type NewLoafEvent = { [K in LoafEventType]: InferType<(typeof loafEventSchemas)[K]> }[LoafEventType]
export type SalesReport = InferType<typeof salesSchema>
export type InstrumentCommand = InferType<typeof commandSchema>
