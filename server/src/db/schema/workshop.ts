import type { WorkshopDetails } from '@vendange/contract'
import { blankSeasonSettings } from '@vendange/contract'
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
  exceptions: text({ mode: 'json' }).$type<WorkshopDetails['exceptions']>().notNull(),
  weekStartMin: text('week_start_min', { mode: 'json' })
    .$type<WorkshopDetails['weekStartMin']>()
    .notNull()
    .default([1140, 1140, 1140, 1140, 1140, 540, 540]),
  racks: text({ mode: 'json' })
    .$type<WorkshopDetails['racks']>()
    .notNull()
    .default([{ name: 'Rack', trays: 24 }]),
  ownFactors: text('own_factors', { mode: 'json' }).$type<WorkshopDetails['ownFactors']>().notNull().default([]),
  ownClaims: text('own_claims', { mode: 'json' }).$type<WorkshopDetails['ownClaims']>().notNull().default([]),
  barsPerTray: integer('bars_per_tray').notNull().default(12),
  ovenSlots: integer('oven_slots').notNull().default(2),
  bufferDays: integer('buffer_days').notNull().default(3),
  pricing: text({ mode: 'json' }).$type<WorkshopDetails['pricing']>().notNull().default({
    hourCents: 2000,
    sharedHourCents: 0,
    packingCentsPerBar: 30,
    bevelCentsPerBar: 40,
    stampCents: 6000,
    breakageShare: 0.03,
    bevelMinutesPerBar: 1,
    stampMinutesPerBar: 0.5,
    barCents: 900,
    shopShare: 0.6,
    subscriberShare: 0.9,
  }),
  quoting: text({ mode: 'json' })
    .$type<WorkshopDetails['quoting']>()
    .notNull()
    .default({ ...blankSeasonSettings.quoting }),
  cutTools: text('cut_tools', { mode: 'json' })
    .$type<WorkshopDetails['cutTools']>()
    .notNull()
    .default([{ name: 'Single wire', kind: 'single_wire', spacingMm: 0, piecesAPass: 1 }]),
  /** On every label. */
  makerAddress: text('maker_address').notNull().default(''),
  labelStyle: text('label_style').$type<WorkshopDetails['labelStyle']>().notNull().default('eu'),
  inchStyle: text('inch_style').$type<WorkshopDetails['inchStyle']>().notNull().default('sixteenths'),
  prepAheadDays: integer('prep_ahead_days').notNull().default(4),
  setupHours: real('setup_hours').notNull(),
  prepHours: real('prep_hours').notNull(),
  pourHours: real('pour_hours').notNull(),
  cutHours: real('cut_hours').notNull(),
  largestPotMl: real('largest_pot_ml').notNull().default(0),
  lyeJugMl: real('lye_jug_ml').notNull().default(0),
  scaleResolutionG: real('scale_resolution_g').notNull(),
  lyeRounding: text('lye_rounding').$type<WorkshopDetails['lyeRounding']>().notNull().default('down'),
  potLoss: real('pot_loss').notNull(),
  cureLoss: real('cure_loss').notNull(),
  soapingTemperatureC: real('soaping_temperature_c').notNull(),
})
