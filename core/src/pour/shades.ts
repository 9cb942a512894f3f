import { converter, differenceCiede2000 } from 'culori'
import type { Finding } from '../findings'
import type { Absorption } from './mixing'
import { absorptionOf, hexOfAbsorption, mixAbsorptions } from './mixing'
import { air } from './surface'

/** When a bar is looked at: as it is poured, a day on, and after four weeks. */
export const looks = ['pour', 'day_1', 'week_4'] as const
export type Look = (typeof looks)[number]

/** A pot's colour as its maker knows it. */
export interface PotShade {
  /** When the bar is cured. */
  readonly hex: string
  /** In wet batter, and a day on; null where the workshop has not looked yet. */
  readonly wetHex?: string | null | undefined
  readonly dayHex?: string | null | undefined
  readonly fades?: boolean | undefined
  readonly bleeds?: boolean | undefined
}

/** What the batter itself and its scent do to every colour. */
export interface BatterTint {
  /** The batter's own colour when it is left plain and cured. @default {@link usualTint} */
  readonly tintHex?: string | undefined
  /** Share of vanillin in the scent. @default 0 */
  readonly vanillin?: number | undefined
  /** Mass of scent over mass of fats. @default 0 */
  readonly scentRate?: number | undefined
}

/** The tint that colours are told for: that of plain soap out of pale fats. An estimate. */
export const usualTint = '#F1E7CF'

/** How much stronger a colour is than in the cured bar. Estimates; greens darken most while they are wet. */
const strengths: Readonly<Record<Look, number>> = { pour: 1.3, day_1: 1.1, week_4: 1 }
const wetGreen = 1.65
const greenHues = { from: 90, to: 170 } as const
/** What is left of a colour that fades, after four weeks, and what of one that bleeds goes into its neighbours. Estimates. */
const leftOfFading = 0.7
const bledShare = 0.06
/** Browning by vanillin: its colour, the share of the fats at which it is two thirds done, and how fast. Estimates. */
const vanillinBrown = '#6A4526'
const vanillinScale = 0.002
const vanillinDays = 10
const mostBrown = 0.8
const daysOf: Readonly<Record<Look, number>> = { pour: 0, day_1: 1, week_4: 28 }

const toHsl = converter('hsl')

function isGreen(hex: string): boolean {
  const { h, s } = toHsl(hex) ?? { s: 0 }
  return h !== undefined && s > 0.12 && h >= greenHues.from && h <= greenHues.to
}

const scaled = ([red, green, blue]: Absorption, by: number): Absorption => [red * by, green * by, blue * by]

/** How far a scent has turned the soap brown, 0 to 0.8 of the way. */
export function brownShare({ vanillin = 0, scentRate = 0 }: BatterTint, days: number): number {
  return mostBrown * (1 - Math.exp((-vanillin * scentRate) / vanillinScale)) * (1 - Math.exp(-days / vanillinDays))
}

/**
 * The colours of the pots as they look at a time. What the workshop has seen itself goes before the model.
 *
 * @throws {RangeError} if a colour cannot be read
 */
export function shadesAt(look: Look, pots: readonly PotShade[], batter: BatterTint = {}): readonly string[] {
  const tint = absorptionOf(batter.tintHex ?? usualTint)
  const usual = absorptionOf(usualTint)
  const brown = brownShare(batter, daysOf[look])
  const browned = absorptionOf(vanillinBrown)
  const bleeding = pots.filter(({ bleeds }) => bleeds).map(({ hex }) => absorptionOf(hex))
  return pots.map((pot) => {
    const seen = look === 'pour' ? pot.wetHex : look === 'day_1' ? pot.dayHex : undefined
    const strength = look === 'pour' && isGreen(pot.hex) ? wetGreen : strengths[look]
    const own = seen ? absorptionOf(seen) : scaled(absorptionOf(pot.hex), strength)
    const kept = look === 'week_4' && pot.fades ? scaled(own, leftOfFading) : own
    const tinted = kept.map((band, at) =>
      Math.max(0, band + (tint[at] ?? 0) - (usual[at] ?? 0)),
    ) as unknown as Absorption
    const bled =
      look === 'week_4' && !pot.bleeds
        ? mixAbsorptions([
            { absorption: tinted, share: 1 },
            ...bleeding.map((absorption) => ({ absorption, share: bledShare / bleeding.length })),
          ])
        : tinted
    return hexOfAbsorption(
      mixAbsorptions([
        { absorption: bled, share: 1 - brown },
        { absorption: browned, share: brown },
      ]),
    )
  })
}

/** How long a border two materials have with one another in a cut, as a share of all borders. */
export interface Neighbours {
  readonly a: number
  readonly b: number
  readonly share: number
}

/** Which materials lie side by side in a cut. */
export function neighboursIn(cut: Int8Array, width: number): readonly Neighbours[] {
  const counts = new Map<number, number>()
  let all = 0
  const meet = (a: number, b: number): void => {
    if (a === b || a === air || b === air) return
    const key = Math.min(a, b) * 256 + Math.max(a, b)
    counts.set(key, (counts.get(key) ?? 0) + 1)
    all += 1
  }
  for (let at = 0; at < cut.length; at++) {
    if ((at + 1) % width !== 0) meet(cut[at]!, cut[at + 1]!)
    if (at + width < cut.length) meet(cut[at]!, cut[at + width]!)
  }
  return [...counts].map(([key, count]) => ({ a: Math.floor(key / 256), b: key % 256, share: count / all }))
}

/** How much is to be seen in a cut. */
export interface CutRichness {
  /** Materials that take a fiftieth of it at least. */
  readonly colours: number
  /** Length of all borders between materials, in widths of the cut. A level border counts 1. */
  readonly borderWidths: number
}

export function richnessOf(cut: Int8Array, width: number): CutRichness {
  const counts = new Map<number, number>()
  let borders = 0
  for (let at = 0; at < cut.length; at++) {
    counts.set(cut[at]!, (counts.get(cut[at]!) ?? 0) + 1)
    if (cut[at] === air) continue
    const [right, below] = [(at + 1) % width === 0 ? cut[at]! : cut[at + 1]!, cut[at + width] ?? air]
    // Pixels overstate a slanted border by up to √2; the longer way of the two is nearer to its length.
    if ((right !== cut[at] && right !== air) || (below !== cut[at] && below !== air)) borders += 1
  }
  counts.delete(air)
  const all = [...counts.values()].reduce((sum, count) => sum + count, 0)
  return { colours: [...counts.values()].filter((count) => count >= all / 50).length, borderWidths: borders / width }
}

/**
 * Colour difference (CIEDE2000) below which two neighbours in one bar are hard to tell apart. An estimate: side by side
 * a difference of about 2 is just seen in the laboratory.
 */
export const hardToTellDeltaE = 7
/** Neighbours with less of the borders than this are let be. An estimate. */
const leastBorder = 0.04
const deltaE = differenceCiede2000()
const lookWords: Readonly<Record<Look, string>> = {
  pour: 'while wet',
  day_1: 'after a day',
  week_4: 'after four weeks',
}

/**
 * Neighbours in a cut that will be hard to tell apart at some time, each pair once, at the time when they are closest.
 *
 * @throws {RangeError} if a colour cannot be read
 */
export function closeNeighbours(
  neighbours: readonly Neighbours[],
  pots: readonly (PotShade & { readonly name: string })[],
  batter: BatterTint = {},
): readonly Finding[] {
  const shades = looks.map((look) => ({ look, hexes: shadesAt(look, pots, batter) }))
  return neighbours.flatMap(({ a, b, share }): readonly Finding[] => {
    const [one, other] = [pots[a], pots[b]]
    if (!one || !other || share < leastBorder) return []
    const closest = shades
      .map(({ look, hexes }) => ({ look, difference: deltaE(hexes[a]!, hexes[b]!) }))
      .sort((p, q) => p.difference - q.difference)[0]!
    if (closest.difference >= hardToTellDeltaE) return []
    return [
      {
        severity: 'warn',
        code: 'hard_to_tell',
        field: 'colours',
        message: `${one.name} and ${other.name} lie side by side and will be hard to tell apart ${lookWords[closest.look]}: colour difference ${closest.difference.toFixed(1)}, ${hardToTellDeltaE} or more is wanted (estimate). Make one lighter, or part them by another.`,
      },
    ]
  })
}
