import type { NewSale, OwedSale } from '@vendange/contract'
import { and, asc, eq, isNull } from 'drizzle-orm'
import type { Reader, Transaction } from './database'
import { designs, makers, owedSales } from './schema'

/** When something is written down, and by whom. */
interface Stamp {
  readonly at: string
  readonly makerId: string
}

/**
 * Keeps a sale that found no bar until somebody settles it, once however often it is reported.
 *
 * @returns whether it is owed: false where it was settled before, or where there is no such soap to owe
 */
export async function keepOwed(
  transaction: Transaction,
  { lotCode: _, ...sale }: NewSale,
  why: string,
  { at, makerId }: Stamp,
): Promise<boolean> {
  const [soap] = await transaction.select({ id: designs.id }).from(designs).where(eq(designs.id, sale.designId))
  if (!soap) return false
  await transaction
    .insert(owedSales)
    .values({ ...sale, why, at, makerId })
    .onConflictDoUpdate({ target: owedSales.saleId, set: { why } })
  return (await openSale(transaction, sale.saleId)) !== undefined
}

/** A sale as it was reported. */
const reportedColumns = {
  saleId: owedSales.saleId,
  day: owedSales.day,
  designId: owedSales.designId,
  channel: owedSales.channel,
  bars: owedSales.bars,
  buyer: owedSales.buyer,
  priceCents: owedSales.priceCents,
}

/** A sale that is owed still. */
export async function openSale(
  reader: Reader,
  saleId: string,
): Promise<(NewSale & { readonly lotCode: '' }) | undefined> {
  const [found] = await reader
    .select(reportedColumns)
    .from(owedSales)
    .where(and(eq(owedSales.saleId, saleId), isNull(owedSales.settled)))
  return found && { ...found, lotCode: '' }
}

/** Whether a sale was owed and has been settled: it is done with, however often it is reported. */
export async function isSettled(reader: Reader, saleId: string): Promise<boolean> {
  const [found] = await reader
    .select({ settled: owedSales.settled })
    .from(owedSales)
    .where(eq(owedSales.saleId, saleId))
  return found !== undefined && found.settled !== null
}

/** Writes down how a sale was settled; nothing where it is not owed. */
export async function settleOwed(
  transaction: Transaction,
  saleId: string,
  how: 'free_bar' | 'money_back',
  { at, makerId }: Stamp,
): Promise<void> {
  await transaction
    .update(owedSales)
    .set({ settled: how, settledAt: at, settledBy: makerId })
    .where(and(eq(owedSales.saleId, saleId), isNull(owedSales.settled)))
}

/** Sales that nobody has settled yet, the first first. */
export async function openSales(reader: Reader): Promise<readonly OwedSale[]> {
  return reader
    .select({
      ...reportedColumns,
      why: owedSales.why,
      makerName: makers.name,
    })
    .from(owedSales)
    .innerJoin(makers, eq(owedSales.makerId, makers.id))
    .where(isNull(owedSales.settled))
    .orderBy(asc(owedSales.at))
}
