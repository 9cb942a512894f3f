import type { NewCustomer } from '@vendange/contract'
import { integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { versionedColumns } from './versionedColumns'

export const customers = sqliteTable('customers', {
  ...versionedColumns(),
  kind: text().$type<NewCustomer['kind']>().notNull(),
  name: text().notNull(),
  contact: text().notNull(),
  address: text().notNull(),
  wish: text().notNull(),
  monthlyBars: integer('monthly_bars').notNull(),
  isPaused: integer('is_paused', { mode: 'boolean' }).notNull(),
  isSaleOrReturn: integer('is_sale_or_return', { mode: 'boolean' }).notNull(),
  priceCents: integer('price_cents'),
})
