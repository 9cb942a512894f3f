import type { Day } from '../calendar'
import { formatQuantity } from '../units'
import type { BatchPlan } from './planOfBatch'
import { usualSchool } from '../recipe'

/** Work that belongs to a pour and is not done at the bench: on the day before, in the night, on the days after. */
export interface WorkBesideThePour {
  readonly group: 'The day before' | 'The night' | 'The days after'
  readonly lines: readonly string[]
}

/** Days of a pour as far as its run sheet needs them. */
export interface DaysOfPour {
  readonly cutDay: Day
  readonly readyDay: Day
}

/**
 * What is to be done before and after the bench, in the order of the work.
 *
 * @param dayWords a day as the workshop writes it
 */
export function workBesideThePour(
  plan: BatchPlan,
  days: DaysOfPour,
  dayWords: (day: Day) => string,
): readonly WorkBesideThePour[] {
  const { lye, gel } = plan.recipe.school ?? usualSchool
  const frozen = (plan.weights.liquids ?? []).filter(({ place }) => place === 'lye')
  return [
    {
      group: 'The day before',
      lines: [
        ...frozen.map(
          ({ name, massG }) =>
            `Freeze ${formatQuantity('mass', massG, { digits: 0 })} of ${name.toLowerCase()} in cubes.`,
        ),
        ...(plan.weights.pots.some(({ colourantG }) => colourantG > 0)
          ? ['Set the colourants out, each beside its jug; sieve what clumps.']
          : []),
        'Line the moulds, charge the scale, see that goggles and gloves are whole.',
        ...(lye === 'night_before' ? ['Make the lye as below, when nobody else needs the room.'] : []),
      ],
    },
    {
      group: 'The night',
      lines: [
        plan.recipe.oven
          ? 'Leave the oven shut and off; nobody bakes in it before the mould is out and the air is clear.'
          : gel === 'kept'
            ? 'Leave it covered. A warm middle is right; a crack or a rising top wants air.'
            : 'Leave it cool and uncovered.',
      ],
    },
    {
      group: 'The days after',
      lines: [
        'Wash pots and tools with gloves on: what sticks to them is still lye for a day.',
        `Press its side with a gloved finger and unmould when it is cold and firm. Planned for ${dayWords(days.cutDay)}: ${plan.barsPlanned} bars.`,
        `On the rack until ${dayWords(days.readyDay)}; weigh a marked bar every week.`,
      ],
    },
  ]
}
