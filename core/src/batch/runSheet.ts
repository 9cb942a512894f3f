import type { Sentence } from '../findings'
import { quantity, sentence, sentences } from '../findings'
import type { Recipe, School, WeighedAdditive } from '../recipe'
import { fatOf, isFrozenForLye, soapingTemperatures, usualSchool, wettingG } from '../recipe'
import type { BatchPlan } from './batchPlan'
import { mouldsBatterG, mouldsToFill } from './batchPlan'
import { moveSteps } from './moveSteps'
import { pieceSteps } from './pieceSteps'
import { potSteps, scentSteps, wettingSteps } from './potSteps'
import { partToWeigh } from './splitting'
import type { Caution, RunSheetStep, StepGroup } from './steps'
import {
  additiveStepKey,
  emulsionStepKey,
  fatStepKey,
  kohStepKey,
  leftStepKey,
  liquidStepKey,
  named,
  naohStepKey,
  pieceStepKey,
  potStepKey,
  scentStepKeys,
  tick,
  waterStepKey,
  weigh,
} from './steps'

type Place = 'lye' | 'fats' | 'emulsion' | 'trace'

/** Liquids and additives that go in at one place, as steps. */
function goingIn({ weights }: BatchPlan, place: Place, group: StepGroup): readonly RunSheetStep[] {
  const caution = place === 'lye' ? 'lye' : null
  const liquids = (weights.liquids ?? []).flatMap((liquid, index) =>
    liquid.place === place
      ? [
          weigh(liquidStepKey(index), group, liquid.massG, {
            name: named(liquid.name),
            title: sentence('goes_in', { name: liquid.name, place }),
            detail: isFrozenForLye(liquid) ? sentence('frozen_to_slush') : null,
            caution,
          }),
        ]
      : [],
  )
  const additives = (weights.additives ?? []).flatMap(({ name, place: its, massG, wetting }, index) =>
    its === place
      ? [
          weigh(additiveStepKey(index), group, massG, {
            name: named(name),
            title: sentence('goes_in', { name, place }),
            detail: wetting ? wettingSentence(wetting) : null,
            caution,
          }),
        ]
      : [],
  )
  return [...liquids, ...additives]
}

/** How an additive is wetted. */
export function wettingSentence({ with: what, massG }: NonNullable<WeighedAdditive['wetting']>): Sentence {
  return sentence('stir_it_smooth', { wet: quantity.fineMass(massG), with: what })
}

/** The fat that some is kept back of for wetting: the largest that is liquid and melted with the others. */
function wettingFatKey({ recipe, weights }: BatchPlan): string | undefined {
  const melted = weights.fats.filter(({ fatKey }) => !isAtTrace(recipe, fatKey))
  const liquid = melted.filter(({ fatKey }) => fatOf(recipe, fatKey)?.stateAt20C === 'liquid')
  return [...(liquid.length > 0 ? liquid : melted)].sort((a, b) => b.massG - a.massG)[0]?.fatKey
}

const isAtTrace = (recipe: Recipe, fatKey: string): boolean =>
  recipe.fats.some((fat) => fat.fatKey === fatKey && fat.atTrace === true)

/** The fats that are melted, with what goes in among them. */
function fatSteps(plan: BatchPlan): readonly RunSheetStep[] {
  const { weights, recipe } = plan
  const keptBackG = wettingG([...(weights.additives ?? []), ...weights.pots], 'fat')
  const keptBackOf = keptBackG > 0 ? wettingFatKey(plan) : undefined
  return [
    ...weights.fats
      .filter(({ fatKey }) => !isAtTrace(recipe, fatKey))
      .map(({ fatKey, name, massG }) =>
        weigh(fatStepKey(fatKey), 'fats', massG, {
          name: named(name),
          title: sentence('goes_in', { name, place: 'fats' }),
          detail: fatKey === keptBackOf ? sentence('keep_fat_back', { kept: quantity.fineMass(keptBackG) }) : null,
        }),
      ),
    ...goingIn(plan, 'fats', 'fats'),
    tick('melt', 'fats', {
      name: sentence('melt_name'),
      title: sentence('melt_title'),
      detail: sentence('melt_detail'),
    }),
  ]
}

/** How warm a lye becomes while its alkali dissolves, °C. An estimate, on the low side. */
const dissolvingC = 80

/** The lye until it is clear. */
function lyeSteps(plan: BatchPlan, group: StepGroup): readonly RunSheetStep[] {
  const { weights } = plan
  const kohG = weights.kohG ?? 0
  return [
    tick('goggles', group, {
      name: sentence('goggles_name'),
      title: sentence('goggles_title'),
      detail: sentence('goggles_detail'),
      caution: 'lye',
    }),
    weigh(waterStepKey, group, weights.waterG, {
      name: sentence('water_name'),
      title: sentence('water_title'),
      detail: sentence('water_detail'),
      caution: 'lye',
    }),
    ...goingIn(plan, 'lye', group),
    weigh(naohStepKey, group, weights.naohG, {
      name: sentence('naoh_name'),
      title: sentence('naoh_title'),
      detail: sentence('naoh_detail'),
      caution: 'lye',
    }),
    ...(kohG > 0
      ? [
          weigh(kohStepKey, group, kohG, {
            name: sentence('koh_name'),
            title: sentence('koh_title'),
            detail: sentence('koh_detail'),
            caution: 'lye',
          }),
        ]
      : []),
    tick('dissolve', group, {
      name: sentence('dissolve_name'),
      title: sentence('dissolve_title'),
      detail: sentence('dissolve_detail', { heat: quantity.temperature(dissolvingC) }),
      caution: 'lye',
    }),
  ]
}

/** Key of the step that puts a lye made the night before away. */
export const overnightStepKey = 'lye-overnight'

const overnightStep = (): RunSheetStep =>
  tick(overnightStepKey, 'lye_overnight', {
    name: sentence('put_away_name'),
    title: sentence('put_away_title'),
    detail: sentence('put_away_detail'),
    caution: 'lye',
  })

const temperatureStep = (
  of: 'lye' | 'fats',
  group: StepGroup,
  planned: number,
  detail: Sentence | null,
  caution: Caution | null,
): RunSheetStep => ({
  key: `temperature:${of}`,
  group,
  kind: 'temperature',
  name: sentence('temperature_name', { of }),
  title: sentence('temperature_title', { of }),
  detail,
  planned,
  caution,
  wait: { minutes: 10, what: sentence('temperature_again', { of }) },
})

/** From lye into fats to trace. */
function batterSteps(plan: BatchPlan): readonly RunSheetStep[] {
  const { weights, recipe } = plan
  return [
    tick(emulsionStepKey, 'batter', {
      name: sentence('emulsion_name'),
      title: sentence('emulsion_title'),
      detail: sentence('emulsion_detail', { blending: recipe.school?.blending ?? 'usual' }),
      caution: 'lye',
    }),
    ...goingIn(plan, 'emulsion', 'batter'),
    ...weights.fats
      .filter(({ fatKey }) => isAtTrace(recipe, fatKey))
      .map(({ fatKey, name, massG }) =>
        weigh(fatStepKey(fatKey), 'batter', massG, {
          name: named(name),
          title: sentence('goes_in', { name, place: 'trace' }),
          detail: sentence('fat_at_trace_detail'),
        }),
      ),
    ...goingIn(plan, 'trace', 'batter'),
  ]
}

/** What becomes of the loaf on its first night. */
function coverStep({ recipe }: BatchPlan, gel: School['gel']): RunSheetStep {
  const night = recipe.oven ? 'oven' : gel
  return tick('cover', 'afterwards', {
    name: sentence('cover_name', { night }),
    title: sentence('cover_title', { night }),
    detail: sentence('cover_detail', { night }),
    caution: recipe.oven ? 'alcohol' : null,
  })
}

const lyeStepKeys: readonly string[] = [waterStepKey, naohStepKey, kohStepKey]

/** Steps whose mass goes into several pots or jugs, with the mass of a part. */
function inParts(plan: BatchPlan, steps: readonly RunSheetStep[]): readonly RunSheetStep[] {
  const { pots, jugs } = plan.vessels ?? { pots: 1, jugs: 1 }
  const goesIntoJug = ({ key }: RunSheetStep): boolean =>
    lyeStepKeys.includes(key) ||
    (plan.weights.liquids ?? []).some(({ place }, index) => place === 'lye' && liquidStepKey(index) === key) ||
    (plan.weights.additives ?? []).some(({ place }, index) => place === 'lye' && additiveStepKey(index) === key)
  const comesAfter = new Set<string>([
    ...plan.weights.pots.map((_, index) => potStepKey(index)),
    ...(plan.scent ? scentStepKeys(plan.scent) : []),
    ...(plan.pieces ?? []).map((_, index) => pieceStepKey(index)),
    leftStepKey,
  ])
  return steps.map((step) => {
    const parts = comesAfter.has(step.key) ? 1 : pots * (goesIntoJug(step) ? jugs : 1)
    if (step.kind !== 'weigh' || parts === 1) return step
    const into = sentence('into_parts', {
      parts,
      vessels: goesIntoJug(step) ? 'jugs' : 'pots',
      each: quantity.mass(partToWeigh(step.planned ?? 0, parts, [], plan.scaleResolutionG)),
    })
    return { ...step, parts, detail: sentence('several', { sentences: sentences(into, step.detail ?? '') }) }
  })
}

/**
 * The steps of a pour in the order in which its recipe's school works: moulds, fats, lye, batter, colours, scent, pour,
 * cover; or the lye on the night before, and all else on the day.
 */
export function runSheet(plan: BatchPlan): readonly RunSheetStep[] {
  const { lye, gel, scent } = plan.recipe.school ?? usualSchool
  const { lyeC, fatsC } = soapingTemperatures(lye, plan.soapingTemperatureC)
  const isOvernight = lye === 'night_before'
  const loaves = mouldsToFill(plan)
  const hasMoves = (plan.moves ?? []).length > 0
  const scentAtOnce = scent === 'at_once' ? scentSteps(plan, scent) : []
  return inParts(plan, [
    ...(isOvernight ? [...lyeSteps(plan, 'lye_overnight'), overnightStep()] : []),
    tick('moulds', 'prepare', {
      name: sentence('line_name'),
      title: sentence('line_title', { moulds: loaves }),
      detail: sentence('line_detail'),
    }),
    ...fatSteps(plan),
    ...wettingSteps(plan),
    ...(isOvernight ? [] : lyeSteps(plan, 'lye')),
    temperatureStep(
      'lye',
      isOvernight ? 'batter' : 'lye',
      lyeC,
      isOvernight ? sentence('lye_as_warm_as_room') : null,
      'lye',
    ),
    temperatureStep('fats', 'batter', fatsC, isOvernight ? null : sentence('fats_near_lye'), null),
    ...batterSteps(plan),
    ...scentAtOnce,
    ...potSteps(plan),
    ...(scentAtOnce.length > 0 ? [] : scentSteps(plan, 'last')),
    ...pieceSteps(plan),
    ...moveSteps(plan),
    tick('pour', 'pour', {
      name: sentence(hasMoves ? 'knock_name' : 'pour_name'),
      title: sentence(hasMoves ? 'knock_title' : 'pour_title', { moulds: loaves }),
      detail: hasMoves ? null : sentence('pour_detail'),
    }),
    weigh(leftStepKey, 'pour', Math.max(0, Math.round(plan.weights.batterG - mouldsBatterG(plan))), {
      name: sentence('left_name'),
      title: sentence('left_title'),
      detail: sentence('left_detail'),
    }),
    {
      ...tick('spray', 'afterwards', {
        name: sentence('spray_name'),
        title: sentence('spray_title'),
        // Where an oven follows, the vapour must be gone first.
        detail: sentence('spray_detail', { night: plan.recipe.oven ? 'oven' : 'none' }),
        caution: 'alcohol',
      }),
      wait: { minutes: 20, what: sentence('spray_again') },
    },
    { ...coverStep(plan, gel), wait: { minutes: 60, what: sentence('look_at_loaf') } },
  ])
}
