import { integer, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { keptColumns } from './keptColumns'

export const moulds = sqliteTable('moulds', {
  ...keptColumns(),
  name: text().notNull(),
  lengthMm: real('length_mm').notNull(),
  widthMm: real('width_mm').notNull(),
  heightMm: real('height_mm').notNull(),
  linerMm: real('liner_mm').notNull(),
  fillHeightMm: real('fill_height_mm').notNull(),
  barThicknessMm: real('bar_thickness_mm').notNull(),
  endTrimMm: real('end_trim_mm').notNull(),
  kerfMm: real('kerf_mm').notNull(),
  count: integer().notNull(),
})
