import type { NewMould } from '@vendange/contract'
import { integer, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { versionedColumns } from './versionedColumns'

export const moulds = sqliteTable('moulds', {
  ...versionedColumns(),
  name: text().notNull(),
  lengthMm: real('length_mm').notNull(),
  widthMm: real('width_mm').notNull(),
  heightMm: real('height_mm').notNull(),
  linerMm: real('liner_mm').notNull(),
  wallMm: real('wall_mm').notNull().default(0),
  baseMm: real('base_mm').notNull().default(0),
  fillHeightMm: real('fill_height_mm').notNull(),
  shape: text().$type<NewMould['shape']>().notNull().default('loaf'),
  topLengthMm: real('top_length_mm'),
  topWidthMm: real('top_width_mm'),
  logCount: integer('log_count').notNull().default(1),
  cavityCount: integer('cavity_count').notNull().default(0),
  cavityMl: real('cavity_ml').notNull().default(0),
  measuredMl: real('measured_ml'),
  barThicknessMm: real('bar_thickness_mm').notNull(),
  endTrimMm: real('end_trim_mm').notNull(),
  kerfMm: real('kerf_mm').notNull(),
  count: integer().notNull(),
})
