import type { NewShopOffer } from '@vendange/contract'
import { integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'

/** What the simulated web shop has on offer. It knows soaps and numbers, and nothing of loaves. */
export const shopOffers = sqliteTable('shop_offers', {
  designId: text('design_id').primaryKey(),
  name: text().notNull(),
  offered: integer().notNull(),
  priceCents: integer('price_cents').notNull(),
  dropId: text('drop_id').notNull().default(''),
  /** From when everybody may buy; null: at once. */
  opensAt: text('opens_at'),
  moments: text({ mode: 'json' }).$type<NonNullable<NewShopOffer['moments']>>().notNull().default([]),
})

/** What the simulated web shop sold. */
export const shopSales = sqliteTable('shop_sales', {
  number: integer().primaryKey({ autoIncrement: true }),
  designId: text('design_id').notNull(),
  bars: integer().notNull(),
  buyer: text().notNull(),
  day: text().notNull(),
  /** The early moment that it was sold in; empty: to everybody. */
  audience: text().notNull().default(''),
})
