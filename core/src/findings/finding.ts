/**
 * Something about what a maker typed or did that they should know.
 * `refuse` stops the step, `warn` lets it go on, `tell` only states a fact.
 */
export interface Finding {
  readonly severity: 'refuse' | 'warn' | 'tell'
  /** Stable identifier, snake case. */
  readonly code: string
  /** One or two plain sentences in the maker's words, with the number. */
  readonly message: string
  /** Path of the field it belongs to, when it belongs to one. */
  readonly field?: string
}

/** Whether any finding forbids going on. */
export function isRefused(findings: readonly Finding[]): boolean {
  return findings.some((finding) => finding.severity === 'refuse')
}
