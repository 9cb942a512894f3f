import { count, sql, sum } from 'drizzle-orm'
import type { Database, Reader } from './database'
import { damagedRows, ingredients, lots, ownFats } from './schema'
import type { Stock } from './storesRow'
import { readStock } from './storesRow'

/**
 * Another text once anything of a lot is another. What was used is weighed by the lot: a step that is weighed again from
 * another lot leaves the sum as it was.
 */
export async function stampOfLots(read: Reader): Promise<string> {
  const [now] = await read
    .select({
      count: count(),
      versions: sum(lots.version),
      used: sql<number>`sum(${lots.usedAmount} * ${lots}.rowid)`,
    })
    .from(lots)
  return JSON.stringify(now)
}

/**
 * The stores as they stand, read anew only once something of them is another: each change counts a version up, and each
 * weighing what was used of a lot.
 */
export function keptStock(database: Pick<Database, 'read' | 'epoch'>): () => Promise<Stock> {
  let known: { readonly stamp: string; readonly stock: Stock } | undefined
  return async () => {
    const { read } = database
    const [things] = await read.select({ count: count(), versions: sum(ingredients.version) }).from(ingredients)
    const [fats] = await read.select({ count: count(), versions: sum(ownFats.version) }).from(ownFats)
    const deliveries = await stampOfLots(read)
    // What was mended is another, too.
    const [mended] = await read.select({ count: count() }).from(damagedRows)
    const stamp = JSON.stringify([database.epoch(), things, fats, deliveries, mended])
    if (known?.stamp !== stamp) known = { stamp, stock: await readStock(read) }
    return known.stock
  }
}
