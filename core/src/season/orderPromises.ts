import type { Day } from '../calendar'
import { addDays, daysBetween } from '../calendar'
import type { Finding } from '../findings'
import { quantity, warn } from '../findings'
import type { PlannedBatch } from './plannedBatch'

/** An accepted order, and the day that was promised for it. */
export interface PromisedOrder {
  readonly id: string
  readonly client: string
  readonly state: string
  readonly promisedDay: Day | null
  /** The collection that it became. */
  readonly collectionId: string | null
}

/** A pour as a promise sees it. */
export interface PromisedPour extends Pick<PlannedBatch, 'id' | 'demand' | 'days'> {
  readonly designId: string
  readonly status: 'planned' | 'in_work' | 'poured'
}

/** The calendar as far as promises hang on it. */
export interface PromisedCalendar {
  readonly today: Day
  readonly orders: readonly PromisedOrder[]
  readonly designs: readonly { readonly id: string; readonly collectionId: string; readonly isRemoved: boolean }[]
  readonly batches: readonly PromisedPour[]
}

/** A pour of a plan, on other days than it stands on. */
export interface PlannedMove {
  readonly batchId: string
  /** Undefined: it is taken off the calendar. */
  readonly days: { readonly pourDay: Day; readonly cutDay: Day } | undefined
}

/** What was promised for an order beside what is to be expected of it. */
export interface OrderForecast {
  readonly order: PromisedOrder & { readonly promisedDay: Day }
  /** The last of its pours is cured on this day, as it stands today; undefined where it has no pour. */
  readonly readyDay: Day | undefined
  /** Days after the promised day; negative: days before it. Undefined where there is no day. */
  readonly lateDays: number | undefined
}

/** When a pour is ready: one whose day went by unpoured is as late as if it were poured today, at the best. */
function readyDayOf({ status, days }: PromisedPour, today: Day): Day {
  const missedDays = status === 'planned' ? Math.max(0, daysBetween(days.pourDay, today)) : 0
  return addDays(days.readyDay, missedDays)
}

/**
 * What was promised for each order under way, beside today's forecast.
 *
 * @throws {RangeError} if a day is no day
 */
export function orderForecasts({ today, orders, designs, batches }: PromisedCalendar): readonly OrderForecast[] {
  return orders.flatMap((order): readonly OrderForecast[] => {
    const { promisedDay, collectionId } = order
    if (order.state !== 'accepted' || promisedDay === null || collectionId === null) return []
    const its = new Set(designs.flatMap((one) => (one.collectionId === collectionId && !one.isRemoved ? [one.id] : [])))
    const ready = batches.filter(({ designId }) => its.has(designId)).map((batch) => readyDayOf(batch, today))
    const readyDay = ready.sort((a, b) => a.localeCompare(b)).at(-1)
    const lateDays = readyDay === undefined ? undefined : daysBetween(promisedDay, readyDay)
    return [{ order: { ...order, promisedDay }, readyDay, lateDays }]
  })
}

/** A promise that a plan breaks, or breaks worse than the calendar does already. */
export interface BrokenPromise extends OrderForecast {
  /** What is to be expected as the calendar stands. */
  readonly before: OrderForecast
  /** Pours of the order that the plan takes off the calendar. */
  readonly poursTakenOff: number
}

/**
 * The promises that a plan breaks: orders that come later with it than without it, and later than was promised, or that
 * lose a pour.
 *
 * @throws {RangeError} if a day is no day
 */
export function brokenPromises(calendar: PromisedCalendar, moves: readonly PlannedMove[]): readonly BrokenPromise[] {
  const moved = new Map(moves.map((move) => [move.batchId, move]))
  const batches = calendar.batches.flatMap((batch): readonly PromisedPour[] => {
    const move = moved.get(batch.id)
    if (!move) return [batch]
    if (!move.days) return []
    const readyDay = addDays(move.days.cutDay, batch.demand.cureDays)
    return [{ ...batch, days: { ...batch.days, ...move.days, readyDay } }]
  })
  const taken = new Set(moves.flatMap(({ batchId, days }) => (days === undefined ? [batchId] : [])))
  const before = new Map(orderForecasts(calendar).map((forecast) => [forecast.order.id, forecast]))
  const collectionOf = new Map(calendar.designs.map(({ id, collectionId }) => [id, collectionId]))
  return orderForecasts({ ...calendar, batches }).flatMap((after): readonly BrokenPromise[] => {
    const was = before.get(after.order.id)
    if (!was) return []
    const poursTakenOff = calendar.batches.filter(
      ({ id, designId }) => taken.has(id) && collectionOf.get(designId) === after.order.collectionId,
    ).length
    const isLater = (after.lateDays ?? 0) > Math.max(0, was.lateDays ?? 0)
    return isLater || poursTakenOff > 0 ? [{ ...after, before: was, poursTakenOff }] : []
  })
}

/** A broken promise in figures, for the one who is asked. */
export function brokenPromiseFinding({ order, readyDay, lateDays, poursTakenOff }: BrokenPromise): Finding {
  const { client } = order
  const promised = quantity.day(order.promisedDay)
  if (poursTakenOff > 0) return warn('promise_loses_pour', { client, promised, pours: poursTakenOff })
  return warn('promise_broken', {
    client,
    promised,
    ready: quantity.day(readyDay ?? order.promisedDay),
    late: quantity.days(lateDays ?? 0),
  })
}

/** The promises that do not hold as the calendar stands, in figures. */
export function promisesAtRisk(calendar: PromisedCalendar): readonly Finding[] {
  return orderForecasts(calendar).flatMap(({ order, readyDay, lateDays }): readonly Finding[] =>
    readyDay !== undefined && lateDays !== undefined && lateDays > 0
      ? [
          warn('promise_late', {
            client: order.client,
            promised: quantity.day(order.promisedDay),
            ready: quantity.day(readyDay),
            late: quantity.days(lateDays),
          }),
        ]
      : [],
  )
}
