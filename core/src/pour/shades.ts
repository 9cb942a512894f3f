import { convertRgbToHsl, parseHex } from 'culori/fn'
import type { Absorption } from './mixing'
import { absorptionOf, hexOfAbsorption, mixAbsorptions } from './mixing'

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

function isGreen(hex: string): boolean {
  const colour = parseHex(hex)
  const { h, s } = colour ? convertRgbToHsl(colour) : { h: undefined, s: 0 }
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
    const tintedAt = (band: 0 | 1 | 2): number => Math.max(0, kept[band] + tint[band] - usual[band])
    const tinted: Absorption = [tintedAt(0), tintedAt(1), tintedAt(2)]
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
