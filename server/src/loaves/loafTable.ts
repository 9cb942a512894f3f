import type { LoafSummary } from '@vendange/contract'
import { lossSoFar } from '@vendange/core/cure'
import type { LoafPage, LoafQuery, LoafRow } from '@vendange/core/loaf'
import { pageOfLoaves } from '@vendange/core/loaf'
import { keptLines } from '../db/keptByLoaf'
import { readLoavesWithPlans } from '../db/loafRow'
import type { FrozenBatch } from '../db/schema'
import type { ReadingContext } from '../parts/context'

function rowOf(loaf: LoafSummary, { plan }: FrozenBatch): LoafRow {
  const { id, lotCode, name, soapName: soap, designId, barsPlanned, state } = loaf
  return {
    ...{ id, lotCode, name, soap, designId, barsPlanned },
    pouredDay: state.pouredDay ?? '2000-01-01',
    status: state.status,
    bars: state.cut?.bars ?? null,
    lossShare: lossSoFar(state.weighIns) ?? null,
    scent: plan.scent?.name ?? '',
    place: state.place ?? '',
    faults: state.foundFaults,
    ingredients: [
      ...plan.weights.fats,
      ...(plan.weights.liquids ?? []),
      ...(plan.weights.additives ?? []),
      ...plan.colours,
      ...(plan.scent?.parts ?? []),
    ].map((one) => one.name),
  }
}

/** Lot codes are figures: as they stand, the newest first. */
const newestFirst = (a: LoafRow, b: LoafRow): number => (a.lotCode < b.lotCode ? 1 : a.lotCode > b.lotCode ? -1 : 0)

/** The notebook as a table. */
export function loafTable({ database }: ReadingContext): (query: LoafQuery) => Promise<LoafPage> {
  const rows = keptLines(
    database,
    async (reader, ids) => {
      const found = await readLoavesWithPlans(reader, ids)
      return new Map(found.map(({ loaf, frozen }) => [loaf.id, [rowOf(loaf, frozen)]]))
    },
    newestFirst,
  )
  return async (query) => pageOfLoaves(await rows(), query)
}
