import type { MoveFigure, Outline, Technique, Trace } from '@vendange/core/pour'

export const figureWords: Readonly<Record<MoveFigure, string>> = {
  angleDeg: 'Rises right, °',
  xMm: 'From the left',
  yMm: 'Above the base',
  zMm: 'From the near end',
  fallMm: 'Poured from',
  spreadMm: 'Spreads by',
  sizeMm: 'Size',
  turnDeg: 'Turned, °',
  count: 'How many',
  peakMm: 'Peaks',
}
export const traceWords: Readonly<Record<Trace, string>> = {
  emulsion: 'Emulsion',
  thin: 'Thin',
  medium: 'Medium',
  thick: 'Thick',
}
export const outlineWords: Readonly<Record<Outline, string>> = {
  round: 'Round',
  square: 'Square',
  triangle: 'Triangle',
  star: 'Star',
  shaving: 'Shavings',
}
export const techniqueWords: Readonly<Record<Technique, string>> = {
  layers: 'Level layers',
  slope: 'Sloped layers',
  drop: 'Drop pour',
  ribbon: 'Ribbons',
  pot_swirl: 'Pot swirl',
  hanger: 'Hanger pull',
  column: 'Column pour',
  dividers: 'Divider cells',
  spoon: 'Spoon and fold',
  confetti: 'Old soap folded in',
  embed: 'Embed',
}

/** A chance as a maker reads it; nothing is certain. */
export function chanceWords(share: number): string {
  if (share > 0.99) return 'over 99 %'
  return share < 0.01 ? 'under 1 %' : `${Math.round(share * 100)} %`
}
