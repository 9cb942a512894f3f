import { clockKeys, leftStepKey, pourSession } from '@vendange/core/batch'
import { daysBetween } from '@vendange/core/calendar'
import { batterConditions, minutesUntil, modelThickening, scaledThickening, traceBegins } from '@vendange/core/pour'
import { roundTo } from '@vendange/core/units'
import type { Seeding } from './seeding'
import { wobble } from './seeding'

/** By how much each made-up scent changes the working time of its batter. */
const scentTimes: Readonly<Record<string, number>> = {
  'Citrus peel blend': 1.35,
  'Linen steam blend': 1.05,
  'Cold iron blend': 0.95,
  'Wet stone blend': 0.9,
  'Polished wood blend': 0.3,
  'Amber blend': 0.55,
}
const dayMin = 24 * 60

/** Taps on the clock of a made-up pour, and, where the batter raced, the fallback. */
async function timePour({ services }: Seeding, batchId: string, seed: number, maker: string): Promise<void> {
  const { plan, batch } = await services.bench.view(batchId)
  const times = plan.scent ? (scentTimes[plan.scent.name] ?? 1) : 1
  const model = modelThickening(batterConditions({ ...plan, scent: null }))
  const thickening = scaledThickening(model, times * Math.exp(wobble(seed + 3) * 0.15))
  const tap = (stepKey: string, actual: number) =>
    services.bench.record(batchId, { stepKey, actual: roundTo(actual, 2) }, maker)
  await tap(clockKeys.emulsion, daysBetween('1970-01-01', batch.days.pourDay) * dayMin + 10 * 60)
  await tap(clockKeys.medium, minutesUntil(traceBegins.medium, thickening))
  if (times < 0.4) await tap(clockKeys.fallback, minutesUntil(traceBegins.medium, thickening) + 1)
  await tap(clockKeys.tooThick, minutesUntil(1, thickening))
}

/** Pours a planned batch step by step, each time a little otherwise than planned, and names the loaves it gave. */
export async function pourAtBench(seeding: Seeding, batchId: string, seed: number): Promise<readonly string[]> {
  const { services, makerIds, setDay } = seeding
  const maker = makerIds[seed % makerIds.length] ?? ''
  for (;;) {
    const { batch, plan, records } = await services.bench.view(batchId)
    const state = pourSession(plan, records)
    const step = state.steps[state.nextIndex]
    if (!step) break
    // A made-up morning: about as long as planned.
    const plannedMin = (batch.demand.prepHours + batch.demand.pourHours) * 60 * (1.05 + wobble(seed) * 0.15)
    setDay(batch.days.pourDay, (plannedMin * state.nextIndex) / state.steps.length - plannedMin)
    if (step.key === leftStepKey) {
      // What is left in the pots differs a little from pour to pour.
      const actual = Math.round((step.target ?? 0) * (1 + wobble(seed) * 0.5))
      await services.bench.record(batchId, { stepKey: step.key, actual }, maker)
      continue
    }
    const off = step.kind === 'weigh' && step.key.startsWith('fat:') && seed % 3 === 0 && state.nextIndex === 2 ? 6 : 0
    const actual =
      step.kind === 'tick'
        ? null
        : step.kind === 'temperature'
          ? roundTo((step.target ?? 0) + wobble(seed + state.nextIndex), 1)
          : (step.target ?? 0) + off
    await services.bench.record(batchId, { stepKey: step.key, actual }, maker)
  }
  await timePour(seeding, batchId, seed, maker)
  return (await services.bench.finish(batchId, maker)).loafIds
}
