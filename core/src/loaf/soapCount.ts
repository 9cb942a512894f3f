import type { LoafState } from './loafState'

/** A pour of a soap: on the calendar, at the bench, or made. */
export interface PourOfSoap {
  readonly id: string
  readonly status: 'planned' | 'in_work' | 'poured'
  /** Bars that its moulds give. */
  readonly bars: number
}

/** A loaf of one of its pours. */
export interface LoafOfSoap {
  readonly batchId: string
  readonly barsPlanned: number
  readonly state: Pick<LoafState, 'status' | 'cut' | 'downgradedBars' | 'recallReason'>
}

/** How many bars of a soap there are and will be, of all its pours. */
export interface SoapCount {
  readonly wanted: number
  /** Bars cut and not downgraded. */
  readonly cut: number
  /** Bars that the loaves not cut yet and the pours still to come are to give. */
  readonly toCome: number
  /** Bars short of what is wanted; 0 where there are enough. */
  readonly missing: number
  /** Loaves that failed. */
  readonly failedLoaves: number
}

/** Bars of a loaf that count towards what is wanted: none of one that failed or was called back. */
function barsOfLoaf({ state, barsPlanned }: LoafOfSoap): { readonly cut: number; readonly toCome: number } {
  if (state.status === 'failed' || state.recallReason !== undefined) return { cut: 0, toCome: 0 }
  if (!state.cut) return { cut: 0, toCome: barsPlanned }
  return { cut: Math.max(0, state.cut.bars - state.downgradedBars), toCome: 0 }
}

/** Counts the bars of a soap over all its pours and loaves against what is wanted of it. */
export function soapCount(barsWanted: number, pours: readonly PourOfSoap[], loaves: readonly LoafOfSoap[]): SoapCount {
  const made = new Set(loaves.map(({ batchId }) => batchId))
  const counts = loaves.map(barsOfLoaf)
  const cut = counts.reduce((sum, one) => sum + one.cut, 0)
  const ofLoaves = counts.reduce((sum, one) => sum + one.toCome, 0)
  const ofPours = pours.reduce((sum, { id, bars }) => sum + (made.has(id) ? 0 : bars), 0)
  const toCome = ofLoaves + ofPours
  return {
    wanted: barsWanted,
    cut,
    toCome,
    missing: Math.max(0, barsWanted - cut - toCome),
    failedLoaves: loaves.filter(({ state }) => state.status === 'failed').length,
  }
}
