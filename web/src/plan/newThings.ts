import type { SavedCollection, SavedDesign } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { addDays } from '@vendange/core/calendar'
import { act } from '@/parts/act'
import { api } from '@/parts/api'
import { useSeason } from '@/parts/seasonStore'

/** Days from today to the release of a new collection, until the maker says otherwise: two months ahead is usual. */
const usualDaysAhead = 60

export async function createCollection(): Promise<SavedCollection | undefined> {
  const season = useSeason()
  return act(() =>
    api(endpoints.collections.create, {
      body: {
        name: 'New collection',
        theme: '',
        palette: [],
        releaseLocal: `${addDays(season.today, usualDaysAhead)}T19:00`,
        releaseZone: season.workshop?.timeZone ?? 'UTC',
      },
    }),
  )
}

export async function createDesign(collectionId: string): Promise<SavedDesign | undefined> {
  const season = useSeason()
  return act(() =>
    api(endpoints.designs.create, {
      body: {
        collectionId,
        name: 'New soap',
        technique: '',
        scent: null,
        colours: [],
        recipeId: season.recipes[0]?.id ?? null,
        mouldId: season.moulds[0]?.id ?? null,
        mouldCount: 1,
        barsWanted: 12,
        labelMassG: 100,
      },
    }),
  )
}
