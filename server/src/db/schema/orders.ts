import type { NewOrder } from '@vendange/contract'
import { integer, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { collections } from './collections'
import { versionedColumns } from './versionedColumns'
import { recipes } from './recipes'

export const orders = sqliteTable('orders', {
  ...versionedColumns(),
  client: text().notNull(),
  contact: text().notNull(),
  bars: integer().notNull(),
  labelMassG: real('label_mass_g').notNull(),
  dueDay: text('due_day').notNull(),
  recipeId: text('recipe_id').references(() => recipes.id),
  scent: text({ mode: 'json' }).$type<NewOrder['scent']>(),
  colours: text({ mode: 'json' }).$type<NewOrder['colours']>().notNull(),
  stampLeadDays: integer('stamp_lead_days'),
  bevelled: integer({ mode: 'boolean' }).notNull(),
  packing: text().notNull(),
  notes: text().notNull(),
  state: text().$type<NewOrder['state']>().notNull(),
  depositCents: integer('deposit_cents').notNull(),
  earliestDay: text('earliest_day'),
  collectionId: text('collection_id').references(() => collections.id),
  priceCents: integer('price_cents'),
  promisedDay: text('promised_day'),
  quoted: text({ mode: 'json' }).$type<NewOrder['quoted']>(),
  recipients: text({ mode: 'json' }).$type<NewOrder['recipients']>().notNull().default([]),
  packedDay: text('packed_day'),
  sentDay: text('sent_day'),
  paidDay: text('paid_day'),
  charges: text({ mode: 'json' }).$type<NewOrder['charges']>().notNull().default([]),
})
