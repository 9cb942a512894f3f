import type { BatchPlan } from '@vendange/core/batch'
import type { BatchDemand } from '@vendange/core/season'
import { customType } from 'drizzle-orm/sqlite-core'

/** What a batch was made by, kept from its first step on: later changes of recipe or mould do not reach it. */
export interface FrozenBatch {
  readonly version: typeof frozenVersion
  readonly plan: BatchPlan
  readonly mouldId: string
  readonly mouldCount: number
  readonly moreMoulds: readonly { readonly mouldId: string; readonly count: number }[]
  readonly demand: BatchDemand
  readonly labelMassG: number
}

/** Counts up with every change of its shape; a reader for each older one stays below. */
export const frozenVersion = 1

/** Before shapes were counted: there was one kind of mould at first, and no oven to plan for. */
interface FrozenBatch0 extends Omit<FrozenBatch, 'version' | 'moreMoulds' | 'demand'> {
  readonly version?: undefined
  readonly moreMoulds?: FrozenBatch['moreMoulds']
  readonly demand: Omit<BatchDemand, 'oven'> & { readonly oven?: boolean }
}

const fromVersion0 = (kept: FrozenBatch0): FrozenBatch => ({
  ...kept,
  version: 1,
  moreMoulds: kept.moreMoulds ?? [],
  // Batches begun before there was an oven to plan for never went into it.
  demand: { ...kept.demand, oven: kept.demand.oven ?? false },
})

/**
 * A frozen batch as it is kept, whatever version wrote it, in today's shape.
 *
 * @throws {RangeError} if a newer version wrote it
 */
export function readFrozen(kept: FrozenBatch | FrozenBatch0): FrozenBatch {
  if (kept.version === undefined) return fromVersion0(kept)
  if (kept.version === frozenVersion) return kept
  const newest: number = frozenVersion
  throw new RangeError(
    `Expected a frozen batch of version ${newest} at the most, got ${String((kept as { version?: unknown }).version)}`,
  )
}

/** A column that holds a frozen batch of any version and gives it in today's shape. */
export const frozenBatch = customType<{ data: FrozenBatch; driverData: string }>({
  dataType: () => 'text',
  toDriver: (frozen) => JSON.stringify(frozen),
  fromDriver: (text) => readFrozen(JSON.parse(text) as FrozenBatch | FrozenBatch0),
})
