/** What moulds of a kind have really taken up. */
export interface LearnedTakeUp {
  /** Pours it is learned from. */
  readonly n: number
  readonly meanMl: number
  /** Standard deviation of a pour, ml; 0 for a single one. */
  readonly spreadMl: number
}

/** What a mould takes up, learned from what each pour left in one, ml. Undefined before the first. */
export function learnedTakeUp(takenMl: readonly number[]): LearnedTakeUp | undefined {
  const n = takenMl.length
  if (n === 0) return undefined
  const meanMl = takenMl.reduce((sum, ml) => sum + ml, 0) / n
  const squares = takenMl.reduce((sum, ml) => sum + (ml - meanMl) ** 2, 0)
  return { n, meanMl, spreadMl: n > 1 ? Math.sqrt(squares / (n - 1)) : 0 }
}
