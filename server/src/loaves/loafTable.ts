import type { LoafSummary } from '@vendange/contract'
import { lossSoFar } from '@vendange/core/cure'
import type { LoafPage, LoafQuery, LoafRow } from '@vendange/core/loaf'
import { pageOfLoaves } from '@vendange/core/loaf'
import type { Reader } from '../db/database'
import { readLoavesWithPlans } from '../db/loafRow'
import type { FrozenBatch } from '../db/schema'
import { loaves } from '../db/schema'
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

/** Loaves are read in so many at a time. */
const atOnce = 500

/**
 * The notebook as a table. What was read of a loaf is kept until something more happens to it, so that a record of many
 * years is read once and not at every question.
 */
export function loafTable({ database }: ReadingContext): (query: LoafQuery) => Promise<LoafPage> {
  let epoch: number | undefined
  let known = new Map<string, { readonly version: number; readonly row: LoafRow }>()

  async function readRows(reader: Reader, ids: readonly string[]): Promise<void> {
    for (let start = 0; start < ids.length; start += atOnce) {
      const found = await readLoavesWithPlans(reader, ids.slice(start, start + atOnce))
      for (const { loaf, frozen } of found) known.set(loaf.id, { version: loaf.version, row: rowOf(loaf, frozen) })
    }
  }

  return async (query) => {
    if (epoch !== database.epoch()) known = new Map()
    epoch = database.epoch()
    const now = await database.read.select({ id: loaves.id, version: loaves.version }).from(loaves)
    const ids = new Set(now.map(({ id }) => id))
    for (const id of known.keys()) if (!ids.has(id)) known.delete(id)
    await readRows(
      database.read,
      now.flatMap(({ id, version }) => (known.get(id)?.version === version ? [] : [id])),
    )
    return pageOfLoaves(
      [...known.values()].map(({ row }) => row),
      query,
    )
  }
}
