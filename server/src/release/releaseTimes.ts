import type { NewSale } from '@vendange/contract'
import type { ReleaseTimes } from '@vendange/core/loaf'
import { leftOfMoment } from '@vendange/core/loaf'
import { eq } from 'drizzle-orm'
import type { Reader } from '../db/database'
import { collections, designs } from '../db/schema'
import { loavesOfDesign } from './sellableLoaves'
import { takersOfLoaves } from './takersOfLoaves'

/** When a soap comes out, and for whom before; undefined of one that belongs to no collection. */
export async function releaseTimesOf(
  reader: Reader,
  designId: string,
): Promise<(ReleaseTimes & { readonly collectionId: string }) | undefined> {
  const [times] = await reader
    .select({
      collectionId: collections.id,
      releaseLocal: collections.releaseLocal,
      releaseZone: collections.releaseZone,
      early: collections.early,
    })
    .from(designs)
    .innerJoin(collections, eq(designs.collectionId, collections.id))
    .where(eq(designs.id, designId))
  return times
}

/** Bars of a collection that were sold before a sale: to its shop or stall where a moment names it, else through its channel. */
export async function soldBarsBefore(
  reader: Reader,
  { collectionId, early }: ReleaseTimes & { readonly collectionId: string },
  { channel, buyer }: Pick<NewSale, 'channel' | 'buyer'>,
): Promise<number> {
  // Without a limit nothing is counted.
  if (early.every((moment) => leftOfMoment(moment, 0) === null)) return 0
  const isNamed = early.some(({ audience }) => audience === buyer)
  const soaps = await reader.select({ id: designs.id }).from(designs).where(eq(designs.collectionId, collectionId))
  let sold = 0
  for (const { id } of soaps) {
    const loaves = await loavesOfDesign(reader, id)
    sold += isNamed
      ? (await takersOfLoaves(reader, loaves))
          .filter((taker) => taker.channel === channel && taker.who === buyer)
          .reduce((sum, taker) => sum + taker.sold, 0)
      : loaves
          .flatMap(({ state }) => state.channels.filter((one) => one.channel === channel))
          .reduce((sum, one) => sum + one.sold, 0)
  }
  return sold
}
