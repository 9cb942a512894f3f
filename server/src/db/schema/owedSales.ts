import type { SaleChannel } from '@vendange/core/loaf'
import { integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { makers } from './makers'

/** Sales that were reported and found no bar: the buyer paid, and somebody settles it. */
export const owedSales = sqliteTable('owed_sales', {
  saleId: text('sale_id').primaryKey(),
  day: text().notNull(),
  designId: text('design_id').notNull(),
  channel: text().$type<SaleChannel>().notNull(),
  bars: integer().notNull(),
  buyer: text().notNull(),
  priceCents: integer('price_cents'),
  /** Why no bar was found, in words, as it was told then. */
  why: text().notNull(),
  at: text().notNull(),
  makerId: text('maker_id')
    .notNull()
    .references(() => makers.id),
  /** How it was settled; null while it is open. */
  settled: text({ enum: ['free_bar', 'money_back'] }),
  settledAt: text('settled_at'),
  settledBy: text('settled_by').references(() => makers.id),
})
