import type { ScentBehaviour } from '../../recipe'
import type { PourTiming } from './conditions'
import { timedPourOf } from './conditions'
import { modelThickening, slownessSeen } from './estimate'
import type { OwnFactors } from './factors'
import { minutesUntil, scaledThickening } from './thickening'

/** What one pour tells of its scent. */
export interface ScentPour {
  readonly temperatureC: number
  /** Minutes after emulsion at which the batter was too thick, as seen or as what was seen foretells. */
  readonly workingMin: number
  /** In relation to what the model says of the same batter without scent. */
  readonly times: number
  readonly behaviour: Exclude<ScentBehaviour, 'unknown' | 'curdles'>
  readonly fellBack: boolean
}

/** Below these a scent speeds batter, or makes it race; above the last it slows. Estimates. */
const raceBelow = 0.4
const speedBelow = 0.75
const slowAbove = 1.25

/** What a scent did in a timed pour; undefined where nothing was tapped after emulsion. */
export function scentPourOf(timing: PourTiming, own: OwnFactors = {}): ScentPour | undefined {
  const pour = timedPourOf(timing)
  if (!pour) return undefined
  const plain = { ...modelThickening(pour.batter, own), scentTimes: 1, scentAtMin: 0 }
  const times = slownessSeen(plain, pour.seenMin, pour.thickened)
  return {
    temperatureC: pour.batter.temperatureC,
    workingMin: minutesUntil(1, scaledThickening(plain, times)),
    times,
    behaviour: times < raceBelow ? 'races' : times < speedBelow ? 'speeds' : times > slowAbove ? 'slows' : 'calm',
    fellBack: timing.fellBackAtMin !== undefined,
  }
}

/** What a scent did most often; what it did last where several are as frequent. Undefined without a pour. */
export function usualBehaviour(pours: readonly ScentPour[]): ScentPour['behaviour'] | undefined {
  const counts = new Map<ScentPour['behaviour'], number>()
  for (const { behaviour } of pours) counts.set(behaviour, (counts.get(behaviour) ?? 0) + 1)
  const most = Math.max(0, ...counts.values())
  return pours.findLast(({ behaviour }) => counts.get(behaviour) === most)?.behaviour
}
