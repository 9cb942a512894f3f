import { loafEventSchemas, recipeSchema } from '@vendange/contract'
import { pourSession, runSheet } from '@vendange/core/batch'
import { isNearDay } from '@vendange/core/calendar'
import { loafState, saleChannels } from '@vendange/core/loaf'
import type { LoafEvent, LoafState } from '@vendange/core/loaf'
import type { AnyObject } from 'yup'
import { array, boolean, mixed, number, object, string } from 'yup'
import type { FrozenBatch } from '../schema'

// What the rows are held against that no message describes as a whole.

const mostCount = 1e9
const figure = () => number().min(-mostCount).max(mostCount)
const whole = () => number().integer().min(0).max(mostCount)
const day = () => string().test('day', 'no day', (value) => value === undefined || value === null || isNearDay(value))
const instant = () =>
  string()
    .required()
    .test('day', 'no moment', (value) => !Number.isNaN(Date.parse(value)))
const id = () => string().required()

/** Whether something works on it, whatever it is. */
function works(work: () => unknown): boolean {
  try {
    work()
    return true
  } catch {
    return false
  }
}

const canBePoured = ({ plan, demand, moreMoulds }: FrozenBatch): boolean =>
  works(() => {
    pourSession(plan, [])
    runSheet(plan)
    if (!Number.isFinite(demand.cureDays) || !Array.isArray(moreMoulds)) throw new RangeError('Expected a demand')
  })

export const batchRowSchema = object({
  id: id(),
  version: whole().required(),
  isRemoved: boolean().required(),
  designId: id(),
  pourDay: day().required(),
  cutDay: day().nullable().defined(),
  isPinned: boolean().required(),
  label: string().defined(),
  own: object({
    mouldId: id(),
    mouldCount: whole().required(),
    barsWanted: whole().required(),
    barThicknessMm: figure().required(),
    fillHeightMm: figure().optional(),
  })
    .nullable()
    .defined(),
  timingSetAside: string().nullable().defined(),
  status: string().oneOf(['planned', 'in_work', 'poured']).required(),
  frozen: mixed<FrozenBatch>()
    .nullable()
    .defined()
    .test(
      'day',
      'cannot be poured',
      (frozen) => frozen === null || (typeof frozen === 'object' && canBePoured(frozen)),
    ),
})

export const benchRecordSchema = object({
  batchId: id(),
  stepKey: id(),
  actual: figure().nullable().defined(),
  lots: array(object({ lotId: id(), amount: figure().required() }))
    .nullable()
    .defined(),
  recordId: string().nullable().defined(),
  at: instant(),
  makerId: id(),
})

export const lotUseSchema = object({ batchId: id(), stepKey: id(), lotId: id(), amount: figure().required() })

const knownStatuses = ['in_mould', 'unmoulded', 'curing', 'held', 'failed', 'released']
export const loafRowSchema = object({
  id: id(),
  batchId: id(),
  part: whole().required(),
  lotCode: id(),
  status: string().oneOf(knownStatuses).required(),
  version: whole().required(),
  state: mixed<LoafState>()
    .nullable()
    .defined()
    .test('day', 'no state', (state) => state === null || (typeof state === 'object' && Array.isArray(state.channels))),
  isDone: boolean().required(),
})

const ownEvents: Readonly<Record<string, AnyObject>> = {
  poured: { batterG: figure().required() },
  allotted: { bars: whole().required(), channel: string().oneOf(saleChannels).required(), allotmentId: id() },
  sold: { bars: whole().required(), channel: string().oneOf(saleChannels).required(), saleId: id() },
}

function isLoafEvent(event: unknown): event is LoafEvent {
  if (typeof event !== 'object' || event === null) return false
  const { type } = event as { readonly type?: unknown }
  if (typeof type !== 'string') return false
  const own = Object.hasOwn(ownEvents, type) ? object({ ...ownEvents[type], day: day().required() }) : undefined
  const schema = Object.hasOwn(loafEventSchemas, type)
    ? loafEventSchemas[type as keyof typeof loafEventSchemas]
    : undefined
  const isWhole =
    own?.isValidSync(event, { strict: true }) ?? schema?.isValidSync({ ...event, version: 0 }, { strict: true })
  return isWhole === true && works(() => loafState([event as LoafEvent]))
}

export const loafEventRowSchema = object({
  loafId: id(),
  sequence: whole().required(),
  event: mixed().test('day', 'no event', (event) => isLoafEvent(event)),
  at: instant(),
  makerId: id(),
})

export const dayTickRowSchema = object({ day: day().required(), taskKey: id(), at: instant(), makerId: id() })
export const roomReadingRowSchema = object({
  day: day().required(),
  temperatureC: figure().required(),
  humidity: figure().required(),
})
export const recipeVersionSchema = object({ recipeId: id(), at: instant(), details: recipeSchema })
export const shopOfferRowSchema = object({
  designId: id(),
  name: id(),
  offered: whole().required(),
  priceCents: whole().required(),
})
export const shopSaleRowSchema = object({
  number: whole().required(),
  designId: id(),
  bars: whole().required(),
  buyer: string().defined(),
  day: day().required(),
})

export const owedSaleRowSchema = object({
  saleId: id(),
  day: day().required(),
  designId: id(),
  channel: string()
    .oneOf([...saleChannels])
    .required(),
  bars: whole().required(),
  buyer: string().defined(),
  priceCents: whole().nullable().defined(),
  why: string().defined(),
  at: instant(),
  makerId: id(),
  settled: string().oneOf(['free_bar', 'money_back']).nullable().defined(),
  settledAt: string().nullable().defined(),
  settledBy: string().nullable().defined(),
})
