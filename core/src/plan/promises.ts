import { findFat } from '../fats'
import type { Finding } from '../findings'

/** What a collection may promise of everything in it. */
export const promiseKeys = ['vegan', 'palm_free', 'nut_free'] as const
export type PromiseKey = (typeof promiseKeys)[number]

/** What an ingredient may bring that breaks a promise. */
export const contentKeys = ['animal', 'palm', 'nut'] as const
export type ContentKey = (typeof contentKeys)[number]

export const promiseWords: Readonly<Record<PromiseKey, string>> = {
  vegan: 'vegan',
  palm_free: 'palm-free',
  nut_free: 'free of nuts',
}
const breaks: Readonly<Record<PromiseKey, ContentKey>> = { vegan: 'animal', palm_free: 'palm', nut_free: 'nut' }

/**
 * What the fats of the table bring. Nuts as named by Regulation (EU) 1169/2011, Annex II, with peanut and the shea nut,
 * which buyers ask about, beside them. Stearic and lauric acid are made of palm or tallow unless the supplier says
 * otherwise, so they break both promises until a certificate clears them.
 */
const fatContents: Readonly<Record<string, readonly ContentKey[]>> = {
  palm: ['palm'],
  palm_kernel: ['palm'],
  lard: ['animal'],
  tallow: ['animal'],
  beeswax: ['animal'],
  stearic_acid: ['palm', 'animal'],
  lauric_acid: ['palm'],
  almond_sweet: ['nut'],
  macadamia: ['nut'],
  peanut: ['nut'],
  shea: ['nut'],
}

/** What a fat of the table brings that a promise may forbid. */
export function contentsOfFat(fatKey: string): readonly ContentKey[] {
  return fatContents[fatKey] ?? []
}

export interface PromisedSoap {
  readonly name: string
  readonly fats: readonly { readonly fatKey: string }[]
  /** Scent and colourants with what their certificates say they contain. */
  readonly ingredients: readonly { readonly name: string; readonly contains: readonly ContentKey[] }[]
}

/** Promises that a soap breaks, naming the ingredient. What an ingredient contains is as its certificate was entered. */
export function promiseFindings(soaps: readonly PromisedSoap[], promises: readonly PromiseKey[]): readonly Finding[] {
  return soaps.flatMap((soap) => {
    const ingredients = [
      ...soap.fats.map(({ fatKey }) => ({ name: findFat(fatKey)?.name ?? fatKey, contains: contentsOfFat(fatKey) })),
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
