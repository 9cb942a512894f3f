import { convertLrgbToRgb, convertRgbToLrgb, formatHex, parseHex } from 'culori/fn'

/** Reflectance that soap does not go below or above, so that absorption stays a number. */
const [darkest, brightest] = [0.003, 0.985]

/**
 * Absorption over scattering of a colour in its red, green and blue band: K/S = (1 − R)²/2R (Kubelka and Munk, "Ein
 * Beitrag zur Optik der Farbanstriche", 1931), with R the linear light it throws back. Colours mix by adding these.
 */
export type Absorption = readonly [number, number, number]

/** @throws {RangeError} if the colour cannot be read */
export function absorptionOf(hex: string): Absorption {
  const colour = parseHex(hex)
  if (!colour) throw new RangeError(`Expected a colour like #5A2750, got ${hex}`)
  const linear = convertRgbToLrgb(colour)
  const of = (band: number): number => {
    const reflectance = Math.min(brightest, Math.max(darkest, band))
    return (1 - reflectance) ** 2 / (2 * reflectance)
  }
  return [of(linear.r), of(linear.g), of(linear.b)]
}

/** The linear light thrown back, 0 to 1, of an absorption of 0 or more: `absorptionOf` turned round. */
export const reflectanceOf = (absorption: number): number =>
  1 + absorption - Math.sqrt(absorption * absorption + 2 * absorption)

/** The colour of an absorption, like #5A2750. */
export function hexOfAbsorption([red, green, blue]: Absorption): string {
  const rgb = convertLrgbToRgb({ r: reflectanceOf(red), g: reflectanceOf(green), b: reflectanceOf(blue) })
  return formatHex(rgb).toUpperCase()
}

/** Sum of absorptions, each with its weight. */
export function mixAbsorptions(
  parts: readonly { readonly absorption: Absorption; readonly share: number }[],
): Absorption {
  const band = (of: 0 | 1 | 2): number => parts.reduce((sum, { absorption, share }) => sum + absorption[of] * share, 0)
  return [band(0), band(1), band(2)]
}

/**
 * What batters of these colours make when they are stirred into one: a subtractive mixture, darker than the mean of
 * their light. Shares need not add up to 1.
 *
 * @throws {RangeError} if a colour cannot be read, or no share is above 0
 */
export function mixColours(parts: readonly { readonly hex: string; readonly share: number }[]): string {
  const total = parts.reduce((sum, { share }) => sum + share, 0)
  if (!(total > 0)) throw new RangeError(`Expected a share above 0, got ${total}`)
  return hexOfAbsorption(
    mixAbsorptions(parts.map(({ hex, share }) => ({ absorption: absorptionOf(hex), share: share / total }))),
  )
}
