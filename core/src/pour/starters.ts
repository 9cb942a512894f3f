import type { MoveLine } from './moves'
import type { MouldSection } from './section'
import { roundTo } from '../units'

/** Techniques that a plan can begin with, and that a pour can fall back on. */
export const techniques = [
  'layers',
  'slope',
  'drop',
  'ribbon',
  'pot_swirl',
  'hanger',
  'column',
  'dividers',
  'spoon',
  'confetti',
  'embed',
] as const
export type Technique = (typeof techniques)[number]

/** Deals a pot out in so many equal parts. */
const parted = (count: number): number => 1 / count

/**
 * A plan to begin with, in which every pot is poured whole.
 *
 * @param pots number of pots, from 1
 * @throws {RangeError} if there is no pot
 */
export function starterPlan(technique: Technique, pots: number, section: MouldSection): readonly MoveLine[] {
  if (!Number.isInteger(pots) || pots < 1) throw new RangeError(`Expected a whole number of pots from 1, got ${pots}`)
  const { widthMm, fillMm, lengthMm } = section
  const all = Array.from({ length: pots }, (_, pot) => pot)
  const others = all.slice(1)
  const every = all.map((pot) => ({ pot, part: 1 }))
  const layers = all.map((pot): MoveLine => ({ kind: 'level', pot, part: 1, trace: 'medium' }))
  const at = (x: number, y: number) => ({ xMm: roundTo(x * widthMm, 1), yMm: roundTo(y * fillMm, 1) })
  if (pots === 1 && technique !== 'confetti' && technique !== 'embed') return layers
  switch (technique) {
    case 'layers':
      return layers
    case 'slope': {
      const angles = [14, -9, 6, -4]
      return all.map((pot): MoveLine =>
        pot === pots - 1
          ? { kind: 'level', pot, part: 1, trace: 'thin' }
          : { kind: 'sloped', pot, part: 1, angleDeg: angles[pot % angles.length]!, trace: 'medium' },
      )
    }
    case 'drop': {
      const rounds = 3
      const drops = Array.from({ length: rounds }, (_, round) =>
        others.map((pot, index): MoveLine => {
          const place = ((round * others.length + index) * 0.618 + 0.2) % 1
          return {
            kind: 'drop',
            pot,
            part: parted(rounds),
            trace: 'thin',
            xMm: roundTo(widthMm * (0.2 + 0.6 * place), 1),
            fallMm: 150,
            spreadMm: widthMm * 0.22,
          }
        }),
      ).flat()
      return [{ kind: 'level', pot: 0, part: 0.6, trace: 'thin' }, ...drops, { kind: 'level', pot: 0, part: 0.4 }]
    }
    case 'ribbon':
      return [
        { kind: 'level', pot: 0, part: 0.5, trace: 'thin' },
        ...others.map((pot): MoveLine => ({ kind: 'ribbon', pot, part: 1, count: 5, fallMm: 180, trace: 'thin' })),
        { kind: 'level', pot: 0, part: 0.5, trace: 'thin' },
      ]
    case 'pot_swirl':
      return [{ kind: 'stack', pots: every, count: 6, fallMm: 120, xMm: widthMm / 2, trace: 'thin' }]
    case 'hanger':
      return [
        ...layers.map((line): MoveLine => ({ ...line, trace: 'thin' })),
        {
          kind: 'hanger',
          path: [
            at(0.22, 0.95),
            at(0.22, 0.15),
            at(0.42, 0.15),
            at(0.42, 0.92),
            at(0.6, 0.92),
            at(0.6, 0.15),
            at(0.82, 0.15),
            at(0.82, 0.95),
          ],
        },
      ]
    case 'column':
      return [
        {
          kind: 'column',
          pots: every,
          count: 4,
          trace: 'thin',
          outline: 'square',
          xMm: widthMm / 2,
          zMm: lengthMm / 2,
          sizeMm: Math.min(widthMm, lengthMm) * 0.22,
        },
      ]
    case 'dividers':
      return [
        { kind: 'dividers', pots: every, trace: 'medium' },
        { kind: 'skewer', path: [at(0.08, 0.35), at(0.92, 0.35), at(0.92, 0.65), at(0.08, 0.65)] },
      ]
    case 'spoon':
      return [
        { kind: 'level', pot: 0, part: 0.5, trace: 'medium' },
        ...others.map((pot): MoveLine => ({ kind: 'spoon', pot, part: 1, count: 4, fallMm: 60, trace: 'medium' })),
        { kind: 'level', pot: 0, part: 0.5, trace: 'medium' },
      ]
    case 'confetti':
      return [...layers, { kind: 'cubes', count: 18, sizeMm: widthMm * 0.09, hex: '#B98A3E', trace: 'medium' }]
    case 'embed':
      return [
        ...layers.slice(0, 1),
        {
          kind: 'embed',
          outline: 'round',
          hex: '#B98A3E',
          trace: 'medium',
          xMm: widthMm / 2,
          yMm: fillMm * 0.55,
          sizeMm: Math.min(widthMm, fillMm) * 0.4,
        },
        ...layers.slice(1),
      ]
  }
}
