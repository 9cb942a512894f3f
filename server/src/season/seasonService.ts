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
import { workingHours } from '@vendange/contract'
import type { Day } from '@vendange/core/calendar'
import { addDays } from '@vendange/core/calendar'
import type { LoafStatus } from '@vendange/core/loaf'
import { and, eq, gte, ne, or } from 'drizzle-orm'
import { summariseBatch } from '../db/batchRow'
import { keptRows } from '../db/keptThings'
import { readLoaves } from '../db/loafRow'
import { batches, collections, dayTicks, designs, loaves, makers, moulds, orders, ownFats, recipes } from '../db/schema'
import { knownFatsOn, readStock } from '../db/storesRow'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'

export interface SeasonService {
  view(): Promise<SeasonView>
}

/** Poured batches older than this are history; they stand in the notebook. */
const daysOfPast = 60

export function seasonService({ database, clock }: Context): SeasonService {
  async function readView(): Promise<SeasonView> {
    const { read } = database
    const workshop = await readWorkshop(read)
    const everyone = await keptRows<SavedMaker>(read, makers)
    const working = workingHours({ workshop, makers: everyone })
    const today: Day = clock.today(workshop.timeZone)
    const allDesigns = await keptRows<SavedDesign>(read, designs)
    const allRecipes = await keptRows<SavedRecipe>(read, recipes)
    const designById = new Map(allDesigns.map((design) => [design.id, design]))
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
    const open = await read.select({ id: loaves.id, batchId: loaves.batchId, status: loaves.status }).from(loaves)
    const isOver = (status: LoafStatus): boolean => status === 'released' || status === 'failed'
    const wanted = open.filter(({ batchId, status }) => !isOver(status) || recent.includes(batchId))
    const hasLoaf = new Set(open.map(({ batchId }) => batchId))
    const isAlive = new Set(open.flatMap(({ batchId, status }) => (status === 'failed' ? [] : [batchId])))
    const shown = await readLoaves(
      read,
      wanted.map(({ id }) => id),
    )
    const cutDayOf = new Map(
      shown.flatMap((loaf) => (loaf.state.cut ? [[loaf.batchId, loaf.state.cut.day] as const] : [])),
    )

    return {
      today,
      workshop,
      makers: everyone,
      moulds: await keptRows<SavedMould>(read, moulds),
      recipes: allRecipes,
      ownFats: await keptRows<SavedOwnFat>(read, ownFats),
      knownFats: knownFatsOn(today, await readStock(read)),
      collections: await keptRows<SavedCollection>(read, collections),
      designs: allDesigns,
      orders: await keptRows<SavedOrder>(read, orders),
      ticks: await read
        .select({ day: dayTicks.day, taskKey: dayTicks.taskKey, makerName: makers.name })
        .from(dayTicks)
        .innerJoin(makers, eq(dayTicks.makerId, makers.id))
        .where(gte(dayTicks.day, addDays(today, -daysOfPast))),
      // A pour whose every loaf failed holds nothing on the calendar any more; its record stays in the notebook.
      batches: rows
        .filter(({ id }) => !hasLoaf.has(id) || isAlive.has(id))
        .flatMap((row) => {
          const design = designById.get(row.designId)
          const recipe = design?.recipeId ? recipeById.get(design.recipeId) : undefined
          const summary =
            design && summariseBatch(row, { design, recipe, workshop, working, cutDay: cutDayOf.get(row.id) })
          return summary ? [summary] : []
        })
        .sort((a, b) => a.days.pourDay.localeCompare(b.days.pourDay)),
      loaves: shown,
    }
  }

  // Every page asks for it and little changes between: read anew only after a write, or on a new day.
  let kept: { readonly revision: number; readonly view: SeasonView } | undefined
  return {
    view: async () => {
      const revision = database.revision()
      const isCurrent = kept?.revision === revision && kept.view.today === clock.today(kept.view.workshop.timeZone)
      if (!kept || !isCurrent) kept = { revision, view: await readView() }
      return kept.view
    },
  }
}
