import type { Sentence } from '@vendange/core/findings'
import { sentence } from '@vendange/core/findings'
import type { ValidationError } from 'yup'

/** What is wrong with one field; of the whole when its path is empty. */
export interface FieldFault {
  readonly field: string
  readonly fault: Sentence
}

const isSentence = (value: unknown): value is Sentence =>
  typeof value === 'object' && value !== null && 'code' in value && typeof value.code === 'string'

/** What a validation found, one fault a field: the first says enough. */
export function faultsOf(error: ValidationError): readonly FieldFault[] {
  const parts = error.inner.length > 0 ? error.inner : [error]
  const byField = new Map<string, Sentence>()
  for (const part of parts) {
    const field = part.path ?? ''
    const [what]: readonly unknown[] = part.errors
    if (!byField.has(field)) byField.set(field, isSentence(what) ? what : sentence('cannot_be_right'))
  }
  return [...byField].map(([field, fault]) => ({ field, fault }))
}

/** A fault with the place it stands in, as a file is told of it. */
export const atField = ({ field, fault }: FieldFault): Sentence =>
  field === '' ? fault : sentence('at_field', { field, fault })
