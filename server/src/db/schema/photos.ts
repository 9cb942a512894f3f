import { blob, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { makers } from './makers'

export const photos = sqliteTable('photos', {
  id: text().primaryKey(),
  mimeType: text('mime_type').notNull(),
  bytes: blob({ mode: 'buffer' }).notNull(),
  at: text().notNull(),
  makerId: text('maker_id')
    .notNull()
    .references(() => makers.id),
})
