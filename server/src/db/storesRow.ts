import { sentence } from '@vendange/core/findings'
import type { LotUsed, LotView, RecordedStep, SavedIngredient, SavedOwnFat, StepStock } from '@vendange/contract'
import type { BatchPlan } from '@vendange/core/batch'
import type { Day } from '@vendange/core/calendar'
import type { Fat } from '@vendange/core/fats'
import { asFat } from '@vendange/core/fats'
import type { Recipe } from '@vendange/core/recipe'
import type { NameOnLabel } from '@vendange/core/release'
import { namesOnLabel } from '@vendange/core/release'
import type { Ingredient, LotUse, Prices } from '@vendange/core/stores'
import {
  certifiedFats,
  cleanAmount,
  costOfUses,
  densitiesKnown,
  keyOfIngredient,
  leftOfLot,
  lotFault,
  lotFaultSentence,
  makeupsKnown,
  oldestFirst,
  overdrawn,
  pricesOf,
  takeOldestFirst,
  useOfStep,
  usesOfPlan,
} from '@vendange/core/stores'
import { and, asc, eq, inArray, or, sql } from 'drizzle-orm'
import { unprocessable } from './refusal'
import type { Reader, Transaction } from './database'
import { findRows } from './versionedRepository'
import { ingredients, lots, lotUses, ownFats } from './schema'

/** Ingredients and lots as they stand. */
export interface Stock {
  readonly ingredients: readonly SavedIngredient[]
  readonly lots: readonly LotView[]
  /** Fats of the workshop's own, those taken away among them: an older recipe may still be made of one. */
  readonly ownFats: readonly Fat[]
}

/** A step of a pour at the bench. */
interface StepOfPour {
  readonly batchId: string
  readonly stepKey: string
}

const ofStep = ({ batchId, stepKey }: StepOfPour) => and(eq(lotUses.batchId, batchId), eq(lotUses.stepKey, stepKey))

/** A lot that is empty is shown for so long, days from its delivery to the newest one. A rule of the house. */
const daysShown = 400

/** Keeps what a step took of its lots, and with each lot the sum of it; the last record of a step holds. */
export async function keepUses(
  transaction: Transaction,
  { batchId, stepKey }: StepOfPour,
  uses: readonly LotUse[] | null,
): Promise<void> {
  const before = await transaction
    .delete(lotUses)
    .where(ofStep({ batchId, stepKey }))
    .returning({ lotId: lotUses.lotId })
  if (uses && uses.length > 0)
    await transaction.insert(lotUses).values(uses.map(({ lotId, amount }) => ({ batchId, stepKey, lotId, amount })))
  await sumUses(
    transaction,
    [...before, ...(uses ?? [])].map(({ lotId }) => lotId),
  )
}

/** Adds up anew what was used of some lots. */
async function sumUses(transaction: Transaction, lotIds: readonly string[]): Promise<void> {
  for (const lotId of new Set(lotIds)) {
    const [used] = await transaction
      .select({ amount: sql<number>`coalesce(sum(${lotUses.amount}), 0)` })
      .from(lotUses)
      .where(eq(lotUses.lotId, lotId))
    await transaction
      .update(lots)
      .set({ usedAmount: cleanAmount(used?.amount ?? 0) })
      .where(eq(lots.id, lotId))
  }
}

/** What the stores call their things on a label. */
export async function readNamesOnLabel(reader: Reader): Promise<readonly NameOnLabel[]> {
  return namesOnLabel((await findRows<SavedIngredient>(reader, ingredients)).filter(({ isRemoved }) => !isRemoved))
}

/** The workshop's own fats, those taken away among them. */
export async function readOwnFats(reader: Reader): Promise<readonly Fat[]> {
  const own = await findRows<SavedOwnFat>(reader, ownFats)
  return own.map(({ id, version: _version, isRemoved: _removed, ...details }) => asFat(id, details))
}

/**
 * The stores as they stand, what was taken away left out.
 *
 * @param except a step that is weighed again: what it took before counts as not taken
 */
export async function readStock(reader: Reader, except?: StepOfPour): Promise<Stock> {
  const known = await findRows<SavedIngredient>(reader, ingredients)
  const isKept = new Set(known.flatMap(({ id, isRemoved }) => (isRemoved ? [] : [id])))
  const givenBack = except
    ? new Map(
        (await reader.select().from(lotUses).where(ofStep(except))).map(
          ({ lotId, amount }) => [lotId, amount] as const,
        ),
      )
    : new Map<string, number>()
  const rows = await reader
    .select()
    .from(lots)
    .where(
      and(
        eq(lots.isRemoved, false),
        // What was used up long ago is history: it is traced, and no longer in the stores.
        or(
          // One below zero stays in sight until it is counted.
          sql`${lots.receivedAmount} + ${lots.adjustment} - ${lots.usedAmount} <> 0`,
          sql`${lots.receivedDay} >= (select date(max(received_day), ${`-${daysShown} days`}) from lots)`,
          inArray(lots.id, [...givenBack.keys()]),
        ),
      ),
    )
    .orderBy(asc(lots.id))
  return {
    ownFats: await readOwnFats(reader),
    ingredients: known.filter(({ isRemoved }) => !isRemoved),
    lots: rows
      .filter(({ ingredientId }) => isKept.has(ingredientId))
      .map((lot) => {
        const usedAmount = cleanAmount(lot.usedAmount - (givenBack.get(lot.id) ?? 0))
        return { ...lot, usedAmount, leftAmount: leftOfLot(lot, usedAmount) }
      }),
  }
}

/** The stores as far as recipes are reckoned by them: what is left of fats, and what is known of all else. */
export async function readMaterials(reader: Reader): Promise<Stock> {
  const known = (await findRows<SavedIngredient>(reader, ingredients)).filter(({ isRemoved }) => !isRemoved)
  const fats = known.flatMap(({ id, kind }) => (kind === 'fat' ? [id] : []))
  const rows = await reader
    .select()
    .from(lots)
    .where(
      and(
        eq(lots.isRemoved, false),
        inArray(lots.ingredientId, fats),
        sql`${lots.receivedAmount} + ${lots.adjustment} - ${lots.usedAmount} > 0`,
      ),
    )
    .orderBy(asc(lots.id))
  return {
    ownFats: await readOwnFats(reader),
    ingredients: known,
    lots: rows.map((lot) => ({ ...lot, leftAmount: leftOfLot(lot, lot.usedAmount) })),
  }
}

/** What everything in the stores costs on a day. */
export const pricesOn = (day: Day, { ingredients: known, lots: at }: Stock): Prices => pricesOf(known, at, day)

/** What a workshop knows of its materials, which goes before the tables. */
export type KnownMaterials = Required<Pick<Recipe, 'knownFats' | 'knownDensities' | 'knownMakeups'>>

/** The workshop's own fats, and all as the lots at hand on a day narrow them; and the densities and makeups that it stated. */
export const knownMaterialsOn = (day: Day, { ingredients: known, lots: at, ownFats: own }: Stock): KnownMaterials => ({
  knownFats: certifiedFats(known, at, day, own),
  knownDensities: densitiesKnown(known),
  knownMakeups: makeupsKnown(known),
})

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
    const message = chosen && fault ? lotFaultSentence(chosen, fault) : sentence('no_lot_of', { ingredient: use.name })
    throw unprocessable(message, [{ field: 'lotId', message }])
  }
  const first = chosen ? takeOldestFirst([chosen], use.amount, today) : { taken: [], missing: use.amount }
  const rest = takeOldestFirst(
    choices.filter((lot) => lot !== chosen),
    first.missing,
    today,
  )
  return overdrawn({ taken: [...first.taken, ...rest.taken], missing: rest.missing }, choices, today)
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
            id,
            supplier,
            lotNumber,
            leftAmount,
            bestBeforeDay,
          })),
        refused: choices.flatMap((lot) => {
          const fault = lotFault(lot, today)
          return fault === 'recalled' || fault === 'expired' ? [lotFaultSentence(lot, fault)] : []
        }),
      },
    ]
  })
}

/** The lots that the last record of each step names. */
export const lotsUsedIn = async (reader: Reader, records: readonly RecordedStep[]): Promise<readonly LotUsed[]> =>
  (await lotsUsedInEach(reader, new Map([['', records]]))).get('') ?? []

/** As {@link lotsUsedIn} for many batches at once, by whatever the records are known under. */
export async function lotsUsedInEach(
  reader: Reader,
  recordsOf: ReadonlyMap<string, readonly RecordedStep[]>,
): Promise<ReadonlyMap<string, readonly LotUsed[]>> {
  // Of a step that was recorded twice the later line holds.
  const usesOf = new Map(
    [...recordsOf].map(([key, records]) => [
      key,
      new Map(records.map(({ stepKey, lots: uses }) => [stepKey, uses ?? []])),
    ]),
  )
  const usedIds = new Set([...usesOf.values()].flatMap((steps) => [...steps.values()].flat()).map(({ lotId }) => lotId))
  const allLots = await reader
    .select()
    .from(lots)
    .where(inArray(lots.id, [...usedIds]))
  const nameOf = new Map((await findRows<SavedIngredient>(reader, ingredients)).map(({ id, name }) => [id, name]))
  const lotOf = new Map(allLots.map((lot) => [lot.id, lot]))
  const usedAs = (stepKey: string, use: LotUse): readonly LotUsed[] => {
    const lot = lotOf.get(use.lotId)
    if (!lot) return []
    const { id: lotId, supplier, lotNumber, ingredientId, isRecalled } = lot
    const cents = costOfUses([use], [{ ...lot, leftAmount: 0 }])
    const name = nameOf.get(ingredientId) ?? ''
    return [{ stepKey, name, supplier, lotNumber, isRecalled, lotId, amount: use.amount, cents }]
  }
  return new Map(
    [...usesOf].map(([key, steps]) => [
      key,
      [...steps].flatMap(([stepKey, uses]) => uses.flatMap((use) => usedAs(stepKey, use))),
    ]),
  )
}
