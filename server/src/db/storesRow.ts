import type {
  LotUsed,
  LotView,
  RecordedStep,
  SavedIngredient,
  SavedLot,
  SavedOwnFat,
  StepStock,
} from '@vendange/contract'
import type { BatchPlan } from '@vendange/core/batch'
import type { Day } from '@vendange/core/calendar'
import type { Fat } from '@vendange/core/fats'
import { asFat } from '@vendange/core/fats'
import type { Ingredient, LotUse } from '@vendange/core/stores'
import {
  certifiedFats,
  cleanAmount,
  costOfUses,
  keyOfIngredient,
  leftOfLot,
  lotFault,
  lotFaultMessage,
  oldestFirst,
  takeOldestFirst,
  useOfStep,
  usesOfPlan,
} from '@vendange/core/stores'
import { asc, isNotNull } from 'drizzle-orm'
import { unprocessable } from '../parts/problems'
import type { Reader } from './database'
import { keptRows } from './keptThings'
import { benchRecords, ingredients, lots, ownFats } from './schema'

/** Ingredients and lots as they stand. */
export interface Stock {
  readonly ingredients: readonly SavedIngredient[]
  readonly lots: readonly LotView[]
  /** Fats of the workshop's own, those taken away among them: an older recipe may still be made of one. */
  readonly ownFats: readonly Fat[]
}

/** What the bench has used of each lot. The last record of a step holds; `except` is left out. */
async function usedOfLots(
  reader: Reader,
  except?: { readonly batchId: string; readonly stepKey: string },
): Promise<ReadonlyMap<string, number>> {
  const rows = await reader
    .select({ batchId: benchRecords.batchId, stepKey: benchRecords.stepKey, lots: benchRecords.lots })
    .from(benchRecords)
    .where(isNotNull(benchRecords.lots))
    .orderBy(asc(benchRecords.id))
  const last = new Map(rows.map((row) => [`${row.batchId} ${row.stepKey}`, row]))
  if (except) last.delete(`${except.batchId} ${except.stepKey}`)
  const used = new Map<string, number>()
  for (const { lots: uses } of last.values())
    for (const { lotId, amount } of uses ?? []) used.set(lotId, cleanAmount((used.get(lotId) ?? 0) + amount))
  return used
}

/** The workshop's own fats, those taken away among them. */
export async function readOwnFats(reader: Reader): Promise<readonly Fat[]> {
  const own = await keptRows<SavedOwnFat>(reader, ownFats)
  return own.map(({ id, version: _version, isRemoved: _removed, ...details }) => asFat(id, details))
}

/** The stores as they stand, what was taken away left out. */
export async function readStock(
  reader: Reader,
  except?: { readonly batchId: string; readonly stepKey: string },
): Promise<Stock> {
  const used = await usedOfLots(reader, except)
  const known = await keptRows<SavedIngredient>(reader, ingredients)
  const isKept = new Set(known.flatMap(({ id, isRemoved }) => (isRemoved ? [] : [id])))
  const all = await keptRows<SavedLot>(reader, lots)
  return {
    ownFats: await readOwnFats(reader),
    ingredients: known.filter(({ isRemoved }) => !isRemoved),
    lots: all
      .filter(({ isRemoved, ingredientId }) => !isRemoved && isKept.has(ingredientId))
      .map((lot) => {
        const usedAmount = used.get(lot.id) ?? 0
        return { ...lot, usedAmount, leftAmount: leftOfLot(lot, usedAmount) }
      }),
  }
}

/** The workshop's own fats, and all as the lots at hand on a day narrow them. */
export const knownFatsOn = (day: Day, { ingredients: known, lots: at, ownFats: own }: Stock): readonly Fat[] =>
  certifiedFats(known, at, day, own)

const lotsOfKey = (stock: Stock, key: string): readonly LotView[] => {
  const ids = stock.ingredients.filter((one: Ingredient) => keyOfIngredient(one) === key).map(({ id }) => id)
  return stock.lots.filter(({ ingredientId }) => ids.includes(ingredientId))
}

/**
 * The lots that a weighing is taken from: the one the maker chose first, then the oldest.
 *
 * @returns null for what the stores do not keep
 * @throws 422 if the chosen lot may not be used
 */
export async function lotsForWeighing(
  reader: Reader,
  plan: BatchPlan,
  weighing: {
    readonly batchId: string
    readonly stepKey: string
    readonly actual: number | null
    readonly lotId: string | undefined
  },
  today: Day,
): Promise<readonly LotUse[] | null> {
  const use = useOfStep(plan, weighing.stepKey, weighing.actual)
  if (!use) return null
  const choices = lotsOfKey(await readStock(reader, weighing), use.key)
  if (choices.length === 0) return null
  const chosen = choices.find(({ id }) => id === weighing.lotId)
  const fault = chosen && lotFault(chosen, today)
  if (weighing.lotId !== undefined && (!chosen || fault)) {
    const message = chosen && fault ? lotFaultMessage(chosen, fault, today) : `That is no lot of ${use.name}.`
    throw unprocessable(message, [{ field: 'lotId', message }])
  }
  const first = chosen ? takeOldestFirst([chosen], use.amount, today) : { taken: [], missing: use.amount }
  const rest = takeOldestFirst(
    choices.filter((lot) => lot !== chosen),
    first.missing,
    today,
  )
  return [...first.taken, ...rest.taken]
}

/** What the stores have for each step of a pour. */
export async function stockOfPlan(reader: Reader, plan: BatchPlan, today: Day): Promise<readonly StepStock[]> {
  const stock = await readStock(reader)
  return usesOfPlan(plan).flatMap(({ stepKey, key, name }) => {
    const choices = oldestFirst(lotsOfKey(stock, key)) as readonly LotView[]
    if (choices.length === 0) return []
    return [
      {
        stepKey,
        name,
        lots: choices
          .filter((lot) => lotFault(lot, today) === undefined)
          .map(({ id, supplier, lotNumber, leftAmount, bestBeforeDay }) => ({
            ...{ id, supplier, lotNumber, leftAmount, bestBeforeDay },
          })),
        refused: choices.flatMap((lot) => {
          const fault = lotFault(lot, today)
          return fault === 'recalled' || fault === 'expired' ? [lotFaultMessage(lot, fault, today)] : []
        }),
      },
    ]
  })
}

/** The lots that the last record of each step names. */
export async function lotsUsedIn(reader: Reader, records: readonly RecordedStep[]): Promise<readonly LotUsed[]> {
  const last = new Map(records.map(({ stepKey, lots: uses }) => [stepKey, uses]))
  const allLots = await keptRows<SavedLot>(reader, lots)
  const nameOf = new Map((await keptRows<SavedIngredient>(reader, ingredients)).map(({ id, name }) => [id, name]))
  const lotOf = new Map(allLots.map((lot) => [lot.id, lot]))
  return [...last].flatMap(([stepKey, uses]) =>
    (uses ?? []).flatMap((use) => {
      const lot = lotOf.get(use.lotId)
      if (!lot) return []
      const { supplier, lotNumber, ingredientId } = lot
      const cents = costOfUses([use], [{ ...lot, leftAmount: 0 }])
      return [{ stepKey, name: nameOf.get(ingredientId) ?? '', supplier, lotNumber, amount: use.amount, cents }]
    }),
  )
}
