import type { SoundPlan } from './soundPlan'

/** So many orders are tried: by due day, then ever farther from it, then any. */
const mostOrders = 300

/**
 * Lays every batch that lies nowhere yet, one after the other where it is cheapest, in different orders until one leaves
 * room for all.
 *
 * @returns whether all lie; otherwise none of them does
 */
export function layAll(plan: SoundPlan, batches: Int32Array, random: () => number): boolean {
  const { table } = plan
  const due = (batch: number): number => table.batches[batch]!.due
  for (let tries = 0; tries < mostOrders; tries++) {
    const spread = tries < mostOrders / 2 ? tries : Infinity
    const keys = new Map(
      Array.from(batches, (batch) => [batch, spread === Infinity ? random() : due(batch) + (random() - 0.5) * spread]),
    )
    const order = [...batches].sort((a, b) => keys.get(a)! - keys.get(b)!)
    const hasRoom = order.every((batch) => {
      const option = plan.cheapest(batch, 0, random)
      if (option >= 0) plan.lay(batch, option)
      return option >= 0
    })
    if (hasRoom) return true
    for (const batch of batches) if (plan.place[batch]! >= 0) plan.lift(batch)
  }
  return false
}
