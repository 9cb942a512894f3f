import type { BatchStatus } from '@vendange/contract'
import type { BatchPlan, PourPart } from '@vendange/core/batch'
import type { BatchDemand } from '@vendange/core/season'
import { integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { designs } from './designs'
import { versionedColumns } from './versionedColumns'

/** What a batch was made by, kept from its first step on: later changes of recipe or mould do not reach it. */
export interface FrozenBatch {
  readonly plan: BatchPlan
  readonly mouldId: string
  readonly mouldCount: number
  /** Batches begun before there were several kinds have none. */
  readonly moreMoulds?: readonly { readonly mouldId: string; readonly count: number }[]
  readonly demand: BatchDemand
  readonly labelMassG: number
}

export const batches = sqliteTable('batches', {
  ...versionedColumns(),
  designId: text('design_id')
    .notNull()
    .references(() => designs.id),
  pourDay: text('pour_day').notNull(),
  /** Planned day of the cut; null: the first day with hours in its setting time. */
  cutDay: text('cut_day'),
  /** Stays where the maker put it when the season is planned. */
  isPinned: integer('is_pinned', { mode: 'boolean' }).notNull().default(false),
  /** Said after the design's name, such as "pour 2 of 4"; empty for a design poured at once. */
  label: text().notNull().default(''),
  /** What differs from the design; null: nothing. */
  own: text({ mode: 'json' }).$type<PourPart>(),
  status: text().$type<BatchStatus>().notNull(),
  frozen: text({ mode: 'json' }).$type<FrozenBatch>(),
})
