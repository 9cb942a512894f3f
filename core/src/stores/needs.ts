import type { BatchPlan } from '../batch'
import {
  additiveStepKey,
  fatStepKey,
  kohStepKey,
  liquidStepKey,
  moveStepKey,
  naohStepKey,
  potStepKey,
  scentStepKeys,
} from '../batch'
import type { Day } from '../calendar'
import type { Finding } from '../findings'
import { quantity, warn } from '../findings'
import { scentWeights } from '../recipe'
import { roundTo } from '../units'
import type { IngredientKind } from './ingredient'
import { ingredientKey } from './ingredient'
import type { Lot } from './lots'

/** What a powder is called that its maker has not named. */
export const unnamedPowder = 'Powder for lines'

/** What one step of a pour takes from the stores. */
export interface StepUse {
  readonly stepKey: string
  readonly key: string
  readonly kind: IngredientKind
  readonly name: string
  /** g. */
  readonly amount: number
}

/** What a pour takes from the stores by a day. */
export interface Need {
  readonly key: string
  readonly kind: IngredientKind
  readonly name: string
  /** g, or pieces of what is counted. */
  readonly amount: number
  /** It has to be here on this day. */
  readonly day: Day
  readonly batchId: string
  readonly batchName: string
}

/**
 * What each step of a pour takes from the stores, in the order of the plan. Water from the tap is not kept; water and
 * fat for wetting are part of the batch's own.
 */
export function usesOfPlan({ weights, scent, scaleResolutionG, moves = [] }: BatchPlan): readonly StepUse[] {
  const use = (stepKey: string, kind: IngredientKind, ref: string, name: string, amount: number): StepUse[] =>
    amount > 0 ? [{ stepKey, key: ingredientKey(kind, ref), kind, name, amount }] : []
  const scents = scent ? scentWeights(scent, weights.scentG, scaleResolutionG) : []
  return [
    ...weights.fats.flatMap(({ fatKey, name, massG }) => use(fatStepKey(fatKey), 'fat', fatKey, name, massG)),
    ...use(naohStepKey, 'alkali', 'naoh', 'Sodium hydroxide', weights.naohG),
    ...use(kohStepKey, 'alkali', 'koh', 'Potassium hydroxide', weights.kohG ?? 0),
    ...(weights.liquids ?? []).flatMap(({ name, massG }, index) =>
      use(liquidStepKey(index), 'liquid', name, name, massG),
    ),
    ...(weights.additives ?? []).flatMap(({ name, massG }, index) =>
      use(additiveStepKey(index), 'additive', name, name, massG),
    ),
    ...weights.pots.flatMap(({ colour, colourantG }, index) =>
      use(potStepKey(index), 'colourant', colour.name, colour.name, colourantG),
    ),
    ...moves.flatMap(({ powder }, index) => {
      if (!powder) return []
      const name = powder.name === '' ? unnamedPowder : powder.name
      return use(moveStepKey(index), 'colourant', name, name, powder.massG)
    }),
    ...(scent ? scentStepKeys(scent) : []).flatMap((stepKey, index) => {
      const { name = '', massG = 0 } = scents[index] ?? {}
      return use(stepKey, 'scent', name, name, massG)
    }),
  ]
}

/** What a step as it was weighed takes from the stores; undefined for a step that takes nothing. */
export function useOfStep(plan: BatchPlan, stepKey: string, actualG: number | null): StepUse | undefined {
  const use = usesOfPlan(plan).find((one) => one.stepKey === stepKey)
  if (!use) return undefined
  // Done without weighing: as planned.
  if (actualG === null) return use
  const isPot = plan.weights.pots.some((_, index) => potStepKey(index) === stepKey)
  if (!isPot) return { ...use, amount: actualG }
  // At the pot it is batter that is weighed; its colourant follows in proportion.
  const pot = plan.weights.pots.find((_, index) => potStepKey(index) === stepKey)
  const batterG = pot?.batterG ?? 0
  return { ...use, amount: roundTo((batterG > 0 ? actualG / batterG : 0) * use.amount, 1) }
}

/** A pour on the calendar, as the stores look at it. */
export interface PourToSupply {
  readonly batchId: string
  readonly batchName: string
  readonly plan: BatchPlan
  /** On this day it is prepared. */
  readonly prepDay: Day
  /** On this day its bars are packed. */
  readonly readyDay: Day
  /** Bars that are still to be packed. */
  readonly bars: number
  /** Steps that are weighed already. */
  readonly doneSteps: ReadonlySet<string>
}

/** What the pours on the calendar and the bars on the racks still take. */
export function needsOfPours(
  pours: readonly PourToSupply[],
  packaging: readonly { readonly key: string; readonly name: string; readonly perBar: number }[],
): readonly Need[] {
  return pours.flatMap(({ batchId, batchName, plan, prepDay, readyDay, bars, doneSteps }) => [
    ...usesOfPlan(plan)
      .filter(({ stepKey }) => !doneSteps.has(stepKey))
      .map(({ key, kind, name, amount }): Need => ({ key, kind, name, amount, day: prepDay, batchId, batchName })),
    ...packaging.flatMap(({ key, name, perBar }): Need[] =>
      perBar > 0
        ? [
            {
              key,
              name,
              kind: 'packaging',
              day: readyDay,
              batchId,
              batchName,
              amount: Math.ceil(bars * perBar),
            },
          ]
        : [],
    ),
  ])
}

/** What the stores lack for a pour, a line for each thing that is short. @param stock lots that each step may take from */
export function lackingForPour(
  plan: BatchPlan,
  stock: readonly { readonly stepKey: string; readonly lots: readonly Pick<Lot, 'leftAmount'>[] }[],
): readonly Finding[] {
  const available = new Map(
    stock.map(({ stepKey, lots }) => [stepKey, lots.reduce((sum, { leftAmount }) => sum + leftAmount, 0)]),
  )
  // Two steps may take of the same thing: what the first takes is gone for the second.
  const taken = new Map<string, number>()
  return usesOfPlan(plan).flatMap(({ stepKey, key, name, amount }): Finding[] => {
    const there = available.get(stepKey)
    if (there === undefined) return []
    const left = Math.max(0, there - (taken.get(key) ?? 0))
    taken.set(key, (taken.get(key) ?? 0) + amount)
    if (left >= amount) return []
    return [warn('stores_lack', { name, takes: quantity.fineMass(amount), has: quantity.fineMass(left) })]
  })
}
