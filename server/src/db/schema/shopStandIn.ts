import { integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'

/** What the simulated web shop has on offer. It knows soaps and numbers, and nothing of loaves. */
export const shopOffers = sqliteTable('shop_offers', {
  designId: text('design_id').primaryKey(),
  name: text().notNull(),
  offered: integer().notNull(),
  priceCents: integer('price_cents').notNull(),
})

/** What the simulated web shop sold. */
export const shopSales = sqliteTable('shop_sales', {
  number: integer().primaryKey({ autoIncrement: true }),
  designId: text('design_id').notNull(),
  bars: integer().notNull(),
  buyer: text().notNull(),
  day: text().notNull(),
})
