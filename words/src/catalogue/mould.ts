/** Moulds and what they hold. */
export const mouldWords = {
  fill_height_zero: 'The fill height is more than 0.',
  liner_fills_mould: 'The liner leaves no room for soap: it takes its thickness from each side and from the base.',
  fill_above_brim: 'The batter would stand above the brim: above the liner there is room for {brim}.',
} as const
