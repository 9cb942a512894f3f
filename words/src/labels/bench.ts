import type { Caution, StepGroup, WorkBesideThePour } from '@vendange/core/batch'

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

export const besideThePourWords: Readonly<Record<WorkBesideThePour['group'], string>> = {
  day_before: 'The day before',
  night: 'The night',
  days_after: 'The days after',
}
