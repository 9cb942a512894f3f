import type { SavedCollection, SavedDesign, SavedOrder } from '@vendange/contract'
import { blankCollection, blankDesign, blankOrder, endpoints } from '@vendange/contract'
import { addDays } from '@vendange/core/calendar'
import { runChange } from '@/parts/runChange'
import { api } from '@/parts/api'
import { useSeason } from '@/parts/seasonStore'

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
        recipeId: season.recipes[0]?.id ?? null,
        mouldId: season.moulds[0]?.id ?? null,
      },
    }),
  )
}

/** Days until a new order is due, until the client says otherwise: making and cure take about six weeks. */
const usualDaysToDue = 49

export async function createOrder(): Promise<SavedOrder | undefined> {
  const season = useSeason()
  return runChange(() =>
    api(endpoints.orders.create, {
      body: {
        ...blankOrder,
        client: 'New client',
        dueDay: addDays(season.today, usualDaysToDue),
        recipeId: season.recipes[0]?.id ?? null,
      },
    }),
  )
}
