import type { Sentence } from '../../findings'
import { quantity, sentence } from '../../findings'
import type { MoveLine } from '../moves'
import type { MouldSection } from '../section'
import type { Technique } from '../starters'
import { starterPlan } from '../starters'
import type { WorkingEstimate, TimedPour } from './estimate'
import { estimateWorking, slownessBelow } from './estimate'
import type { BatterConditions, OwnFactors } from './factors'
import { chanceToFinish, planOnTheClock, potsReadyMin } from './onTheClock'
import { scaledThickening } from './thickening'

/** Something that would help, with the chance to finish before and after it. */
export interface Advice {
  readonly key: 'cooler' | 'scent_last' | 'fewer_pots' | 'more_water' | 'blend_less' | 'fewer_solids' | 'no_waits'
  readonly advice: Sentence
  readonly before: number
  readonly after: number
}

/** Below this nobody soaps: fats set. °C, an estimate. */
const coolestC = 27
const leastGain = 0.02

/** What would help most to finish the plan, the best first. */
export function workingAdvice(
  lines: readonly MoveLine[],
  batter: BatterConditions,
  pours: readonly TimedPour[],
  own: OwnFactors = {},
): readonly Advice[] {
  const chance = (of: BatterConditions, moves = lines): number =>
    chanceToFinish(moves, estimateWorking(of, pours, own), potsReadyMin(of.pots), of.paces)
  const before = chance(batter)
  const { temperatureC, lyeConcentration, solidShare, pots } = batter
  const fewer = Math.max(1, pots - 2)
  const waits = lines.filter(({ waitMin = 0 }) => waitMin > 0)
  const options: readonly (Omit<Advice, 'before' | 'after'> & { readonly after: number | undefined })[] = [
    {
      key: 'cooler',
      advice: sentence('soap_cooler', {
        cooler: quantity.temperature(coolestC),
        now: quantity.temperature(temperatureC),
      }),
      after: temperatureC > coolestC + 1 ? chance({ ...batter, temperatureC: coolestC }) : undefined,
    },
    {
      key: 'scent_last',
      advice: sentence('scent_last'),
      after: !batter.scentLast && batter.scents.length > 0 ? chance({ ...batter, scentLast: true }) : undefined,
    },
    {
      key: 'fewer_pots',
      advice: sentence('pots_fewer', { fewer: pots - fewer }),
      after: pots > 1 ? chance({ ...batter, pots: fewer }) : undefined,
    },
    {
      key: 'more_water',
      advice: sentence('weaker_lye', {
        weaker: quantity.share(lyeConcentration - 0.03, 0),
        now: quantity.share(lyeConcentration, 0),
      }),
      after: lyeConcentration > 0.28 ? chance({ ...batter, lyeConcentration: lyeConcentration - 0.03 }) : undefined,
    },
    {
      key: 'blend_less',
      advice: sentence('blend_less'),
      after: batter.blending !== 'brief' ? chance({ ...batter, blending: 'brief' }) : undefined,
    },
    {
      key: 'fewer_solids',
      advice: sentence('solids_fewer'),
      after: solidShare > 0.35 ? chance({ ...batter, solidShare: solidShare - 0.1 }) : undefined,
    },
    {
      key: 'no_waits',
      advice: sentence('no_waits'),
      after:
        waits.length > 0
          ? chance(
              batter,
              lines.map((line) => ({ ...line, waitMin: 0 })),
            )
          : undefined,
    },
  ]
  return options
    .flatMap(({ after, ...one }) =>
      after !== undefined && after - before >= leastGain ? [{ ...one, before, after }] : [],
    )
    .sort((a, b) => b.after - a.after)
}

/** Techniques that a racing batter still suits, the most telling first. */
const fallbackOrder: readonly Technique[] = ['drop', 'ribbon', 'spoon', 'slope', 'layers']

/** A simpler pour that a fast batter still suits. */
export interface Fallback {
  readonly technique: Technique
  readonly lines: readonly MoveLine[]
}

/**
 * The fallback for when the batter races: the first of the simpler techniques that is done in time even with one of the
 * fastest batters in ten; else a spoon and fold, which thick batter suits.
 *
 * @throws {RangeError} if there is no pot
 */
export function fallbackFor(
  lines: readonly MoveLine[],
  estimate: WorkingEstimate,
  { pots, paces }: Pick<BatterConditions, 'pots' | 'paces'>,
  section: MouldSection,
): Fallback {
  const racing = scaledThickening(estimate.thickening, slownessBelow(estimate, 0.1))
  const minutesOf = (of: readonly MoveLine[]): number =>
    planOnTheClock(of, racing, potsReadyMin(pots), paces).at(-1)?.endMin ?? 0
  for (const technique of fallbackOrder) {
    const plan = starterPlan(technique, pots, section)
    const inTime = planOnTheClock(plan, racing, potsReadyMin(pots), paces).every(({ isInTime }) => isInTime)
    if (inTime && minutesOf(plan) < minutesOf(lines)) return { technique, lines: plan }
  }
  return { technique: 'spoon', lines: starterPlan('spoon', pots, section) }
}
