import type { Finding } from '../findings'
import { quantity, refuse, warn } from '../findings'
import { roundTo, roundToScale } from '../units'
import type { KnownDensity } from './densities'
import { densityOfScent } from './densities'

/** What a scent does to batter, as far as the workshop has seen. */
export const scentBehaviours = ['unknown', 'slows', 'calm', 'speeds', 'races', 'curdles'] as const
export type ScentBehaviour = (typeof scentBehaviours)[number]

/** One of the scents that a blend is made of. */
export interface ScentPart {
  readonly name: string
  /** Its part of the blend, by mass, 0 to 1. */
  readonly share: number
  readonly supplierLimit: number | null
  /** @default 'unknown' */
  readonly behaviour?: ScentBehaviour | undefined
}

/** A scent in a design. */
export interface ScentUse {
  readonly name: string
  /** Mass of scent over mass of fats. */
  readonly rate: number
  /** Highest share of the finished bar that the supplier's certificate allows; null when none is at hand. */
  readonly supplierLimit: number | null
  /** What it is blended of by the maker; each keeps its own supplier's limit. @default none, bought as it is */
  readonly parts?: readonly ScentPart[] | undefined
  /** @default 'unknown' */
  readonly behaviour?: ScentBehaviour | undefined
  /** Allergens with their share of the scent, from its certificate. */
  readonly allergens?: readonly { readonly name: string; readonly share: number }[] | undefined
}

/** The scents that are weighed: those of a blend, or the scent itself. Of a blend its own limit is what they leave. */
const weighedParts = ({ name, supplierLimit, parts = [] }: ScentUse): readonly ScentPart[] =>
  parts.length > 0 ? parts : [{ name, share: 1, supplierLimit }]

/** Volume of one gram of a scent, ml: of a blend that of its parts together. */
export function scentMlPerG(scent: ScentUse, knownDensities: readonly KnownDensity[] = []): number {
  return weighedParts(scent).reduce(
    (sum, { name, share }) => sum + share / densityOfScent(name, knownDensities).densityGMl,
    0,
  )
}

/**
 * A scent as it is weighed, one entry for each part of a blend, g. The last takes what rounding leaves.
 *
 * @param stepG step of the scale, g
 */
export function scentWeights(
  scent: ScentUse,
  scentG: number,
  stepG: number,
): readonly { readonly name: string; readonly massG: number }[] {
  const parts = weighedParts(scent)
  let leftG = scentG
  return parts.map(({ name, share }, index) => {
    const massG = index === parts.length - 1 ? leftG : Math.min(leftG, roundToScale(scentG * share, stepG))
    leftG = roundTo(leftG - massG, 6)
    return { name, massG }
  })
}

/**
 * Highest share of the finished bar that a scent may be: that of its certificate, or for a blend what the strictest of
 * its parts leaves. Null while a limit is not known.
 */
export function scentLimit(scent: ScentUse): number | null {
  const limits = weighedParts(scent).map(({ share, supplierLimit }) =>
    supplierLimit === null || share <= 0 ? null : supplierLimit / share,
  )
  return limits.includes(null) ? null : Math.min(...(limits as number[]))
}

/**
 * Holds every scent's share of the cured bar against its supplier's limit. The bar is taken as lighter by `cureLoss`, all
 * of it water, which makes the share the highest it can become.
 *
 * @param batterG mass of the whole batter, scent included
 */
export function checkScent(scent: ScentUse, scentG: number, batterG: number, cureLoss: number): readonly Finding[] {
  if (scent.rate === 0 || scentG === 0) return []
  const ofBar = scentG / (batterG * (1 - cureLoss))
  const isBlend = (scent.parts?.length ?? 0) > 0
  return weighedParts(scent).flatMap(({ name, share, supplierLimit }, index): Finding[] => {
    const shareOfBar = ofBar * share
    const field = isBlend ? `scent.parts[${index}].supplierLimit` : 'scent.supplierLimit'
    if (supplierLimit === null) {
      return [warn('scent_without_limit', { scent: name, ofBar: quantity.share(shareOfBar) }, field)]
    }
    if (shareOfBar <= supplierLimit) return []
    const allowedRate = Math.floor(((scent.rate * supplierLimit) / shareOfBar) * 10_000 + 1e-9) / 10_000
    return [
      refuse(
        'scent_above_limit',
        {
          part: name,
          ofBar: quantity.share(shareOfBar, 2),
          allowed: quantity.share(supplierLimit, 2),
          rate: quantity.share(allowedRate, 2),
          isBlend: isBlend ? 'yes' : 'no',
          scent: scent.name,
        },
        'scent.rate',
      ),
    ]
  })
}
