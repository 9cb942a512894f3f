import type { NewOrder, SavedCollection, SavedDesign, SavedOrder } from '@vendange/contract'
import { blankCollection, blankDesign, blankOrder, endpoints } from '@vendange/contract'
import { addDays } from '@vendange/core/calendar'
import { gramsPerOunce } from '@vendange/core/units'
import { runChange } from '@/parts/runChange'
import { api } from '@/parts/api'
import { useSeason } from '@/parts/seasonStore'

/** What the label of a new soap says until the maker says otherwise: a round figure in the workshop's own unit, g. */
const usualLabelG = (massUnit: 'g' | 'oz' | undefined): number => (massUnit === 'oz' ? 3.5 * gramsPerOunce : 100)

/** Days from today to the release of a new collection, until the maker says otherwise: two months ahead is usual. */
const usualDaysAhead = 60

export async function createCollection(): Promise<SavedCollection | undefined> {
  const season = useSeason()
  return runChange(() =>
    api(endpoints.collections.create, {
      body: {
        ...blankCollection,
        name: 'New collection',
        releaseLocal: `${addDays(season.today, usualDaysAhead)}T19:00`,
        releaseZone: season.workshop?.timeZone ?? 'UTC',
      },
    }),
  )
}

export async function createDesign(collectionId: string): Promise<SavedDesign | undefined> {
  const season = useSeason()
  return runChange(() =>
    api(endpoints.designs.create, {
      body: {
        ...blankDesign,
        collectionId,
        name: 'New soap',
        labelMassG: usualLabelG(season.workshop?.massUnit),
        recipeId: season.recipes[0]?.id ?? null,
        mouldId: season.moulds[0]?.id ?? null,
      },
    }),
  )
}

/** Days until a new order is due, until the client says otherwise: making and cure take about six weeks. */
const usualDaysToDue = 49

/** Days until a client's stamp is there, until its maker has said so (estimate). */
export const usualStampDays = 21

/** What an order has before the client says more. */
export function orderToAsk(): NewOrder {
  const season = useSeason()
  return {
    ...blankOrder,
    client: 'New client',
    labelMassG: usualLabelG(season.workshop?.massUnit),
    dueDay: addDays(season.today, usualDaysToDue),
    recipeId: season.recipes[0]?.id ?? null,
  }
}

export const createOrder = (order: NewOrder = orderToAsk()): Promise<SavedOrder | undefined> =>
  runChange(() => api(endpoints.orders.create, { body: order }))
