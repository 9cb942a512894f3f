import type { ContentKey, Fat } from '../fats'
import { contentsOfFat } from '../fats'
import type { Finding } from '../findings'
import { warn } from '../findings'
import { fatOf, plainName } from '../recipe'

/** What a collection may promise of everything in it. */
export const promiseKeys = ['vegan', 'palm_free', 'nut_free'] as const
export type PromiseKey = (typeof promiseKeys)[number]

const ownPrefix = 'own:'

/** A claim that the workshop makes besides those that everybody knows, and the ingredients that break it, by name. */
export interface OwnClaim {
  /** Begins with “own:”. */
  readonly key: string
  /** What is said of the soap: “free of soy”. */
  readonly name: string
  readonly without: readonly string[]
}

/** The key of a claim of the workshop’s own, by its id. */
export const ownClaimKey = (id: string): string => `${ownPrefix}${id}`
/** Whether a key can be a claim. One of the workshop's own that was taken away meanwhile is no error: it says nothing. */
export const isClaimKey = (key: string): boolean =>
  promiseKeys.some((known) => known === key) || (key.startsWith(ownPrefix) && key.length > ownPrefix.length)

const breaks: Readonly<Record<PromiseKey, ContentKey>> = { vegan: 'animal', palm_free: 'palm', nut_free: 'nut' }

export interface PromisedSoap {
  readonly name: string
  readonly fats: readonly { readonly fatKey: string }[]
  /** Fats as the workshop has them, its own among them. */
  readonly knownFats?: readonly Fat[]
  /** Scent and colourants with what their certificates say they contain. */
  readonly ingredients: readonly { readonly name: string; readonly contains: readonly ContentKey[] }[]
}

interface Ingredient {
  readonly name: string
  readonly contains: readonly ContentKey[]
}
interface Claim {
  readonly key: string
  /** What the workshop calls a claim of its own; empty for those that everybody knows. */
  readonly ownName: string
  readonly isBrokenBy: (ingredient: Ingredient) => boolean
}

const knownClaims: readonly Claim[] = promiseKeys.map((key) => ({
  key,
  ownName: '',
  isBrokenBy: ({ contains }) => contains.includes(breaks[key]),
}))

const asClaim = ({ key, name, without }: OwnClaim): Claim => {
  const names = new Set(without.map(plainName))
  return { key, ownName: name, isBrokenBy: (ingredient) => names.has(plainName(ingredient.name)) }
}

/** Promises that a soap breaks, naming the ingredient. What an ingredient contains is as its certificate was entered. */
export function promiseFindings(
  soaps: readonly PromisedSoap[],
  promises: readonly string[],
  ownClaims: readonly OwnClaim[] = [],
): readonly Finding[] {
  const claims = [...knownClaims, ...ownClaims.map(asClaim)].filter(({ key }) => promises.includes(key))
  return soaps.flatMap((soap) => {
    const ingredients = [
      ...soap.fats.flatMap(({ fatKey }) => {
        const fat = fatOf(soap, fatKey)
        return fat ? [{ name: fat.name, contains: contentsOfFat(fat) }] : []
      }),
      ...soap.ingredients,
    ]
    return claims.flatMap(({ key, ownName, isBrokenBy }) =>
      ingredients
        .filter(isBrokenBy)
        .map(({ name }) => warn('claim_broken', { soap: soap.name, claim: key, own: ownName, ingredient: name })),
    )
  })
}
