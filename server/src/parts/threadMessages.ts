import type { FieldError } from '../db/refusal'
import { Refusal } from '../db/refusal'
import { RestoreRefused } from '../db/refusedFile'

/** What is asked of the thread. */
export interface Asked {
  readonly number: number
  readonly job: string
  readonly input: unknown
}

/** An error as it can be sent: a refusal stays one on the other side. */
export type Fault =
  | ({ readonly is: 'refusal' } & Pick<Refusal, 'kind' | 'told' | 'current'> & {
        readonly errors: readonly FieldError[]
      })
  | { readonly is: 'restore-refused' | 'unforeseen'; readonly text: string }

/** What it tells of it, the last time with what came of it. */
export type Told =
  | { readonly number: number; readonly share: number }
  | { readonly number: number; readonly output: unknown }
  | { readonly number: number; readonly fault: Fault }

/** An error, to be sent. */
export function faultOf(error: unknown): Fault {
  if (error instanceof Refusal) {
    const { kind, told, errors, current } = error
    return { is: 'refusal', kind, told, errors, current }
  }
  if (error instanceof RestoreRefused) return { is: 'restore-refused', text: error.message }
  return { is: 'unforeseen', text: error instanceof Error ? (error.stack ?? error.message) : String(error) }
}

/** The error that was sent. */
export function errorOfFault(fault: Fault): Error {
  if (fault.is === 'refusal') return new Refusal(fault.kind, fault.told, fault.errors, fault.current)
  return fault.is === 'restore-refused' ? new RestoreRefused(fault.text) : new Error(fault.text)
}
