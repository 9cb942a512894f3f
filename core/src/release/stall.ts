import type { LoafState } from '../loaf'
import { unsoldBars } from '../loaf'

/** A loaf as far as a stall asks. */
export interface StallLoaf {
  readonly designId: string
  readonly state: LoafState
}

/** Bars of a soap that a stall has sold or is about to sell. */
export interface StallSale {
  readonly designId: string
  readonly bars: number
  readonly priceCents: number
}

/** What a stall has of a soap. */
export interface StallLine {
  readonly designId: string
  /** Bars that were set aside for stalls. */
  readonly packed: number
  readonly sold: number
  /** Bars that are still there; below 0 when more was sold than was packed. */
  readonly left: number
}

/**
 * What a stall has of each soap, those packed the most first: a sale moves none of them from its place.
 *
 * @param waiting sales that are not in the loaves' records yet: in the basket, or on their way
 */
export function stallLines(loaves: readonly StallLoaf[], waiting: readonly StallSale[]): readonly StallLine[] {
  const lines = new Map<string, { packed: number; sold: number }>()
  const lineOf = (designId: string): { packed: number; sold: number } => {
    const line = lines.get(designId) ?? { packed: 0, sold: 0 }
    lines.set(designId, line)
    return line
  }
  for (const { designId, state } of loaves) {
    const stalls = state.channels.find(({ channel }) => channel === 'Stalls')
    if (!stalls) continue
    const line = lineOf(designId)
    line.packed += stalls.allotted
    line.sold += stalls.allotted - unsoldBars(state, 'Stalls')
  }
  for (const { designId, bars } of waiting) lineOf(designId).sold += bars
  return [...lines]
    .map(([designId, { packed, sold }]) => ({ designId, packed, sold, left: packed - sold }))
    .sort((a, b) => b.packed - a.packed || a.designId.localeCompare(b.designId))
}

/** Bars of one loaf that a stall brings home. */
export interface HomeComing {
  readonly loafId: string
  readonly version: number
  readonly bars: number
}

/**
 * What a stall brings home at the end of a market day: of each loaf the bars that were set aside for stalls and not sold.
 * Sales that are not in the loaves' records yet are not known here: bars come home once none waits.
 */
export const homeComings = (
  loaves: readonly (StallLoaf & { readonly id: string; readonly version: number })[],
): readonly HomeComing[] =>
  loaves
    .map(({ id, version, state }) => ({ loafId: id, version, bars: unsoldBars(state, 'Stalls') }))
    .filter(({ bars }) => bars > 0)

/** What some sales come to, cents. */
export const takingsCents = (sales: readonly StallSale[]): number =>
  sales.reduce((sum, { bars, priceCents }) => sum + bars * priceCents, 0)
