/** When the lye is made, and how warm it is when it meets the fats. */
export const lyeSchools = ['same_day', 'same_day_hot', 'night_before'] as const
export type LyeSchool = (typeof lyeSchools)[number]

/** What becomes of the heat of the first night when no oven forces the gel. */
export const gelSchools = ['kept', 'avoided'] as const
/** When the scent goes in. `at_once`: into the batter at emulsion, for a scent known to be calm. */
export const scentSchools = ['last', 'at_once'] as const
/** How long the blender runs until emulsion. */
export const blendings = ['brief', 'usual', 'long'] as const
export type Blending = (typeof blendings)[number]

/** When a cure is over: after its days, once the scale says that the bar has levelled off, or when both hold. */
export const cureSchools = ['days', 'scale', 'both'] as const
export type CureSchool = (typeof cureSchools)[number]

/** The way of working that a recipe is made in. */
export interface School {
  readonly lye: LyeSchool
  readonly gel: (typeof gelSchools)[number]
  readonly scent: (typeof scentSchools)[number]
  /** @default usual */
  readonly blending?: Blending | undefined
  /** @default days */
  readonly cure?: CureSchool | undefined
}

/** How a recipe is made that says nothing of it. */
export const usualSchool: School = { lye: 'same_day', gel: 'kept', scent: 'last' }

/** Middle of the 46 to 49 °C at which the warmer schools work. */
const hotSoapingC = 47.5
/** A room in which soap is made, °C. An estimate. */
const roomC = 21

/**
 * How warm lye and fats are when they meet, °C.
 *
 * @param usualC what the workshop works at when the lye is made the same day and cooled
 */
export function soapingTemperatures(
  school: LyeSchool,
  usualC: number,
): { readonly lyeC: number; readonly fatsC: number } {
  if (school === 'same_day_hot') return { lyeC: hotSoapingC, fatsC: hotSoapingC }
  return { lyeC: school === 'night_before' ? roomC : usualC, fatsC: usualC }
}
