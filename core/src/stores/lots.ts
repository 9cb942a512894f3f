import type { IngredientKind } from './ingredient'
import { isCounted } from './ingredient'
import type { Day } from '../calendar'
import type { Sentence } from '../findings'
import { quantity, sentence } from '../findings'
import { roundTo } from '../units'

/** One delivery of an ingredient. */
export interface Lot {
  readonly id: string
  readonly supplier: string
  readonly lotNumber: string
  /** Day it came, or is to come. */
  readonly receivedDay: Day
  /** Last day on which it may be used; null when it keeps. */
  readonly bestBeforeDay: Day | null
  readonly isRecalled: boolean
  /** What came, g or pieces. */
  readonly receivedAmount: number
  /** What is left of it. */
  readonly leftAmount: number
  /** Paid for all that came, cents; 0: not known. */
  readonly priceCents: number
  /** Its part of what the delivery cost to bring, cents. @default 0 */
  readonly carriageCents?: number
  /** Of oil that a herb steeps in here. @default none: it came as it is */
  readonly infusion?: { readonly isStrained: boolean } | null | undefined
}

/** What a lot cost with its carriage, cents; undefined where its price or its amount is not known. */
export function costOfLot({
  priceCents,
  carriageCents = 0,
  receivedAmount,
}: Pick<Lot, 'priceCents' | 'carriageCents' | 'receivedAmount'>): number | undefined {
  return priceCents === 0 || receivedAmount <= 0 ? undefined : priceCents + carriageCents
}

export type LotFault = 'recalled' | 'expired' | 'steeping' | 'not_here' | 'empty'

/** Why a lot cannot be used on a day, the gravest reason; undefined when it can. */
export function lotFault(lot: Lot, day: Day): LotFault | undefined {
  if (lot.isRecalled) return 'recalled'
  if (lot.bestBeforeDay !== null && lot.bestBeforeDay < day) return 'expired'
  if (lot.infusion?.isStrained === false) return 'steeping'
  if (lot.receivedDay > day) return 'not_here'
  return lot.leftAmount > 0 ? undefined : 'empty'
}

/** A lot's fault, to be told. */
export function lotFaultSentence(lot: Lot, fault: LotFault): Sentence {
  const named = { lot: lot.lotNumber, isNamed: lot.lotNumber === '' ? 'no' : 'yes' }
  switch (fault) {
    case 'recalled':
      return sentence('lot_recalled', named)
    case 'expired':
      return sentence('lot_expired', { ...named, day: quantity.day(lot.bestBeforeDay ?? lot.receivedDay) })
    case 'steeping':
      return sentence('lot_steeping', { ...named, day: quantity.day(lot.receivedDay) })
    case 'not_here':
      return sentence('lot_not_here', { ...named, day: quantity.day(lot.receivedDay) })
    case 'empty':
      return sentence('lot_empty', named)
  }
}

/** Lots in the order in which they are used: the oldest first, of one day the one that keeps less long. */
export function oldestFirst(lots: readonly Lot[]): readonly Lot[] {
  const order = (lot: Lot): string => `${lot.receivedDay} ${lot.bestBeforeDay ?? '9999-12-31'} ${lot.id}`
  return [...lots].sort((a, b) => (order(a) < order(b) ? -1 : 1))
}

export interface LotUse {
  readonly lotId: string
  /** g or pieces. */
  readonly amount: number
}

/** An amount (g, or pieces) to a tenth of a milligram, as the stores are reckoned: no binary dust. */
export const cleanAmount = (amount: number): number => roundTo(amount, 4)

/** What came, and what counting found over it, or below zero under it. */
export interface Delivered {
  readonly receivedAmount: number
  readonly adjustment: number
}

/** What is left of a lot, g or pieces, when `usedAmount` of it was used; below 0 when more was used than came. */
export function leftOfLot({ receivedAmount, adjustment }: Delivered, usedAmount: number): number {
  return cleanAmount(receivedAmount + adjustment - usedAmount)
}

/** The adjustment with which a lot comes to what was counted. */
export function adjustmentFor(countedAmount: number, receivedAmount: number, usedAmount: number): number {
  return cleanAmount(countedAmount - (receivedAmount - usedAmount))
}

/**
 * Takes an amount from lots that may be used on a day, the oldest first.
 *
 * @returns what is taken of which lot, and what no lot has
 */
export function takeOldestFirst(
  lots: readonly Lot[],
  amount: number,
  day: Day,
): { readonly taken: readonly LotUse[]; readonly missing: number } {
  let missing = amount
  const taken: LotUse[] = []
  for (const lot of oldestFirst(lots)) {
    if (missing <= 0) break
    if (lotFault(lot, day)) continue
    const part = Math.min(lot.leftAmount, missing)
    taken.push({ lotId: lot.id, amount: cleanAmount(part) })
    missing = cleanAmount(missing - part)
  }
  return { taken, missing: Math.max(0, missing) }
}

/**
 * What lots gave, with what was weighed beyond them put down on the last one that was at hand: its stock then goes below
 * zero and is seen, where a loss that stands nowhere is not.
 */
export function overdrawn(
  { taken, missing }: { readonly taken: readonly LotUse[]; readonly missing: number },
  lots: readonly Lot[],
  day: Day,
): readonly LotUse[] {
  const atHand = oldestFirst(lots).filter((lot) => [undefined, 'empty'].includes(lotFault(lot, day)))
  const lotId = taken.at(-1)?.lotId ?? atHand.at(-1)?.id
  if (missing <= 0 || lotId === undefined) return taken
  const last = taken.find((use) => use.lotId === lotId)
  const rest = taken.filter((use) => use !== last)
  return [...rest, { lotId, amount: cleanAmount((last?.amount ?? 0) + missing) }]
}

/** What was taken of lots cost with its carriage, cents; undefined when the price of one of them is not known. */
export function costOfUses(uses: readonly LotUse[], lots: readonly Lot[]): number | undefined {
  const byId = new Map(lots.map((lot) => [lot.id, lot]))
  let cents = 0
  for (const { lotId, amount } of uses) {
    const lot = byId.get(lotId)
    const allCents = lot && costOfLot(lot)
    if (!lot || allCents === undefined) return undefined
    cents += (allCents * amount) / lot.receivedAmount
  }
  return roundTo(cents, 2)
}

/** What the ingredients of a bar cost, as far as their prices are known. */
export interface BarCost {
  /** Cents a bar of what has a price. */
  readonly cents: number
  /** What has none: while there is any, the sum is not the cost of the bar. */
  readonly withoutPrice: readonly string[]
}

/**
 * What the ingredients of a bar cost, from what was really used.
 *
 * @param uses what was taken from the stores, with its cost in cents; undefined while its price is not known
 * @param bars bars that came out, or that are planned while none have
 * @returns undefined while nothing was taken from the stores, or there are no bars
 */
export function costPerBar(
  uses: readonly { readonly name: string; readonly cents: number | undefined }[],
  bars: number,
): BarCost | undefined {
  if (uses.length === 0 || bars <= 0) return undefined
  return {
    cents: uses.reduce((sum, { cents }) => sum + (cents ?? 0), 0) / bars,
    withoutPrice: [...new Set(uses.flatMap(({ name, cents }) => (cents === undefined ? [name] : [])))],
  }
}

/** Bars of a pour: those that came out of each loaf that was cut, and of the others those that are planned. */
export function barsCameOut(
  loaves: readonly {
    readonly barsPlanned: number
    readonly state: { readonly cut?: { readonly bars: number } | undefined }
  }[],
): number {
  return loaves.reduce((sum, { barsPlanned, state }) => sum + (state.cut?.bars ?? barsPlanned), 0)
}

/** What a lot cost a kg, or each piece of what is counted, cents; 0 where its price or amount is not known. */
export function unitPriceCents(
  { priceCents, receivedAmount }: Pick<Lot, 'priceCents' | 'receivedAmount'>,
  kind: IngredientKind,
): number {
  if (!(receivedAmount > 0)) return 0
  return (priceCents / receivedAmount) * (isCounted(kind) ? 1 : 1000)
}

/** What all of a lot cost, to a cent. @param unitCents a kg, or each piece of what is counted @param receivedAmount g or pieces */
export function lotPriceCents(unitCents: number, receivedAmount: number, kind: IngredientKind): number {
  return Math.round((unitCents * receivedAmount) / (isCounted(kind) ? 1 : 1000))
}

const deliveryPrefix = 'delivery:'
/** What the code on the card of a delivery says. @param lotId the lot's id */
export const codeOfDelivery = (lotId: string): string => `${deliveryPrefix}${lotId}`
/** The lot of an ingredient that a scanned code names; undefined where it is none of a delivery. */
export function deliveryOfCode(code: string): string | undefined {
  const text = code.trim()
  return text.startsWith(deliveryPrefix) && text.length > deliveryPrefix.length
    ? text.slice(deliveryPrefix.length)
    : undefined
}
