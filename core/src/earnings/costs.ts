import type { Day } from '../calendar'

/** A pour as it was made: what it took, and what came of it. */
export interface MadeBatch {
  readonly batchId: string
  readonly soap: string
  readonly collection: string
  readonly pourDay: Day
  /** When the first of its loaves was cut; null where none is yet. */
  readonly cutDay: Day | null
  /** What was taken of lots that have a price, carriage included, cents. */
  readonly ingredientCents: number
  /** Whether something went in that has none. */
  readonly lacksPrices: boolean
  /** Hours of preparing and pouring, as planned. */
  readonly plannedHours: number
  /** The same as the bench wrote them down; null where it did not. */
  readonly benchHours: number | null
  /** Hours of cutting, as planned. */
  readonly cutHours: number
  readonly finishMinutes: number
  readonly barsPlanned: number
  /** Bars that came out; of a loaf that is not cut yet those planned, of one that failed none. */
  readonly barsOut: number
  /** Of them those that were downgraded. */
  readonly barsLost: number
  readonly failedLoaves: number
}

/** What an hour and a packed bar are reckoned at, cents. */
export interface CostRates {
  readonly hourCents: number
  readonly sharedHourCents: number
  readonly packingCents: number
}

/** Hours that a pour took: at the bench as written down, else as planned; cutting as planned, finishing as logged. */
export const hoursOfBatch = ({ benchHours, plannedHours, cutHours, finishMinutes }: MadeBatch): number =>
  (benchHours ?? plannedHours) + cutHours + finishMinutes / 60

/** What one bar of a pour cost, cents. */
export interface BarCosts {
  readonly ingredientCents: number
  readonly packingCents: number
  readonly workCents: number
  readonly sharedCents: number
  readonly hours: number
}

/** What a pour cost, shared among the bars that can be sold of it; none of them, and it is shared among those it gave. */
export function costsOfBar(batch: MadeBatch, { hourCents, sharedHourCents, packingCents }: CostRates): BarCosts {
  const bars = Math.max(1, batch.barsOut - batch.barsLost > 0 ? batch.barsOut - batch.barsLost : batch.barsOut)
  const hours = hoursOfBatch(batch) / bars
  return {
    ingredientCents: batch.ingredientCents / bars,
    packingCents,
    workCents: hours * hourCents,
    sharedCents: hours * sharedHourCents,
    hours,
  }
}
