import type { SeasonSource } from '../../src/season'

type Design = SeasonSource['designs'][number]

/** A soap of the one collection, in one long mould. */
export const blankDesignOf = (id: string): Design => ({
  id,
  name: id,
  isRemoved: false,
  collectionId: 'c',
  recipeId: 'r',
  mouldId: 'long',
  mouldCount: 1,
  moreMoulds: [],
  barsWanted: 18,
  earliestDay: null,
})

/** A small workshop on Mon 8 March 2027 with two long moulds and one collection, needed on Sat 24 April. */
export function sourceOfSeason({
  designs,
  releaseLocal = '2027-04-24T12:00',
  state = 'in_work',
}: {
  readonly designs: readonly Design[]
  readonly releaseLocal?: string
  readonly state?: string
}): SeasonSource {
  return {
    today: '2027-03-08',
    workshop: {
      timeZone: 'UTC',
      exceptions: [],
      setupHours: 0.5,
      prepHours: 0,
      prepAheadDays: 1,
      pourHours: 1.5,
      cutHours: 1,
      ovenSlots: 1,
      bufferDays: 0,
      barsPerTray: 18,
      racks: [{ trays: 20 }],
    },
    makers: [{ isRemoved: false, weekHours: [2.5, 2.5, 2.5, 2.5, 2.5, 2.5, 2.5], exceptions: [] }],
    moulds: [
      {
        id: 'long',
        isRemoved: false,
        count: 2,
        shape: 'loaf',
        lengthMm: 450,
        widthMm: 80,
        heightMm: 80,
        linerMm: 0,
        fillHeightMm: 70,
        logCount: 1,
        cavityCount: 0,
        cavityMl: 0,
        barThicknessMm: 25,
        endTrimMm: 0,
        kerfMm: 0,
      },
    ],
    recipes: [{ id: 'r', setDaysMin: 1, setDaysMax: 3, cureDays: 28, oven: false } as SeasonSource['recipes'][number]],
    collections: [{ id: 'c', isRemoved: false, state, releaseLocal, releaseZone: 'UTC', early: [] }],
    designs,
    orders: [],
    batches: [],
    loaves: [],
  }
}
