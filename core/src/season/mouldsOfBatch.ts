/** A batch with the moulds it fills. */
export interface FillsMoulds {
  readonly mouldId: string
  readonly mouldCount: number
  /** Moulds of other kinds that are filled from the same batch. */
  readonly moreMoulds?: readonly { readonly mouldId: string; readonly count: number }[]
}

/** Every kind of mould that a batch fills with how many of it, each kind once, the first as wished first. */
export function mouldsOfBatch({ mouldId, mouldCount, moreMoulds = [] }: FillsMoulds): ReadonlyMap<string, number> {
  const counts = new Map([[mouldId, mouldCount]])
  for (const more of moreMoulds) counts.set(more.mouldId, (counts.get(more.mouldId) ?? 0) + more.count)
  return counts
}
