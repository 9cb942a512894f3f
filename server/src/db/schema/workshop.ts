import type { WorkshopDetails } from '@vendange/contract'
import { integer, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'

/** One row: the workshop of this database. */
export const workshop = sqliteTable('workshop', {
  id: integer().primaryKey(),
  version: integer().notNull(),
  name: text().notNull(),
  massUnit: text('mass_unit').$type<WorkshopDetails['massUnit']>().notNull(),
  lengthUnit: text('length_unit').$type<WorkshopDetails['lengthUnit']>().notNull(),
  temperatureUnit: text('temperature_unit').$type<WorkshopDetails['temperatureUnit']>().notNull(),
  currency: text().notNull(),
  timeZone: text('time_zone').notNull(),
  weekHours: text('week_hours', { mode: 'json' }).$type<WorkshopDetails['weekHours']>().notNull(),
  exceptions: text({ mode: 'json' }).$type<WorkshopDetails['exceptions']>().notNull(),
  setupHours: real('setup_hours').notNull(),
  prepHours: real('prep_hours').notNull(),
  pourHours: real('pour_hours').notNull(),
  cutHours: real('cut_hours').notNull(),
  scaleResolutionG: real('scale_resolution_g').notNull(),
  potLoss: real('pot_loss').notNull(),
  cureLoss: real('cure_loss').notNull(),
  soapingTemperatureC: real('soaping_temperature_c').notNull(),
})
