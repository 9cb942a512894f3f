import type { Ledger, MadeBatch, SoldBars, StockMove } from '@vendange/core/earnings'
import { benchHours } from '@vendange/core/plan'
import { usesOfPlan } from '@vendange/core/stores'
import { and, eq, inArray, sql } from 'drizzle-orm'
import type { Reader } from '../db/database'
import { keptByLoaf } from '../db/keptByLoaf'
import type { LoafWithPlan } from '../db/loafRow'
import { readLoavesWithPlans } from '../db/loafRow'
import { batches, benchRecords, collections, designs, lots, lotUses, orders } from '../db/schema'
import type { ReadingContext } from '../parts/context'
import { soldEvents } from './soldEvents'

/** What of a loaf goes into the ledger. */
interface KnownLoaf {
  readonly loaf: LoafWithPlan
  readonly sales: readonly (SoldBars & { readonly orderId: string | null })[]
}

/** Rows are read in so many at a time. */
const atOnce = 500
/** What a lot cost by the gram or piece, with its carriage; nothing where no price is known. */
const unitCents = sql<number>`case when ${lots.priceCents} > 0 and ${lots.receivedAmount} > 0 then (${lots.priceCents} + ${lots.carriageCents}) / ${lots.receivedAmount} else 0 end`

/** What the lots in each pour cost, how many of its steps took some, and whether one of them has no price. */
async function costsOfBatches(reader: Reader) {
  const rows = await reader
    .select({
      batchId: lotUses.batchId,
      cents: sql<number>`sum(${lotUses.amount} * ${unitCents})`,
      steps: sql<number>`count(distinct ${lotUses.stepKey})`,
      unpriced: sql<number>`sum(${lots.priceCents} = 0)`,
    })
    .from(lotUses)
    .innerJoin(lots, eq(lots.id, lotUses.lotId))
    .groupBy(lotUses.batchId)
  return new Map(rows.map(({ batchId, ...cost }) => [batchId, cost]))
}

/** What came into the stores and went into pours, day by day, at what it cost. */
async function movesOfStores(reader: Reader, today: string): Promise<readonly StockMove[]> {
  const came = await reader
    .select({
      day: lots.receivedDay,
      cents: sql<number>`sum(${lots.receivedAmount} * ${unitCents})`,
      counted: sql<number>`sum(${lots.adjustment} * ${unitCents})`,
    })
    .from(lots)
    .where(eq(lots.isRemoved, false))
    .groupBy(lots.receivedDay)
  const went = await reader
    .select({ day: batches.pourDay, cents: sql<number>`-sum(${lotUses.amount} * ${unitCents})` })
    .from(lotUses)
    .innerJoin(lots, and(eq(lots.id, lotUses.lotId), eq(lots.isRemoved, false)))
    .innerJoin(batches, eq(batches.id, lotUses.batchId))
    .groupBy(batches.pourDay)
  // When something was counted over or under is not known: it is so by today.
  const counted = came.reduce((sum, one) => sum + one.counted, 0)
  return [...came.map(({ day, cents }) => ({ day, cents })), ...went, { day: today, cents: counted }]
}

async function readMoney(reader: Reader, today: string) {
  return { costs: await costsOfBatches(reader), storesMoves: await movesOfStores(reader, today) }
}

/**
 * What was made, sold and charged, for what it earned. What was read of a loaf is kept until something more happens to
 * it, so that the record of many years is read once and not at every question.
 */
export function ledgerOf({ database }: ReadingContext) {
  let epoch: number | undefined
  const knownLoaves = keptByLoaf(database, async (reader, ids) => {
    const sales = await soldEvents(reader, ids)
    return new Map(
      (await readLoavesWithPlans(reader, ids)).map((loaf): [string, KnownLoaf] => {
        const { id, batchId } = loaf.loaf
        const own = (sales.get(id) ?? []).map(({ day, channel, bars, priceCents, orderId = null }) => ({
          ...{ batchId, day, channel, bars, priceCents, orderId },
          order: '',
        }))
        return [id, { loaf, sales: own }]
      }),
    )
  })
  /** Hours at the bench and things weighed of pours that are over: they do not change any more. */
  let overHours = new Map<string, number | null>()
  let weighedSteps = new Map<string, number>()

  async function readHours(reader: Reader, batchIds: readonly string[]): Promise<void> {
    const missing = batchIds.filter((id) => !overHours.has(id))
    for (let start = 0; start < missing.length; start += atOnce) {
      const some = missing.slice(start, start + atOnce)
      const rows = await reader
        .select({ batchId: benchRecords.batchId, at: benchRecords.at })
        .from(benchRecords)
        .where(inArray(benchRecords.batchId, some))
      const moments = new Map<string, string[]>()
      for (const { batchId, at } of rows) moments.set(batchId, [...(moments.get(batchId) ?? []), at])
      for (const id of some) overHours.set(id, benchHours(moments.get(id) ?? []))
    }
  }

  let money: { readonly stamp: string; readonly told: Awaited<ReturnType<typeof readMoney>> } | undefined
  /** What lots cost and where they went: read anew only once a lot was changed or something was weighed. */
  async function moneyOf(reader: Reader, today: string): ReturnType<typeof readMoney> {
    const [of] = await reader.select({ stamp: sql<string>`count(*) || ' ' || sum(${lots.version})` }).from(lots)
    const [used] = await reader
      .select({ stamp: sql<string>`count(*) || ' ' || coalesce(sum(${lotUses.amount}), 0)` })
      .from(lotUses)
    const stamp = [of?.stamp, used?.stamp, today].join(' ')
    if (money?.stamp !== stamp) money = { stamp, told: await readMoney(reader, today) }
    return money.told
  }

  /** @param today of the workshop */
  return async (today: string): Promise<Ledger & { readonly storesMoves: readonly StockMove[] }> => {
    const { read } = database
    if (epoch !== database.epoch())
      [overHours, weighedSteps, money, epoch] = [new Map(), new Map(), undefined, database.epoch()]
    const known = await knownLoaves()
    const byBatch = new Map<string, LoafWithPlan[]>()
    for (const { loaf } of known.values())
      byBatch.set(loaf.loaf.batchId, [...(byBatch.get(loaf.loaf.batchId) ?? []), loaf])
    await readHours(read, [...byBatch.keys()])
    const { costs, storesMoves } = await moneyOf(read, today)
    const of = new Map(
      (
        await read
          .select({ id: designs.id, collection: collections.name })
          .from(designs)
          .innerJoin(collections, eq(collections.id, designs.collectionId))
      ).map(({ id, collection }) => [id, collection]),
    )
    const allOrders = await read
      .select({ id: orders.id, client: orders.client, charges: orders.charges, isRemoved: orders.isRemoved })
      .from(orders)
    const clientOf = new Map(allOrders.map(({ id, client }) => [id, client]))

    const made = [...byBatch].map(([batchId, own]): MadeBatch => {
      const { loaf: first, frozen } = own[0]!
      const cost = costs.get(batchId)
      const steps = weighedSteps.get(batchId) ?? new Set(usesOfPlan(frozen.plan).map(({ stepKey }) => stepKey)).size
      weighedSteps.set(batchId, steps)
      const sum = (one: (loaf: LoafWithPlan['loaf']) => number): number =>
        own.reduce((all, { loaf }) => all + one(loaf), 0)
      const cutDays = own.flatMap(({ loaf }) => loaf.state.cut?.day ?? []).sort()
      return {
        batchId,
        soap: first.soapName,
        collection: of.get(first.designId) ?? '',
        pourDay: first.state.pouredDay ?? today,
        cutDay: cutDays[0] ?? null,
        ingredientCents: cost?.cents ?? 0,
        lacksPrices: (cost?.unpriced ?? 0) > 0 || (cost?.steps ?? 0) < steps,
        plannedHours: frozen.demand.prepHours + frozen.demand.pourHours,
        benchHours: overHours.get(batchId) ?? null,
        cutHours: frozen.demand.cutHours,
        finishMinutes: sum(({ state }) => state.finished.reduce((all, { minutes }) => all + minutes, 0)),
        barsPlanned: sum(({ barsPlanned }) => barsPlanned),
        barsOut: sum(({ state, barsPlanned }) => (state.status === 'failed' ? 0 : (state.cut?.bars ?? barsPlanned))),
        barsLost: sum(({ state }) => (state.status === 'failed' ? 0 : state.downgradedBars)),
        failedLoaves: sum(({ state }) => (state.status === 'failed' ? 1 : 0)),
      }
    })
    const sales: SoldBars[] = []
    for (const one of known.values())
      for (const sale of one.sales)
        sales.push(sale.orderId === null ? sale : { ...sale, order: clientOf.get(sale.orderId) ?? '' })
    const charges = allOrders
      .filter(({ isRemoved }) => !isRemoved)
      .flatMap((order) => order.charges.map(({ day, cents }) => ({ day, cents, order: order.client })))
    return { batches: made, sales, charges, storesMoves }
  }
}
