import type { Day } from '../calendar'
import type { Ingredient, IngredientKind } from './ingredient'
import { keyOfIngredient } from './ingredient'
import type { Lot } from './lots'

/** One line of a stores file: an ingredient, and a lot of it when it names one. */
export interface StoresRow {
  readonly kind: IngredientKind
  readonly name: string
  readonly ref: string
  readonly leadDays: number | null
  readonly lot: {
    readonly supplier: string
    readonly lotNumber: string
    readonly receivedDay: Day
    readonly bestBeforeDay: Day | null
    /** g or pieces. */
    readonly receivedAmount: number
    /** Null: nothing is used of it yet. */
    readonly leftAmount: number | null
    /** 0 when it is not known. */
    readonly priceCents: number
  } | null
}

/** Lines that one file may have. */
export const mostStoresRows = 2000

type KnownLot = Lot & { readonly ingredientId: string }

/** What taking one line in would do. */
export interface StoresChange<Known extends KnownLot = KnownLot> {
  readonly row: StoresRow
  readonly effect: 'new_ingredient' | 'new_lot' | 'lot_changed' | 'lead_changed' | 'nothing'
  readonly ingredientId: string | undefined
  readonly lot: Known | undefined
}

function isSameLot(known: KnownLot, lot: NonNullable<StoresRow['lot']>): boolean {
  return (
    known.bestBeforeDay === lot.bestBeforeDay &&
    known.receivedAmount === lot.receivedAmount &&
    known.priceCents === lot.priceCents &&
    (lot.leftAmount === null || lot.leftAmount === known.leftAmount)
  )
}

/** Indexes of lines that name a lot which an earlier line names already. */
export function repeatedLots(rows: readonly StoresRow[]): readonly number[] {
  const seen = new Set<string>()
  return rows.flatMap((row, index) => {
    if (!row.lot) return []
    const { supplier, lotNumber, receivedDay } = row.lot
    const lot = JSON.stringify([keyOfIngredient(row), supplier, lotNumber, receivedDay])
    if (seen.has(lot)) return [index]
    seen.add(lot)
    return []
  })
}

/**
 * What taking lines in would change in the stores. A lot is known by its ingredient, supplier, number and the day it
 * came; a line that says what is known already changes nothing.
 */
export function storesChanges<Known extends KnownLot>(
  rows: readonly StoresRow[],
  ingredients: readonly Ingredient[],
  lots: readonly Known[],
): readonly StoresChange<Known>[] {
  const known = new Map(ingredients.map((one) => [keyOfIngredient(one), one]))
  const seen = new Set<string>()
  return rows.map((row): StoresChange<Known> => {
    const key = keyOfIngredient(row)
    const ingredient = known.get(key)
    const isNew = ingredient === undefined && !seen.has(key)
    seen.add(key)
    const lot = row.lot
      ? lots.find(
          (one) =>
            one.ingredientId === ingredient?.id &&
            one.supplier === row.lot?.supplier &&
            one.lotNumber === row.lot.lotNumber &&
            one.receivedDay === row.lot.receivedDay,
        )
      : undefined
    const leadChanges = ingredient !== undefined && row.leadDays !== null && row.leadDays !== ingredient.leadDays
    const effect = isNew
      ? 'new_ingredient'
      : row.lot && !lot
        ? 'new_lot'
        : row.lot && lot && !isSameLot(lot, row.lot)
          ? 'lot_changed'
          : leadChanges
            ? 'lead_changed'
            : 'nothing'
    return { row, effect, ingredientId: ingredient?.id, lot }
  })
}
