import { real, sqliteTable, text } from 'drizzle-orm/sqlite-core'

/** The cure room by day, as its sensor showed it last. */
export const roomReadings = sqliteTable('room_readings', {
  day: text().primaryKey(),
  temperatureC: real('temperature_c').notNull(),
  /** Relative, 0 to 1. */
  humidity: real().notNull(),
})
