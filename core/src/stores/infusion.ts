import type { Day } from '../calendar'
import { addDays } from '../calendar'
import { roundTo } from '../units'
import type { Lot, LotUse } from './lots'
import { cleanAmount, costOfLot } from './lots'

/** A lot of oil that the workshop makes itself: a herb steeps in it, and it is strained when it is done. */
export interface Infusion {
  readonly startedDay: Day
  /** What it was made of: lots of the oil, then of the herb, g. */
  readonly parts: readonly LotUse[]
  /** g of oil and of herb, whether or not the stores know a lot of them. */
  readonly oilG: number
  readonly herbG: number
  /** Name of the herb. */
  readonly herb: string
  readonly isStrained: boolean
}

/** Days that dried herbs usually steep at room temperature. An estimate from usual practice. */
export const usualSteepingDays = 28
/** Mass of oil that stays in a gram of dried herb when it is strained, g. An estimate from usual practice. */
export const oilKeptPerHerbG = 1.2

/**
 * What will come out of an infusion, g: as this workshop's own came out before, by what a gram of herb kept back; the
 * first ones by {@link oilKeptPerHerbG}.
 *
 * @param done infusions that were strained, with what came out, g
 */
export function expectedYieldG(
  { oilG, herbG }: Pick<Infusion, 'oilG' | 'herbG'>,
  done: readonly (Pick<Infusion, 'oilG' | 'herbG'> & { readonly yieldG: number })[] = [],
): { readonly massG: number; readonly isLearned: boolean } {
  const herbs = done.reduce((sum, one) => sum + one.herbG, 0)
  const kept = done.reduce((sum, one) => sum + one.oilG - one.yieldG, 0)
  const isLearned = herbs > 0
  const keptPerG = isLearned ? kept / herbs : oilKeptPerHerbG
  return { massG: cleanAmount(Math.min(oilG, Math.max(0, oilG - keptPerG * herbG))), isLearned }
}

/** What an infusion cost, whole cents: the part of each lot that went into it; 0 where no lot says it. */
export function costOfInfusion(
  parts: readonly LotUse[],
  lots: readonly Pick<Lot, 'id' | 'priceCents' | 'carriageCents' | 'receivedAmount'>[],
): number {
  const cents = parts.reduce((sum, { lotId, amount }) => {
    const lot = lots.find(({ id }) => id === lotId)
    const cost = lot && costOfLot(lot)
    return cost === undefined ? sum : sum + (cost * amount) / (lot?.receivedAmount ?? 1)
  }, 0)
  return roundTo(cents, 0)
}

/** An infusion keeps no longer than the first of its parts; null where all of them keep. */
export function keepsUntil(parts: readonly LotUse[], lots: readonly Pick<Lot, 'id' | 'bestBeforeDay'>[]): Day | null {
  const days = parts.flatMap(({ lotId }) => lots.find(({ id }) => id === lotId)?.bestBeforeDay ?? [])
  return [...days].sort()[0] ?? null
}

/** Its number: the day it was begun. @example infusionNumber('2027-03-08', []) // 'I270308' */
export function infusionNumber(day: Day, taken: readonly string[]): string {
  const number = `I${day.slice(2).replaceAll('-', '')}`
  if (!taken.includes(number)) return number
  let next = 2
  while (taken.includes(`${number}-${next}`)) next += 1
  return `${number}-${next}`
}

/** The day an infusion is done. */
export const strainingDay = (startedDay: Day, days: number): Day => addDays(startedDay, days)

/** Lots with some of a lot in them: infusions of it, and infusions of those. @returns their ids, the lot itself left out */
export function infusedFrom(
  lotId: string,
  infusions: readonly { readonly id: string; readonly infusion: Pick<Infusion, 'parts'> }[],
): readonly string[] {
  const found = new Set<string>()
  for (let size = -1; size !== found.size;) {
    size = found.size
    for (const { id, infusion } of infusions)
      if (infusion.parts.some((part) => part.lotId === lotId || found.has(part.lotId))) found.add(id)
  }
  return [...found]
}
