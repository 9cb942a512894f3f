import type { Day } from '../calendar'
import { addDays } from '../calendar'
import type { Ingredient, IngredientKind } from './ingredient'
import { keyOfIngredient } from './ingredient'
import type { Lot } from './lots'
import { cleanAmount, lotFault, takeOldestFirst } from './lots'
import type { Need } from './needs'

/** What is missing of one thing, and what to do about it. */
export interface Shortage {
  readonly missing: number
  /** Day by which it has to be here. */
  readonly firstDay: Day
  /** Last day to order it; null when the stores do not know how long it takes. */
  readonly orderByDay: Day | null
  readonly isLate: boolean
  /** What to order: what is missing, in whole packs. */
  readonly orderAmount: number
  /** Pours that go without, in the order of their days. */
  readonly batches: readonly { readonly id: string; readonly name: string; readonly missing: number }[]
}

/** One thing of the stores, through the season. */
export interface StoresLine {
  readonly key: string
  readonly kind: IngredientKind
  readonly name: string
  /** Undefined for what pours take and the stores do not know. */
  readonly ingredient: Ingredient | undefined
  /** Usable today. */
  readonly inStore: number
  /** Ordered, and not here yet. */
  readonly onOrder: number
  /** What the pours on the calendar take of it. */
  readonly reserved: number
  /** In store or on order, and not reserved. */
  readonly free: number
  /** Left in lots that are recalled or past their day. */
  readonly unusable: number
  readonly shortage: Shortage | undefined
}

interface Stock {
  readonly key: string
  readonly kind: IngredientKind
  readonly name: string
  readonly ingredient: Ingredient | undefined
  readonly lots: readonly Lot[]
}

const sum = (amounts: readonly number[]): number => cleanAmount(amounts.reduce((total, amount) => total + amount, 0))

/** `amount` (g, or pieces) rounded up to whole packs of `packSize`; as it is where no pack is known (0). */
export function inPacks(amount: number, packSize: number): number {
  return packSize > 0 ? cleanAmount(Math.ceil(cleanAmount(amount / packSize)) * packSize) : amount
}

function shortageOf(stock: Stock, needs: readonly Need[], today: Day): Shortage | undefined {
  let lots = stock.lots
  const short: { need: Need; missing: number }[] = []
  for (const need of needs) {
    const { taken, missing } = takeOldestFirst(lots, need.amount, need.day < today ? today : need.day)
    const takenOf = new Map(taken.map(({ lotId, amount }) => [lotId, amount]))
    lots = lots.map((lot) => ({ ...lot, leftAmount: cleanAmount(lot.leftAmount - (takenOf.get(lot.id) ?? 0)) }))
    if (missing > 0) short.push({ need, missing })
  }
  const first = short[0]
  if (!first) return undefined
  const missing = sum(short.map((one) => one.missing))
  const orderByDay = stock.ingredient ? addDays(first.need.day, -stock.ingredient.leadDays) : null
  return {
    missing,
    firstDay: first.need.day,
    orderByDay,
    isLate: (orderByDay ?? first.need.day) < today,
    orderAmount: inPacks(missing, stock.ingredient?.packSize ?? 0),
    batches: short.map((one) => ({ id: one.need.batchId, name: one.need.batchName, missing: one.missing })),
  }
}

function lineOf(stock: Stock, needs: readonly Need[], today: Day): StoresLine {
  const left = (wanted: (lot: Lot) => boolean): number =>
    sum(stock.lots.filter(wanted).map(({ leftAmount }) => Math.max(0, leftAmount)))
  const inStore = left((lot) => lotFault(lot, today) === undefined)
  const onOrder = left((lot) => ['not_here', 'steeping'].includes(lotFault(lot, today) ?? ''))
  const reserved = sum(needs.map(({ amount }) => amount))
  return {
    key: stock.key,
    kind: stock.kind,
    name: stock.name,
    ingredient: stock.ingredient,
    inStore,
    onOrder,
    reserved,
    free: Math.max(0, cleanAmount(inStore + onOrder - reserved)),
    unusable: left((lot) => ['recalled', 'expired'].includes(lotFault(lot, today) ?? '')),
    shortage: shortageOf(stock, needs, today),
  }
}

/**
 * The stores through the season: each need in the order of its day takes from the oldest lot that may be used on that
 * day. A lot that expires before a pour, or comes after it, does not help that pour.
 *
 * @returns a line for everything that is kept or needed; what is short first, by the day to order it
 */
export function storesForecast(
  ingredients: readonly Ingredient[],
  lotsOf: (ingredientId: string) => readonly Lot[],
  needs: readonly Need[],
  today: Day,
): readonly StoresLine[] {
  const stocks = new Map<string, Stock>()
  for (const ingredient of ingredients) {
    const key = keyOfIngredient(ingredient)
    const before = stocks.get(key)
    const lots = [...(before?.lots ?? []), ...lotsOf(ingredient.id)]
    stocks.set(key, { ...(before ?? { key, kind: ingredient.kind, name: ingredient.name, ingredient }), lots })
  }
  const needsOf = new Map<string, Need[]>()
  for (const need of [...needs].sort((a, b) => a.day.localeCompare(b.day))) {
    needsOf.set(need.key, [...(needsOf.get(need.key) ?? []), need])
    const { key, kind, name } = need
    if (!stocks.has(key)) stocks.set(key, { key, kind, name, ingredient: undefined, lots: [] })
  }
  const urgency = ({ shortage }: StoresLine): string =>
    shortage ? `0 ${shortage.orderByDay ?? shortage.firstDay}` : '1'
  return [...stocks.values()]
    .map((stock) => lineOf(stock, needsOf.get(stock.key) ?? [], today))
    .sort((a, b) => urgency(a).localeCompare(urgency(b)) || a.name.localeCompare(b.name))
}
