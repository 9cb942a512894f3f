import type { Finding } from '../findings'
import { quantity, refuse, sentence } from '../findings'
import { massRange } from '../recipe'
import type { Range } from '../units'
import { isWithin, outOfRange } from '../units'
import type { BatchPlan } from './batchPlan'
import { checkClockRecord, isClockKey } from './pourClock'
import type { PourSession, SessionStep, StepRecord } from './pourSession'
import { madeNow, pourSession } from './pourSession'
import { fatStepKey, kohStepKey, leftStepKey, liquidStepKey, naohStepKey, scentStepKey, waterStepKey } from './steps'

/** What a probe in a soap workshop can read, °C. */
export const sessionTemperatureRange: Range = { min: -10, max: 120 }
/** A figure further off than this is taken for a slip of the hand, not a weighing. */
const plausibleFactor = 3

const targetAfter = (state: PourSession, key: string): number =>
  state.steps.find((step) => step.key === key)?.target ?? 0
const isAlkaliStep = (key: string): boolean => key === naohStepKey || key === kohStepKey

function checkWeighing(plan: BatchPlan, records: readonly StepRecord[], step: SessionStep, actualG: number): Finding[] {
  if (step.key === leftStepKey) {
    const madeG = madeNow(plan, records)
    return actualG >= 0 && actualG < madeG ? [] : [refuse('left_range', { made: quantity.mass(madeG) }, 'actual')]
  }
  if (!isWithin(actualG, massRange) || actualG === 0)
    return [refuse('weighing_range', { most: quantity.most('mass', massRange.max) }, 'actual')]
  const targetG = step.target ?? 0
  if (actualG > targetG * plausibleFactor || actualG < targetG / plausibleFactor) {
    return [refuse('mass_implausible', { actual: quantity.mass(actualG), target: quantity.mass(targetG) }, 'actual')]
  }
  const after = pourSession(plan, [...records, { stepKey: step.key, actual: actualG }])
  if (after.band.likely < 0 && (isAlkaliStep(step.key) || records.some(({ stepKey }) => isAlkaliStep(stepKey)))) {
    const allowedG = targetAfter(after, step.key)
    const mend = isAlkaliStep(step.key)
      ? sentence('take_back_out', { over: quantity.mass(actualG - allowedG) })
      : sentence('add_missing_fat')
    return [refuse('weighing_exceeds_fats', { superfat: quantity.share(after.band.likely), mend }, 'actual')]
  }
  if (step.key === waterStepKey) {
    const alkaliG = targetAfter(after, naohStepKey) + targetAfter(after, kohStepKey)
    const broughtG = (plan.weights.liquids ?? []).reduce(
      (sum, { place, waterG }) => (place === 'lye' ? sum + waterG : sum),
      0,
    )
    if (actualG + broughtG < alkaliG) return [refuse('water_below_lye', undefined, 'actual')]
  }
  return []
}

/** Steps of which no figure is guessed: fats, lye, liquids and scent. */
const alwaysWeighed = [fatStepKey(''), liquidStepKey(''), scentStepKey]

/** Whether a step may be done by eye: its record then says that it was not weighed, and what was planned is reckoned with. */
export function mayGoUnweighed({ kind, key }: Pick<SessionStep, 'kind' | 'key'>): boolean {
  if (kind !== 'weigh') return kind === 'temperature'
  return !isAlkaliStep(key) && key !== waterStepKey && !alwaysWeighed.some((start) => key.startsWith(start))
}

/** Whether a step was done without its figure. */
export const wasUnweighed = ({ kind, done, actual }: Pick<SessionStep, 'kind' | 'done' | 'actual'>): boolean =>
  kind !== 'tick' && done && actual === null

/**
 * Whether a record may be taken: the step exists, every step before it is done, and its figure is possible and safe.
 * An empty list means yes.
 *
 * @param record `isUnweighed`: done without its figure, and said to be so
 */
export function checkStepRecord(
  plan: BatchPlan,
  records: readonly StepRecord[],
  record: StepRecord & { readonly isUnweighed?: boolean | undefined },
): readonly Finding[] {
  if (isClockKey(record.stepKey)) return checkClockRecord(record.stepKey, record.actual)
  const state = pourSession(plan, records)
  const index = state.steps.findIndex(({ key }) => key === record.stepKey)
  const step = state.steps[index]
  if (!step) return [refuse('unknown_step', undefined, 'stepKey')]
  if (index > state.nextIndex) {
    return [refuse('step_out_of_order', { first: state.steps[state.nextIndex]?.title ?? '' }, 'stepKey')]
  }
  if (step.kind === 'tick') return []
  if (record.actual === null) {
    if (record.isUnweighed !== true) return [refuse('figure_missing', undefined, 'actual')]
    return mayGoUnweighed(step) ? [] : [refuse('must_be_weighed', undefined, 'actual')]
  }
  if (step.kind === 'weigh') return checkWeighing(plan, records, step, record.actual)
  return isWithin(record.actual, sessionTemperatureRange)
    ? []
    : [{ severity: 'refuse', ...outOfRange('temperature', sessionTemperatureRange), field: 'actual' }]
}
