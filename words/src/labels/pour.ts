import type { MoveKind } from '@vendange/core/pour'

/** The moves of a pour. */
export const moveKindWords: Readonly<Record<MoveKind, string>> = {
  level: 'Level layer',
  sloped: 'Sloped layer',
  powder: 'Powder line',
  drop: 'Drop pour',
  ribbon: 'Ribbon pour',
  stack: 'Colours stacked in the pot',
  dividers: 'Divider cells',
  column: 'Column pour',
  hanger: 'Hanger pull',
  skewer: 'Skewer',
  spoon: 'Spoon and fold',
  cubes: 'Cubes of old soap',
  embed: 'Embed',
  pipe: 'Piped top',
  drizzle: 'Drizzle',
  texture: 'Textured top',
  spray: 'Alcohol spray',
}
