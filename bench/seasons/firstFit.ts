import type { SeasonProblem } from '@vendange/core/season'
import { Occupancy } from '@vendange/core/season'

/** Whether batches by due day, each on its last day in time or the first after it that has room, all find one. */
export function hasFirstFit(season: SeasonProblem): boolean {
  const occupancy = new Occupancy(season)
  return [...season.batches]
    .sort((a, b) => a.due - b.due)
    .every((batch) => {
      const options: { readonly pour: number; readonly cut: number; readonly rank: number }[] = []
      for (let pour = Math.max(1, batch.earliest); pour < season.days; pour++)
        for (let cut = pour + batch.setDays.min; cut <= pour + batch.setDays.max; cut++) {
          const slack = batch.due - cut - batch.cureDays
          options.push({ pour, cut, rank: slack >= 0 ? slack : 1000 - slack })
        }
      const found = options
        .sort((a, b) => a.rank - b.rank)
        .find(({ pour, cut }) => occupancy.fits({ batch, pour, cut }))
      if (found) occupancy.take({ batch, pour: found.pour, cut: found.cut })
      return found !== undefined
    })
}
