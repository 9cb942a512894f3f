import type { LoafView, Role, SeasonView } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import type { RequestHandler } from 'express'
import { askingOf, endpointAsked } from './guard'

/** Orders with their clients and prices are between them and who plans, and so is the name of a buyer. */
const withoutOrders = (view: SeasonView): SeasonView => ({
  ...view,
  orders: [],
  owedSales: view.owedSales.map((sale) => ({ ...sale, buyer: '' })),
})

/** Who bought bars, or has some set aside, is nobody's who only handles them. */
const withoutBuyers = (view: LoafView): LoafView => ({
  ...view,
  events: view.events.map((one) => {
    const { event } = one
    if (event.type === 'sold') return { ...one, event: { ...event, buyer: '' } }
    return event.type === 'allotted' ? { ...one, event: { ...event, who: '' } } : one
  }),
})

const hiding = new Map<unknown, (view: never) => unknown>([
  [endpoints.season, withoutOrders],
  [endpoints.tickTask, withoutOrders],
  [endpoints.loaves.view, withoutBuyers],
  [endpoints.loaves.record, withoutBuyers],
])
const kept: ReadonlySet<Role> = new Set(['helper', 'stall'])

/** Leaves clients out of what a screen is told that stands where others look over its shoulder. */
export const hiddenFrom: RequestHandler = (request, response, next) => {
  const hide = kept.has(askingOf(response).role) ? hiding.get(endpointAsked(request, response)) : undefined
  if (hide) {
    const send = response.send.bind(response)
    response.send = (body: unknown) => {
      response.send = send
      const isAnswer = typeof body === 'string' && response.statusCode < 400
      return send(isAnswer ? JSON.stringify(hide(JSON.parse(body) as never)) : body)
    }
  }
  next()
}
