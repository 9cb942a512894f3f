import type { NewDesign } from '@vendange/contract'

type Plan = NewDesign['pourPlan']
const level = (pot: number, part: number): Plan[number] => ({ kind: 'level', pot, part, trace: 'medium' })
const powder = (name: string, hex: string): Plan[number] => ({ kind: 'powder', name, hex, trace: 'medium' })

/** How the demo's soaps are poured, by their names. Those that are not here are still to be designed. */
export const demoPourPlans: Readonly<Record<string, Plan>> = {
  'Platform Fog': [
    { kind: 'level', pot: 0, part: 0.5 },
    { kind: 'level', pot: 1, part: 0.5 },
    { kind: 'level', pot: 2, part: 1 },
    { kind: 'level', pot: 1, part: 0.5, waitMin: 2 },
    { kind: 'level', pot: 0, part: 0.5 },
    {
      kind: 'hanger',
      path: [
        { xMm: 18, yMm: 56 },
        { xMm: 18, yMm: 10 },
        { xMm: 32, yMm: 10 },
        { xMm: 32, yMm: 54 },
        { xMm: 48, yMm: 54 },
        { xMm: 48, yMm: 10 },
        { xMm: 66, yMm: 10 },
        { xMm: 66, yMm: 56 },
      ],
    },
    { kind: 'spray' },
  ],
  'Lantern Glass': [
    { kind: 'level', pot: 0, part: 0.5 },
    { kind: 'drop', pot: 1, part: 0.5, xMm: 30, fallMm: 200, spreadMm: 20 },
    { kind: 'drop', pot: 2, part: 0.4, xMm: 34, fallMm: 120, spreadMm: 15 },
    { kind: 'drop', pot: 0, part: 0.2, xMm: 46, fallMm: 150, spreadMm: 18 },
    { kind: 'drop', pot: 1, part: 0.5, xMm: 42, fallMm: 180, spreadMm: 22 },
    { kind: 'drop', pot: 2, part: 0.6, xMm: 38, fallMm: 90, spreadMm: 16 },
    { kind: 'level', pot: 0, part: 0.3 },
    { kind: 'spray' },
  ],
  'Dining Car': [
    level(0, 1),
    powder('brass rail', '#B98A3E'),
    level(1, 1),
    powder('brass rail', '#B98A3E'),
    level(2, 1),
    level(3, 1),
  ],
  'Banded Agate': [
    level(0, 0.4),
    level(1, 0.5),
    level(2, 0.6),
    level(3, 1),
    level(0, 0.6),
    level(2, 0.4),
    level(1, 0.5),
  ],
  'Slate Vein': [
    level(0, 0.5),
    powder('chalk', '#E8E4DA'),
    level(1, 1),
    level(2, 1),
    powder('chalk', '#E8E4DA'),
    level(0, 0.5),
  ],
  'Dawn Arrival': [
    { kind: 'sloped', pot: 0, part: 1, angleDeg: 14, trace: 'medium' },
    { kind: 'sloped', pot: 1, part: 1, angleDeg: -10, trace: 'medium', waitMin: 4 },
    { kind: 'sloped', pot: 2, part: 1, angleDeg: 8, trace: 'medium', waitMin: 4 },
    { kind: 'level', pot: 3, part: 1, trace: 'medium', waitMin: 4 },
    { kind: 'texture', peakMm: 5, trace: 'thick', waitMin: 5 },
    { kind: 'spray' },
  ],
  Malachite: [
    {
      kind: 'stack',
      xMm: 38,
      fallMm: 120,
      count: 6,
      trace: 'thin',
      pots: [
        { pot: 0, part: 1 },
        { pot: 1, part: 1 },
        { pot: 2, part: 1 },
      ],
    },
  ],
  'Chalk & Flint': [
    level(0, 0.6),
    { kind: 'spoon', pot: 1, part: 1, count: 4, fallMm: 50, trace: 'medium' },
    level(0, 0.4),
    { kind: 'cubes', count: 14, sizeMm: 7, hex: '#B9B2A4', trace: 'medium' },
  ],
  'Rose Quartz': [
    level(0, 0.6),
    powder('tablecloth', '#F4EEE6'),
    level(1, 1),
    level(2, 1),
    powder('tablecloth', '#F4EEE6'),
    level(0, 0.4),
  ],
}
