import type { PlacedBatch } from './occupancy'
import { Occupancy } from './occupancy'
import { mostDaysAhead } from './plannableDays'
import { slackOf } from './problem/planCost'
import { prepDayOf } from './problem/prepDay'
import type { ProblemBatch } from './problem/seasonProblem'
import { hoursTolerance } from './problem/seasonProblem'
import type { Violation } from './problem/violation'
import type { DatedSeason } from './seasonOf'

/** A free pour day and its cut, counted from day 0 of the season, with the days to spare; negative when late. */
export interface FreeDay {
  readonly pour: number
  readonly cut: number
  readonly slackDays: number
}

/**
 * A season that is asked for free days: everything that has a day stands on it. A batch that is asked for is taken off
 * its own days while the answer is found, so that it never stands in its own way.
 */
export class OpenSeason {
  private readonly occupancy: Occupancy
  private readonly byId: ReadonlyMap<string, ProblemBatch>
  private readonly placed = new Map<string, PlacedBatch>()

  constructor(readonly season: DatedSeason) {
    this.byId = new Map(season.problem.batches.map((batch) => [batch.id, batch]))
    this.occupancy = new Occupancy(season.problem)
    for (const { id, pour, cut } of season.placements) this.place(id, pour, cut)
  }

  /** The batch with this id, while it can still be planned; undefined otherwise. */
  batch(id: string): ProblemBatch | undefined {
    return this.byId.get(id)
  }

  /** Puts a batch on its days, for the questions that follow. One that is not planned is passed over. */
  place(id: string, pour: number, cut: number): void {
    const batch = this.byId.get(id)
    const before = this.placed.get(id)
    if (!batch) return
    if (before) this.occupancy.giveBack(before)
    this.placed.set(id, { batch, pour, cut })
    this.occupancy.take({ batch, pour, cut })
  }

  /** What a batch would break on these days. Empty also for one that is not planned. */
  violations(id: string, pour: number, cut: number): readonly Violation[] {
    return this.without(id, (batch) => this.occupancy.violations({ batch, pour, cut })) ?? []
  }

  /** The first cut with which a pour day is free for a batch; undefined when it is free with none. */
  freeCut(id: string, pour: number): number | undefined {
    return this.without(id, (batch) => {
      for (let cut = pour + batch.setDays.min; cut <= pour + batch.setDays.max; cut++)
        if (this.occupancy.fits({ batch, pour, cut })) return cut
      return undefined
    })
  }

  /** The cut that a pour day would have: a free one, else the first day with hours for it, else the first at all. */
  cutFor(id: string, pour: number): number | undefined {
    const batch = this.byId.get(id)
    if (!batch) return undefined
    const free = this.freeCut(id, pour)
    if (free !== undefined) return free
    const { hours } = this.season.problem
    for (let cut = pour + batch.setDays.min; cut <= pour + batch.setDays.max; cut++)
      if ((hours[cut] ?? 0) >= batch.cutHours) return cut
    return pour + batch.setDays.min
  }

  /** The last pour day from which a batch can be ready when it is needed, free or not; may lie before day 0. */
  latestPour(id: string): number | undefined {
    const batch = this.byId.get(id)
    return batch && batch.due - batch.cureDays - batch.setDays.min
  }

  /**
   * The last pour day from which a batch can be ready when it is needed by the hours of the calendar alone, as if nothing
   * else were planned: with hours to prepare, pour and cut it. Where no day from day 0 on has them, or the calendar does
   * not reach so far, the last day counted back without asking for hours.
   */
  lastWorkingPour(id: string): number | undefined {
    const batch = this.byId.get(id)
    const latest = this.latestPour(id)
    const { problem } = this.season
    if (!batch || latest === undefined || latest >= problem.days) return latest
    const has = (day: number, wanted: number): boolean => (problem.hours[day] ?? 0) + hoursTolerance >= wanted
    const canCut = (pour: number): boolean => {
      const last = Math.min(pour + batch.setDays.max, batch.due - batch.cureDays)
      for (let cut = pour + batch.setDays.min; cut <= last; cut++) if (has(cut, batch.cutHours)) return true
      return false
    }
    for (let pour = latest; pour >= 0; pour--)
      if (
        has(pour, batch.pourHours + problem.setupHours) &&
        has(prepDayOf(problem, batch, pour), batch.prepHours) &&
        canCut(pour)
      )
        return pour
    return latest
  }

  /** The best free day: the last one from which the bars are ready in time, else the first free one. */
  bestDay(id: string): FreeDay | undefined {
    const batch = this.byId.get(id)
    const latest = this.latestPour(id)
    if (!batch || latest === undefined) return undefined
    const last = Math.min(this.season.problem.days - 1, mostDaysAhead)
    const freeOn = (pour: number): FreeDay | undefined => {
      const cut = this.freeCut(id, pour)
      return cut === undefined ? undefined : { pour, cut, slackDays: slackOf(batch, cut) }
    }
    for (let pour = Math.min(latest, last); pour >= 0; pour--) {
      const free = freeOn(pour)
      if (free && free.slackDays >= 0) return free
    }
    for (let pour = 0; pour <= last; pour++) {
      const free = freeOn(pour)
      if (free) return free
    }
    return undefined
  }

  /** Ids of those that hold a kind of mould on a day, a batch itself left out, each with the day it is free again. */
  holders(kind: string, day: number, except: string): readonly { readonly id: string; readonly cut: number }[] {
    const planned = [...this.placed.values()].map(({ batch, pour, cut }) => ({
      id: batch.id,
      moulds: batch.moulds,
      pour,
      cut,
    }))
    return [...planned, ...this.season.inMoulds]
      .filter(({ id, moulds, pour, cut }) => id !== except && (moulds[kind] ?? 0) > 0 && pour <= day && day < cut)
      .map(({ id, cut }) => ({ id, cut }))
  }

  /** Looks at the season as it is without a batch. */
  private without<T>(id: string, look: (batch: ProblemBatch) => T): T | undefined {
    const batch = this.byId.get(id)
    if (!batch) return undefined
    const own = this.placed.get(id)
    if (own) this.occupancy.giveBack(own)
    const answer = look(batch)
    if (own) this.occupancy.take(own)
    return answer
  }
}
