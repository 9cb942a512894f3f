import type { Param, Sentence } from './sentence'
import { sentence } from './sentence'

export type Severity = 'refuse' | 'warn' | 'tell'

/**
 * Something about what a maker typed or did that they should know.
 * `refuse` stops the step, `warn` lets it go on, `tell` only states a fact.
 */
export interface Finding extends Sentence {
  readonly severity: Severity
  /** Path of the field it belongs to, when it belongs to one. */
  readonly field?: string
}

type FindingMaker = (code: string, params?: Readonly<Record<string, Param>>, field?: string) => Finding

const findingOf =
  (severity: Severity): FindingMaker =>
  (code, params, field) => ({ severity, ...sentence(code, params), ...(field === undefined ? {} : { field }) })

/** A finding that stops the step. */
export const refuse = findingOf('refuse')
/** A finding that lets the step go on. */
export const warn = findingOf('warn')
/** A finding that only states a fact. */
export const tell = findingOf('tell')

/** Whether any finding forbids going on. */
export function isRefused(findings: readonly Finding[]): boolean {
  return findings.some((finding) => finding.severity === 'refuse')
}
