/** A powder that a move dusts on. */
export interface DustedPowder {
  /** As its maker calls it; empty: not said. */
  readonly name: string
  /** Of all moulds, g. An estimate. */
  readonly massG: number
}

/** A move of the pour as the bench works by it. */
export interface PlannedMove {
  /** What it does, and its figures: mm, ° and pieces. */
  readonly kind: string
  readonly figures: Readonly<Record<string, number>>
  /** What it takes of each pot, by the pot's place among the colours; parts from 0 to 1. */
  readonly pots: readonly { readonly pot: number; readonly part: number }[]
  /** At which trace; null where it does not matter. */
  readonly trace: string | null
  /** How long to wait before it, minutes. */
  readonly waitMin: number
  /** What lies under the raised edge of the mould, mm, where it is propped. */
  readonly propMm?: number
  readonly powder?: DustedPowder
  /** As its plan has it, for its picture. */
  readonly line: { readonly kind: string; readonly [key: string]: unknown }
}
