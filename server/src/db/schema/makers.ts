import { sqliteTable, text } from 'drizzle-orm/sqlite-core'
import { keptColumns } from './keptColumns'

export const makers = sqliteTable('makers', { ...keptColumns(), name: text().notNull() })
