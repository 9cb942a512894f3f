import { converter, differenceCiede2000 } from 'culori'

/** A main colour of a photograph, and the share of its pixels. */
export interface SeenColour {
  readonly hex: string
  readonly share: number
}

/** How the colours of a cut face changed from one photograph to a later one. */
export interface ColourDrift {
  /** Colour difference (CIEDE2000), each colour by its share of the face. */
  readonly deltaE: number
  /** Change of lightness L*, below 0 where it darkened. */
  readonly lightness: number
}

const difference = differenceCiede2000()
const toLab = converter('lab65')
const lightnessOf = (hex: string): number => toLab(hex)?.l ?? 0

/**
 * How far the colours of a face moved between two photographs: each colour of the first, that of most pixels first, is
 * held against the nearest one of the second that is not taken yet. The light of the two photographs is not known: an
 * estimate. Undefined where a photograph has no colours.
 */
export function colourDrift(before: readonly SeenColour[], after: readonly SeenColour[]): ColourDrift | undefined {
  const left = [...after]
  const pairs = [...before]
    .sort((a, b) => b.share - a.share)
    .flatMap((one) => {
      const nearest = left
        .map((other, at) => ({ at, other, deltaE: difference(one.hex, other.hex) }))
        .sort((a, b) => a.deltaE - b.deltaE)[0]
      if (!nearest) return []
      left.splice(nearest.at, 1)
      const lightness = lightnessOf(nearest.other.hex) - lightnessOf(one.hex)
      return [{ share: one.share, deltaE: nearest.deltaE, lightness }]
    })
  const whole = pairs.reduce((sum, { share }) => sum + share, 0)
  if (!(whole > 0)) return undefined
  const mean = (of: 'deltaE' | 'lightness'): number =>
    pairs.reduce((sum, pair) => sum + pair.share * pair[of], 0) / whole
  return { deltaE: mean('deltaE'), lightness: mean('lightness') }
}
