import { sentence } from '@vendange/core/findings'
import type { BatchSummary, SavedDesign, SavedMaker, SavedMould, SavedRecipe, SavedWorkshop } from '@vendange/contract'

import type { BatchPlan, BatchSource, PieceMakeup, PourPart } from '@vendange/core/batch'
import { batchPlan, makeupOf, sourceOfPart } from '@vendange/core/batch'
import type { Day } from '@vendange/core/calendar'
import { plannedMoves } from '@vendange/core/pour'
import type { Recipe } from '@vendange/core/recipe'
import type { WorkingHours } from '@vendange/core/season'
import { barsOfBatch, batchDays, batchDemand, daysAsHappened, workingHours } from '@vendange/core/season'
import { eq, inArray } from 'drizzle-orm'
import { stale, unprocessable } from './refusal'
import type { Reader, Transaction } from './database'
import { findRow, findRows } from './versionedRepository'
import type { FrozenBatch } from './schema'
import { batches, designs, loaves, makers, moulds, recipes } from './schema'
import { frozenVersion } from './schema/frozenBatch'
import type { KnownMaterials, Stock } from './storesRow'
import { knownMaterialsOn, readMaterials } from './storesRow'
import { readWorkshop } from './workshopRow'

export type BatchRow = typeof batches.$inferSelect

/** A design with its recipe and mould. @throws 404 without the design, 422 while recipe or mould is not chosen */
export async function readBatchSource(
  reader: Reader,
  designId: string,
  own: PourPart | null = null,
  /** Materials as the stores know them on its day; without them its figures are those of the tables. */
  materials: Partial<KnownMaterials> = {},
): Promise<BatchSource & { design: SavedDesign; mould: SavedMould; recipe: SavedRecipe & Recipe }> {
  const wanted = await findRow<SavedDesign>(reader, designs, designId, 'design')
  const design = { ...wanted, ...(own ? { mouldId: own.mouldId, mouldCount: own.mouldCount, moreMoulds: [] } : {}) }
  if (design.recipeId === null || design.mouldId === null) {
    throw unprocessable(sentence('choose_parts', { soap: design.name }), [
      { field: design.recipeId === null ? 'recipeId' : 'mouldId', message: sentence('choose_one_first') },
    ])
  }
  const mould = await findRow<SavedMould>(reader, moulds, design.mouldId, 'mould')
  const source = {
    design,
    recipe: { ...(await findRow<SavedRecipe>(reader, recipes, design.recipeId, 'recipe')), ...materials },
    mould,
    more: await Promise.all(
      design.moreMoulds.map(async ({ mouldId, count }) => ({
        mould: await findRow<SavedMould>(reader, moulds, mouldId, 'mould'),
        count,
      })),
    ),
    settings: await readWorkshop(reader),
  }
  return own ? sourceOfPart(source, own, mould) : source
}

/** What loaves are made of, by their ids: pieces of them may go into another soap. */
async function makeupsOf(reader: Reader, loafIds: readonly string[]): Promise<ReadonlyMap<string, PieceMakeup>> {
  if (loafIds.length === 0) return new Map()
  const rows = await reader
    .select({ id: loaves.id, frozen: batches.frozen })
    .from(loaves)
    .innerJoin(batches, eq(loaves.batchId, batches.id))
    .where(inArray(loaves.id, [...loafIds]))
  return new Map(rows.flatMap(({ id, frozen }) => (frozen ? [[id, makeupOf(frozen.plan)] as const] : [])))
}

/** "Regatta, pour 2 of 4". */
function batchName(designName: string, label: string): string {
  return label === '' ? designName : `${designName}, ${label}`
}

/**
 * What a batch would be made by, were it begun now.
 *
 * @param stock the stores as they stand, where the caller has read them already
 * @throws as `readBatchSource` does
 */
export async function freezeBatch(reader: Reader, batch: BatchRow, stock?: Stock): Promise<FrozenBatch> {
  const materials = knownMaterialsOn(batch.pourDay, stock ?? (await readMaterials(reader)))
  const source = await readBatchSource(reader, batch.designId, batch.own, materials)
  const workshop = await readWorkshop(reader)
  const { design, mould, more = [] } = source
  const moves = plannedMoves(design.pourPlan, [{ mould, count: design.mouldCount }, ...more])
  const makeups = await makeupsOf(
    reader,
    design.pieces.map(({ loafId }) => loafId),
  )
  return {
    version: frozenVersion,
    plan: {
      ...batchPlan({ ...source, moves, madeOf: ({ loafId }) => makeups.get(loafId) ?? null }),
      designName: batchName(source.design.name, batch.label),
    },
    mouldId: source.mould.id,
    mouldCount: source.design.mouldCount,
    moreMoulds: source.design.moreMoulds,
    demand: batchDemand(source.recipe, workshop),
    labelMassG: source.design.labelMassG,
  }
}

/** The batch with this id, not one taken away. @throws 404 if there is none */
export async function readBatch(
  reader: Reader,
  id: string,
): Promise<BatchRow & { readonly frozen: FrozenBatch | null }> {
  return findRow<BatchRow>(reader, batches, id, 'pour')
}

/** The plan a batch works by: frozen once begun, else as its design stands now. */
export async function planOfBatch(reader: Reader, batch: BatchRow): Promise<BatchPlan> {
  return (batch.frozen ?? (await freezeBatch(reader, batch))).plan
}

interface SummaryParts {
  readonly design: Pick<SavedDesign, 'id' | 'name' | 'mouldId' | 'mouldCount' | 'moreMoulds' | 'barsWanted'>
  readonly recipe: SavedRecipe | undefined
  readonly workshop: SavedWorkshop
  readonly working: WorkingHours
  /** By id. */
  readonly moulds: ReadonlyMap<string, SavedMould>
  /** Day of the cut, when it was made. */
  readonly cutDay: Day | undefined
}

/** A batch on the calendar; undefined while its design lacks recipe or mould. */
export function summariseBatch(
  batch: BatchRow,
  { design, recipe, workshop, working, moulds, cutDay }: SummaryParts,
): BatchSummary | undefined {
  const demand = batch.frozen?.demand ?? (recipe && batchDemand(recipe, workshop))
  const mouldId = batch.frozen?.mouldId ?? batch.own?.mouldId ?? design.mouldId
  if (!demand || mouldId === null) return undefined
  const filled = {
    mouldId,
    mouldCount: batch.frozen?.mouldCount ?? batch.own?.mouldCount ?? design.mouldCount,
    moreMoulds: batch.frozen ? batch.frozen.moreMoulds : batch.own ? [] : design.moreMoulds,
  }
  return {
    id: batch.id,
    version: batch.version,
    designId: design.id,
    name: batch.frozen?.plan.designName ?? batchName(design.name, batch.label),
    ...filled,
    bars:
      batch.frozen?.plan.barsPlanned ??
      barsOfBatch(filled, moulds, batch.own?.barThicknessMm) ??
      batch.own?.barsWanted ??
      design.barsWanted,
    part: batch.own,
    isPinned: batch.isPinned,
    status: batch.status,
    demand,
    days: daysAsHappened(batchDays(batch.pourDay, demand, working), cutDay ?? batch.cutDay ?? undefined, demand),
  }
}

/** Reads and summarises one batch. @throws 404 if there is none, 422 while its design lacks recipe or mould */
export async function readBatchSummary(reader: Reader, id: string, cutDay?: Day): Promise<BatchSummary> {
  const batch = await readBatch(reader, id)
  const design = await findRow<SavedDesign>(reader, designs, batch.designId, 'design')
  const recipe =
    design.recipeId === null ? undefined : await findRow<SavedRecipe>(reader, recipes, design.recipeId, 'recipe')
  const workshop = await readWorkshop(reader)
  const working = workingHours({ workshop, makers: await findRows<SavedMaker>(reader, makers) })
  // At the bench its bars stand in the frozen plan already.
  const all = batch.frozen ? [] : await findRows<SavedMould>(reader, moulds)
  const known = new Map(all.map((mould) => [mould.id, mould]))
  const summary = summariseBatch(batch, { design, recipe, workshop, working, moulds: known, cutDay })
  if (!summary) throw unprocessable(sentence('choose_parts', { soap: design.name }))
  return summary
}

/** A planned, unbegun batch read under its version. @throws 409 if it was changed meanwhile, 422 if the bench has begun */
export async function readToChange(reader: Reader, id: string, version: number): Promise<BatchRow> {
  const row = await readBatch(reader, id)
  if (row.version !== version) throw stale('pour', await readBatchSummary(reader, id))
  if (row.status !== 'planned') throw unprocessable(sentence('pour_begun'))
  return row
}

/** A new pour on the calendar, with its days and what it makes of its design. */
export interface PlannedPour {
  readonly id: string
  readonly designId: string
  readonly pourDay: Day
  /** Null: the first day with hours in its setting time. */
  readonly cutDay: Day | null
  /** @default all of its design */
  readonly own?: PourPart | null
  /** Said after the design’s name. @default nothing */
  readonly label?: string
  /** @default not pinned to its days */
  readonly isPinned?: boolean
}

/** Puts a pour on the calendar. */
export async function insertPlanned(transaction: Transaction, pour: PlannedPour): Promise<void> {
  await transaction.insert(batches).values({ ...pour, version: 1, isRemoved: false, status: 'planned', frozen: null })
}
