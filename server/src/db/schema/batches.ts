import type { BatchStatus } from '@vendange/contract'
import type { BatchPlan } from '@vendange/core/batch'
import type { BatchDemand } from '@vendange/core/season'
import { sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { designs } from './designs'
import { keptColumns } from './keptColumns'

/** What a batch was made by, kept from its first step on: later changes of recipe or mould do not reach it. */
export interface FrozenBatch {
  readonly plan: BatchPlan
  readonly mouldId: string
  readonly mouldCount: number
  readonly demand: BatchDemand
  readonly labelMassG: number
}

export const batches = sqliteTable('batches', {
  ...keptColumns(),
  designId: text('design_id')
    .notNull()
    .references(() => designs.id),
  pourDay: text('pour_day').notNull(),
  status: text().$type<BatchStatus>().notNull(),
  frozen: text({ mode: 'json' }).$type<FrozenBatch>(),
})
