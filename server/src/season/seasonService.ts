import { workingHours } from '@vendange/core/season'
import type {
  SavedCollection,
  SavedDesign,
  SavedMaker,
  SavedMould,
  SavedOrder,
  SavedOwnFat,
  SavedRecipe,
  SeasonView,
} from '@vendange/contract'

import type { Day } from '@vendange/core/calendar'
import { addDays } from '@vendange/core/calendar'
import { and, count, eq, gte, inArray, max, min, ne, or, sum } from 'drizzle-orm'
import { summariseBatch } from '../db/batchRow'
import type { TableOf, Versioned, VersionedTable } from '../db/versionedRepository'
import { findRows } from '../db/versionedRepository'
import { cachedView } from '../db/cachedView'
import { openDamage } from '../db/damage/openDamage'
import { readLoaves } from '../db/loafRow'
import { openSales } from '../db/owedSaleRow'
import { batches, collections, dayTicks, designs, loaves, makers, moulds, orders, ownFats, recipes } from '../db/schema'
import { keptStock } from '../db/keptStock'
import { knownMaterialsOn } from '../db/storesRow'
import { readWorkshop } from '../db/workshopRow'
import type { ReadingContext } from '../parts/context'

export interface SeasonService {
  view(): Promise<SeasonView>
}

/** Poured batches older than this are history; they stand in the notebook. */
const daysOfPast = 60

export function seasonService({ database, clock }: ReadingContext, stockNow = keptStock(database)): SeasonService {
  const rowsKept = new Map<VersionedTable, { readonly stamp: string; readonly rows: readonly unknown[] }>()
  /**
   * The rows of a kept table, read anew only when one of them has changed: each change counts its version up, and an
   * archive that is brought back has other ids.
   */
  async function rowsOf<Saved extends Versioned>(table: TableOf<Saved>): Promise<readonly Saved[]> {
    const [now] = await database.read
      .select({
        count: count(),
        versions: sum(table.version),
        firstId: min(table.id),
        lastId: max(table.id),
      })
      .from(table)
    const stamp = JSON.stringify({ ...now, epoch: database.epoch() })
    const known = rowsKept.get(table)
    if (known?.stamp === stamp) return known.rows as readonly Saved[]
    const rows = await findRows<Saved>(database.read, table)
    rowsKept.set(table, { stamp, rows })
    return rows
  }

  async function readView(): Promise<SeasonView> {
    const { read } = database
    const workshop = await readWorkshop(read)
    const everyone = await rowsOf<SavedMaker>(makers)
    const working = workingHours({ workshop, makers: everyone })
    const today: Day = clock.today(workshop.timeZone)
    const allDesigns = await rowsOf<SavedDesign>(designs)
    const allRecipes = await rowsOf<SavedRecipe>(recipes)
    const designById = new Map(allDesigns.map((design) => [design.id, design]))
    const allMoulds = await rowsOf<SavedMould>(moulds)
    const mouldById = new Map(allMoulds.map((mould) => [mould.id, mould]))
    const recipeById = new Map(allRecipes.map((recipe) => [recipe.id, recipe]))

    const rows = await read
      .select()
      .from(batches)
      .where(
        and(
          eq(batches.isRemoved, false),
          or(ne(batches.status, 'poured'), gte(batches.pourDay, addDays(today, -daysOfPast))),
        ),
      )
    const recent = rows.map(({ id }) => id)
    const open = await read
      .select({ id: loaves.id, batchId: loaves.batchId, status: loaves.status })
      .from(loaves)
      .where(or(eq(loaves.isDone, false), inArray(loaves.batchId, recent)))
    const hasLoaf = new Set(open.map(({ batchId }) => batchId))
    const isAlive = new Set(open.flatMap(({ batchId, status }) => (status === 'failed' ? [] : [batchId])))
    const shown = await readLoaves(
      read,
      open.map(({ id }) => id),
    )
    const cutDayOf = new Map(
      shown.flatMap((loaf) => (loaf.state.cut ? [[loaf.batchId, loaf.state.cut.day] as const] : [])),
    )

    return {
      today,
      revision: database.revision(),
      damaged: (await openDamage(read)).length,
      workshop,
      makers: everyone,
      moulds: allMoulds,
      recipes: allRecipes,
      ownFats: await rowsOf<SavedOwnFat>(ownFats),
      ...knownMaterialsOn(today, await stockNow()),
      collections: await rowsOf<SavedCollection>(collections),
      designs: allDesigns,
      orders: await rowsOf<SavedOrder>(orders),
      ticks: await read
        .select({ day: dayTicks.day, taskKey: dayTicks.taskKey, makerName: makers.name })
        .from(dayTicks)
        .innerJoin(makers, eq(dayTicks.makerId, makers.id))
        .where(gte(dayTicks.day, addDays(today, -daysOfPast))),
      owedSales: await openSales(read),
      // A pour whose every loaf failed holds nothing on the calendar any more; its record stays in the notebook.
      batches: rows
        .filter(({ id }) => !hasLoaf.has(id) || isAlive.has(id))
        .flatMap((row) => {
          const design = designById.get(row.designId)
          const recipe = design?.recipeId ? recipeById.get(design.recipeId) : undefined
          const summary =
            design &&
            summariseBatch(row, { design, recipe, workshop, working, moulds: mouldById, cutDay: cutDayOf.get(row.id) })
          return summary ? [summary] : []
        })
        .sort((a, b) => a.days.pourDay.localeCompare(b.days.pourDay)),
      loaves: shown,
    }
  }

  return { view: cachedView(database, ({ today, workshop }) => today === clock.today(workshop.timeZone), readView) }
}
