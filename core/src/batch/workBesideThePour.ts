import type { Day } from '../calendar'
import type { Sentence } from '../findings'
import { quantity, sentence } from '../findings'
import type { BatchPlan } from './batchPlan'
import type { PartCaution } from '../recipe'
import { entryOf, isFrozenForLye, usualSchool } from '../recipe'

/** Work that belongs to a pour and is not done at the bench: on the day before, in the night, on the days after. */
export interface WorkBesideThePour {
  readonly group: 'day_before' | 'night' | 'days_after'
  readonly lines: readonly Sentence[]
}

/** Days of a pour as far as its run sheet needs them. */
export interface DaysOfPour {
  readonly cutDay: Day
  readonly readyDay: Day
}

/** What is to be done before and after the bench, in the order of the work. */
export function workBesideThePour(plan: BatchPlan, days: DaysOfPour): readonly WorkBesideThePour[] {
  const { lye, gel } = plan.recipe.school ?? usualSchool
  const frozen = (plan.weights.liquids ?? []).filter(isFrozenForLye)
  const { liquids = [], additives = [] } = plan.weights
  const parts = [
    ...liquids.map(({ name, massG }) => ({ kind: 'liquid', name, massG }) as const),
    ...additives.map(({ name, massG }) => ({ kind: 'additive', name, massG }) as const),
  ]
  const mindedWith = (caution: PartCaution) =>
    parts.filter(({ kind, name }) => entryOf(kind, name)?.cautions.includes(caution) === true)
  return [
    {
      group: 'day_before',
      lines: [
        ...mindedWith('boil_off_alcohol').map(({ name, massG }) =>
          sentence('simmer_off', { massG: quantity.mass(massG), liquid: name.toLowerCase() }),
        ),
        ...mindedWith('sieve').map(({ name, massG }) =>
          sentence('sieve_it', { massG: quantity.fineMass(massG), part: name.toLowerCase() }),
        ),
        ...frozen.map(({ name, massG }) =>
          sentence('freeze_in_cubes', { massG: quantity.mass(massG), liquid: name.toLowerCase() }),
        ),
        ...(plan.weights.pots.some(({ colourantG }) => colourantG > 0) ? [sentence('set_colourants_out')] : []),
        sentence('prepare_the_bench'),
        ...(lye === 'night_before' ? [sentence('make_the_lye')] : []),
      ],
    },
    {
      group: 'night',
      lines: [sentence('leave_for_the_night', { night: plan.recipe.oven ? 'oven' : gel })],
    },
    {
      group: 'days_after',
      lines: [
        sentence('wash_with_gloves'),
        sentence('press_and_unmould', { cutDay: quantity.day(days.cutDay), bars: plan.barsPlanned }),
        sentence('on_the_rack_until', { readyDay: quantity.day(days.readyDay) }),
      ],
    },
  ]
}
