import type { Blending, Recipe, School, WeighedAdditive } from '../recipe'
import { fatOf, soapingTemperatures, usualSchool, wettingG } from '../recipe'
import { formatQuantity } from '../units'
import type { BatchPlan } from './planOfBatch'
import { mouldsBatterG, mouldWords } from './planOfBatch'
import { potSteps, scentSteps, wettingSteps } from './potSteps'
import { partToWeigh } from './splitting'
import type { RunSheetStep, StepGroup } from './steps'
import {
  additiveStepKey,
  emulsionStepKey,
  fatStepKey,
  kohStepKey,
  leftStepKey,
  liquidStepKey,
  naohStepKey,
  potStepKey,
  scentStepKeys,
  tick,
  waterStepKey,
  weigh,
} from './steps'

const lyeCaution =
  'Goggles, gloves, long sleeves, moving air. Children and animals out. Lye into water, never water into lye; never aluminium. On skin: running water, not vinegar.'
const alcoholCaution = 'Alcohol burns: no flame, no hot oven near the spray or the fresh vapour.'

const placeWords = {
  lye: 'into the lye jug',
  fats: 'into the fats',
  emulsion: 'at emulsion',
  trace: 'at trace',
} as const

/** Liquids and additives that go in at one place, as steps. */
function goingIn({ weights }: BatchPlan, place: keyof typeof placeWords, group: StepGroup): readonly RunSheetStep[] {
  const caution = place === 'lye' ? lyeCaution : null
  const liquids = (weights.liquids ?? []).flatMap((liquid, index) =>
    liquid.place === place
      ? [
          weigh(
            liquidStepKey(index),
            group,
            liquid.name,
            `${liquid.name}, ${placeWords[place]}`,
            liquid.massG,
            place === 'lye' ? 'Frozen to slush, so that the lye does not scorch it.' : '',
            caution,
          ),
        ]
      : [],
  )
  const additives = (weights.additives ?? []).flatMap(({ name, place: its, massG, wetting }, index) =>
    its === place
      ? [
          weigh(
            additiveStepKey(index),
            group,
            name,
            `${name}, ${placeWords[place]}`,
            massG,
            wetting ? wettingWords(wetting) : '',
            caution,
          ),
        ]
      : [],
  )
  return [...liquids, ...additives]
}

/** How an additive is wetted. */
export function wettingWords({ with: what, massG }: NonNullable<WeighedAdditive['wetting']>): string {
  const from = what === 'water' ? 'water, which is off the lye’s water already' : 'the fat that was kept back'
  return `Stir it smooth in ${formatQuantity('mass', massG, { digits: 1 })} of ${from}.`
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
        weigh(
          fatStepKey(fatKey),
          'Weigh the fats',
          name,
          `${name}, into the fats`,
          massG,
          fatKey === keptBackOf
            ? `Of it, keep ${formatQuantity('mass', keptBackG, { digits: 1 })} back in a cup for wetting.`
            : '',
        ),
      ),
    ...goingIn(plan, 'fats', 'Weigh the fats'),
    tick(
      'melt',
      'Weigh the fats',
      'Melt and mix',
      'Melt until clear, then let it cool',
      'Solid fats wholly melted, stirred into the liquid ones.',
    ),
  ]
}

/** The lye until it is clear. */
function lyeSteps(plan: BatchPlan, group: StepGroup): readonly RunSheetStep[] {
  const { weights } = plan
  const kohG = weights.kohG ?? 0
  return [
    tick(
      'goggles',
      group,
      'Goggles, gloves, air',
      'Goggles on, gloves on, window open',
      'Nothing of aluminium on the bench.',
      lyeCaution,
    ),
    weigh(
      waterStepKey,
      group,
      'Water',
      'Cold water, into the lye jug',
      weights.waterG,
      'The water goes in first.',
      lyeCaution,
    ),
    ...goingIn(plan, 'lye', group),
    weigh(
      naohStepKey,
      group,
      'Sodium hydroxide',
      'Sodium hydroxide, into a dry cup',
      weights.naohG,
      'Weigh it dry, apart from the water.',
      lyeCaution,
    ),
    ...(kohG > 0
      ? [
          weigh(
            kohStepKey,
            group,
            'Potassium hydroxide',
            'Potassium hydroxide, into a second dry cup',
            kohG,
            'Not the same jar as the sodium hydroxide.',
            lyeCaution,
          ),
        ]
      : []),
    tick(
      'dissolve',
      group,
      'Lye into water',
      'Pour the lye into the water, little by little',
      'Stir until clear. It heats by itself to over 80 °C and steams: stand back.',
      lyeCaution,
    ),
  ]
}

/** Key of the step that puts a lye made the night before away. */
export const overnightStepKey = 'lye-overnight'

const overnightStep = (): RunSheetStep =>
  tick(
    overnightStepKey,
    'Lye, the night before',
    'Label and put away',
    'Cover the jug when it no longer steams; write LYE and the date on it',
    'Locked away from children and animals, not of glass, not of aluminium.',
    lyeCaution,
  )

const temperatureStep = (
  of: 'lye' | 'fats',
  group: StepGroup,
  planned: number,
  detail: string,
  caution: string | null,
): RunSheetStep => ({
  key: `temperature:${of}`,
  group,
  kind: 'temperature',
  name: of === 'lye' ? 'Lye’s temperature' : 'Fats’ temperature',
  title: `Temperature of the ${of}`,
  detail,
  planned,
  caution,
  wait: { minutes: 10, what: `Look at the temperature of the ${of} again` },
})

const blendingDetail: Readonly<Record<Blending, string>> = {
  brief: 'A few short bursts, by spoon between. Stop when no oil swims on top.',
  usual: 'Short bursts. Stop when no oil swims on top.',
  long: 'On beyond the moment when no oil swims on top, as the recipe says.',
}

/** From lye into fats to trace. */
function batterSteps(plan: BatchPlan): readonly RunSheetStep[] {
  const { weights, recipe } = plan
  return [
    tick(
      emulsionStepKey,
      'Batter',
      'Blend to emulsion',
      'Lye into the fats along the blender’s shaft; blend to emulsion',
      blendingDetail[recipe.school?.blending ?? 'usual'],
      lyeCaution,
    ),
    ...goingIn(plan, 'emulsion', 'Batter'),
    ...weights.fats
      .filter(({ fatKey }) => isAtTrace(recipe, fatKey))
      .map(({ fatKey, name, massG }) =>
        weigh(
          fatStepKey(fatKey),
          'Batter',
          name,
          `${name}, at trace`,
          massG,
          'Liquid and about as warm as the batter.',
        ),
      ),
    ...goingIn(plan, 'trace', 'Batter'),
  ]
}

/** What becomes of the loaf on its first night. */
function coverStep({ recipe }: BatchPlan, gel: School['gel']): RunSheetStep {
  if (recipe.oven) {
    return tick(
      'cover',
      'Afterwards',
      'Into the oven',
      'Into the warm oven overnight; write the time on the mould',
      'Oven warmed first, then switched off. Look after an hour: a crack or a swelling top wants air.',
      alcoholCaution,
    )
  }
  return gel === 'kept'
    ? tick(
        'cover',
        'Afterwards',
        'Cover',
        'Cover the mould, blanket it, and write the time on it',
        'Level and out of a draught. In a warm room a cloth is enough.',
      )
    : tick(
        'cover',
        'Afterwards',
        'Keep it cool',
        'Stand the mould uncovered where it is cool; write the time on it',
        'Level, with air on all sides. A half-gelled ring means it was too warm.',
      )
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
    leftStepKey,
  ])
  return steps.map((step) => {
    const parts = comesAfter.has(step.key) ? 1 : pots * (goesIntoJug(step) ? jugs : 1)
    if (step.kind !== 'weigh' || parts === 1) return step
    const each = formatQuantity('mass', partToWeigh(step.planned ?? 0, parts, [], plan.scaleResolutionG), { digits: 1 })
    const vessels = goesIntoJug(step) ? 'jugs' : 'pots'
    return { ...step, parts, detail: `Into ${parts} ${vessels}, ${each} each. ${step.detail}`.trim() }
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
  const loaves = mouldWords(plan)
  const scentAtOnce = scent === 'at_once' ? scentSteps(plan, scent) : []
  return inParts(plan, [
    ...(isOvernight ? [...lyeSteps(plan, 'Lye, the night before'), overnightStep()] : []),
    tick(
      'moulds',
      'Prepare',
      'Line the mould',
      `Line the mould: ${loaves}`,
      'Liner flat into the corners, no folds. Level the shelf.',
    ),
    ...fatSteps(plan),
    ...wettingSteps(plan),
    ...(isOvernight ? [] : lyeSteps(plan, 'Lye')),
    temperatureStep(
      'lye',
      isOvernight ? 'Batter' : 'Lye',
      lyeC,
      isOvernight ? 'As warm as the room. Stir it, goggles on; nothing may have settled.' : '',
      lyeCaution,
    ),
    temperatureStep('fats', 'Batter', fatsC, isOvernight ? '' : 'Near that of the lye.', null),
    ...batterSteps(plan),
    ...scentAtOnce,
    ...potSteps(plan),
    ...(scentAtOnce.length > 0 ? [] : scentSteps(plan, 'last')),
    tick('pour', 'Pour', 'Pour', `Pour into ${loaves}`, 'Break the fall on a spatula; knock out the air.'),
    weigh(
      leftStepKey,
      'Pour',
      'Left in the pots',
      'What is left in the pots and on the tools',
      Math.max(0, Math.round(plan.weights.batterG - mouldsBatterG(plan))),
      'Scraped together and weighed: from it the moulds learn what they really take up. Nothing left is 0.',
    ),
    {
      ...tick(
        'spray',
        'Afterwards',
        'Spray the top',
        'Spray the top with strong alcohol against ash',
        sprayDetail(plan),
        alcoholCaution,
      ),
      wait: { minutes: 20, what: 'Spray the top again' },
    },
    { ...coverStep(plan, gel), wait: { minutes: 60, what: 'Look at the loaf: cracks, heat, a swelling top' } },
  ])
}

/** Where an oven follows, the vapour must be gone first. */
const sprayDetail = ({ recipe }: BatchPlan): string =>
  recipe.oven ? 'Or cover it close. Wait until the alcohol has dried before the oven.' : 'Or cover it close.'
