import { sentence } from '@vendange/core/findings'
import type { Message } from 'yup'

/** A sentence of the catalogue as Yup keeps what a rule says. */
export const said = (...words: Parameters<typeof sentence>): Message => ({ ...sentence(...words) })
