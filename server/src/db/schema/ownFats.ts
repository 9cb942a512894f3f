import type { NewOwnFat } from '@vendange/contract'
import { real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { versionedColumns } from './versionedColumns'

/** Fats that the workshop keeps besides those of the table. */
export const ownFats = sqliteTable('own_fats', {
  ...versionedColumns(),
  name: text().notNull(),
  inci: text().notNull(),
  soapInci: text('soap_inci').notNull(),
  kind: text().$type<NewOwnFat['kind']>().notNull(),
  stateAt20C: text('state_at_20_c').$type<NewOwnFat['stateAt20C']>().notNull(),
  densityGMl: real('density_g_ml').notNull(),
  densityTemperatureC: real('density_temperature_c').notNull(),
  saponificationValue: text('saponification_value', { mode: 'json' })
    .$type<NewOwnFat['saponificationValue']>()
    .notNull(),
  fattyAcidPercent: text('fatty_acid_percent', { mode: 'json' }).$type<NewOwnFat['fattyAcidPercent']>(),
  unsaponifiablePercent: real('unsaponifiable_percent').notNull(),
  contains: text({ mode: 'json' }).$type<NewOwnFat['contains']>().notNull(),
  supplier: text().notNull(),
  certificateDay: text('certificate_day'),
})
