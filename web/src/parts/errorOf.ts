import type { InjectionKey } from 'vue'
import { inject } from 'vue'

/** What is wrong with a field of a form, by its path in the form’s values. */
export type ErrorOf = (path: string) => string | undefined

export const errorOfKey: InjectionKey<ErrorOf> = Symbol('error of a field')

/** What the form around knows to be wrong with its fields; nothing where there is none around. */
export const useErrorOf = (): ErrorOf => inject(errorOfKey, () => () => undefined, true)
