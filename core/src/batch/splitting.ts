import type { Finding } from '../findings'
import { quantity, warn } from '../findings'
import { roundTo, roundToScale } from '../units'

/** What the workshop's vessels hold with room to stir, ml; 0 where nobody has said. */
export interface Vessels {
  readonly largestPotMl: number
  readonly lyeJugMl: number
}

/** In how many equal parts `ml` fits a vessel of `vesselMl`, 1 or more; 1 where nobody has said what it holds (0). */
export function partsFor(ml: number, vesselMl: number): number {
  return vesselMl > 0 ? Math.max(1, Math.ceil(ml / vesselMl - 1e-9)) : 1
}

/** What is made of a batch, as far as vessels go. */
export interface MadeForVessels {
  readonly batterMl: number
  readonly lyeMl: number
}

/** In how many pots a batch is made, and in how many jugs the lye of each of them. */
export function vesselParts(
  { batterMl, lyeMl }: MadeForVessels,
  { largestPotMl, lyeJugMl }: Vessels,
): { readonly pots: number; readonly jugs: number } {
  const pots = partsFor(batterMl, largestPotMl)
  // Each part of the batter has its own lye already.
  return { pots, jugs: partsFor(lyeMl / pots, lyeJugMl) }
}

/**
 * What the next of several parts weighs, g: what is left of the whole shared among the parts that are left.
 *
 * @param taken parts that are weighed already, g
 * @param stepG step of the scale, g
 */
export function partToWeigh(wholeG: number, parts: number, taken: readonly number[], stepG: number): number {
  const leftG = Math.max(0, wholeG - taken.reduce((sum, massG) => sum + massG, 0))
  const left = parts - taken.length
  return left <= 1 ? roundTo(leftG, 6) : roundToScale(leftG / left, stepG)
}

/**
 * What has to be split because a vessel is too small, with the weights of a part.
 *
 * @param made batter and lye as they are made: their volumes and weights
 */
export function splitFindings(
  made: MadeForVessels & {
    readonly batterG: number
    readonly fatsG: number
    readonly alkaliG: number
    readonly plainWaterG: number
    readonly stepG: number
  },
  vessels: Vessels,
): readonly Finding[] {
  const { largestPotMl, lyeJugMl } = vessels
  const findings: Finding[] = []
  const part = (massG: number, parts: number) => quantity.mass(roundToScale(massG / parts, made.stepG))
  const { pots, jugs } = vesselParts(made, vessels)
  if (pots > 1)
    findings.push(
      warn('pot_too_small', {
        batterMl: quantity.volume(made.batterMl),
        potMl: quantity.volume(largestPotMl),
        pots,
        batter: part(made.batterG, pots),
        fats: part(made.fatsG, pots),
      }),
    )
  if (jugs > 1)
    findings.push(
      warn('jug_too_small', {
        lyeMl: quantity.volume(made.lyeMl / pots),
        jugMl: quantity.volume(lyeJugMl),
        jugs,
        alkali: part(made.alkaliG / pots, jugs),
        water: part(made.plainWaterG / pots, jugs),
      }),
    )
  return findings
}
