import type { Caution, RunSheetStep, StepGroup, WeightRow, WorkBesideThePour } from '@vendange/core/batch'

export const stepGroupWords: Readonly<Record<StepGroup, string>> = {
  lye_overnight: 'Lye, the night before',
  prepare: 'Prepare',
  fats: 'Weigh the fats',
  lye: 'Lye',
  batter: 'Batter',
  colours: 'Colours and scent',
  pour: 'Pour',
  afterwards: 'Afterwards',
}

/** Plain words where lye, heat or alcohol count. */
export const cautionWords: Readonly<Record<Caution, string>> = {
  lye: 'Goggles, gloves, long sleeves, moving air. Children and animals out. Lye into water, never water into lye; never aluminium. On skin: running water, not vinegar.',
  alcohol: 'Alcohol burns: no flame, no hot oven near the spray or the fresh vapour.',
}

/** What a line of a list of weights is that has no name of its own. */
export const weightPartWords = {
  water: 'Water',
  wetting_water: 'Water for wetting',
  naoh: 'Sodium hydroxide',
  koh: 'Potassium hydroxide',
  scent: 'Scent',
} as const satisfies Partial<Record<WeightRow['part'], string>>

/** The name of a line of a list of weights. */
export function weightRowName({ part, name }: WeightRow): string {
  return name === '' && part in weightPartWords ? weightPartWords[part as keyof typeof weightPartWords] : name
}

/** In place of the figure of a step that was done without it. */
export const unweighedWords = {
  weigh: 'not weighed',
  temperature: 'not measured',
  tick: '',
} as const satisfies Readonly<Record<RunSheetStep['kind'], string>>

export const besideThePourWords: Readonly<Record<WorkBesideThePour['group'], string>> = {
  day_before: 'Before the pour',
  night: 'The night',
  days_after: 'The days after',
}
