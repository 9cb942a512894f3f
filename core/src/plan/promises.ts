import type { ContentKey, Fat } from '../fats'
import { contentsOfFat } from '../fats'
import type { Finding } from '../findings'
import { fatOf } from '../recipe'

/** What a collection may promise of everything in it. */
export const promiseKeys = ['vegan', 'palm_free', 'nut_free'] as const
export type PromiseKey = (typeof promiseKeys)[number]

export const promiseWords: Readonly<Record<PromiseKey, string>> = {
  vegan: 'vegan',
  palm_free: 'palm-free',
  nut_free: 'free of nuts',
}
const breaks: Readonly<Record<PromiseKey, ContentKey>> = { vegan: 'animal', palm_free: 'palm', nut_free: 'nut' }

export interface PromisedSoap {
  readonly name: string
  readonly fats: readonly { readonly fatKey: string }[]
  /** Fats as the workshop has them, its own among them. */
  readonly knownFats?: readonly Fat[]
  /** Scent and colourants with what their certificates say they contain. */
  readonly ingredients: readonly { readonly name: string; readonly contains: readonly ContentKey[] }[]
}

/** Promises that a soap breaks, naming the ingredient. What an ingredient contains is as its certificate was entered. */
export function promiseFindings(soaps: readonly PromisedSoap[], promises: readonly PromiseKey[]): readonly Finding[] {
  return soaps.flatMap((soap) => {
    const ingredients = [
      ...soap.fats.flatMap(({ fatKey }) => {
        const fat = fatOf(soap, fatKey)
        return fat ? [{ name: fat.name, contains: contentsOfFat(fat) }] : []
      }),
      ...soap.ingredients,
    ]
    return promises.flatMap((promise) =>
      ingredients
        .filter(({ contains }) => contains.includes(breaks[promise]))
        .map(({ name }): Finding => ({
          severity: 'warn',
          code: `not_${promise}`,
          message: `${soap.name} is not ${promiseWords[promise]}: ${name}. Change it, check its certificate, or drop the promise.`,
        })),
    )
  })
}
