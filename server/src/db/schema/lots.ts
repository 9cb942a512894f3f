import type { NewLot } from '@vendange/contract'
import { index, integer, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { ingredients } from './ingredients'
import { versionedColumns } from './versionedColumns'

/** Deliveries. What was used of them stands in the records of the bench; its sum is projected here. */
export const lots = sqliteTable(
  'lots',
  {
    ...versionedColumns(),
    ingredientId: text('ingredient_id')
      .notNull()
      .references(() => ingredients.id),
    supplier: text().notNull(),
    lotNumber: text('lot_number').notNull(),
    receivedDay: text('received_day').notNull(),
    openedDay: text('opened_day'),
    bestBeforeDay: text('best_before_day'),
    isRecalled: integer('is_recalled', { mode: 'boolean' }).notNull(),
    /** g or pieces. */
    receivedAmount: real('received_amount').notNull(),
    /** What counting found over (or below zero, under) what the records leave. */
    adjustment: real().notNull().default(0),
    /** What the bench has used of it, g or pieces: the sum of `lot_uses`, kept in the transaction that writes those. */
    usedAmount: real('used_amount').notNull().default(0),
    priceCents: integer('price_cents').notNull(),
    carriageCents: integer('carriage_cents').notNull().default(0),
    /** Of oil that a herb steeps in here; null: it came as it is. */
    infusion: text({ mode: 'json' }).$type<NonNullable<NewLot['infusion']>>(),
    certificate: text({ mode: 'json' }).$type<{ sapKoh: number; tolerance: number; day: string }>(),
  },
  (table) => [index('lots_ingredient').on(table.ingredientId)],
)
