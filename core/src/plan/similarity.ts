import { differenceCiede2000 } from 'culori'
import type { Finding } from '../findings'
import { quantity, warn } from '../findings'

/** What two soaps of a line-up are told apart by. */
export interface SoapLook {
  readonly name: string
  readonly scent: { readonly name: string; readonly family?: string | undefined } | null
  /** Colours with their share of the batter. */
  readonly colours: readonly { readonly hex: string; readonly share: number }[]
}

/**
 * Colour difference (CIEDE2000) below which two soaps side by side are hard to tell apart. An estimate: differences
 * of about 2 are just seen in the laboratory, and two bars on a stall are looked at from a step away.
 */
export const similarDeltaE = 10

const deltaE = differenceCiede2000()

/**
 * How far apart two palettes look: each colour is held against the nearest one of the other soap, and the differences
 * are averaged by their shares. 0 for the same palette; undefined when one has no colour.
 *
 * @throws {RangeError} if a colour cannot be read
 */
export function paletteDifference(a: SoapLook['colours'], b: SoapLook['colours']): number | undefined {
  if (a.length === 0 || b.length === 0) return undefined
  const oneWay = (from: SoapLook['colours'], to: SoapLook['colours']): number => {
    const total = from.reduce((sum, { share }) => sum + share, 0)
    return from.reduce((sum, { hex, share }) => {
      const nearest = Math.min(...to.map((other) => deltaE(hex, other.hex)))
      if (Number.isNaN(nearest)) throw new RangeError(`Expected colours like #5A2750, got ${hex}`)
      return sum + (nearest * share) / total
    }, 0)
  }
  return (oneWay(a, b) + oneWay(b, a)) / 2
}

/**
 * Pairs of a line-up that a buyer would take for one another: of one scent family, or with palettes closer than
 * {@link similarDeltaE}.
 *
 * @throws {RangeError} if a colour cannot be read
 */
export function similarityFindings(soaps: readonly SoapLook[]): readonly Finding[] {
  const findings: Finding[] = []
  soaps.forEach((a, index) => {
    for (const b of soaps.slice(index + 1)) {
      const family = a.scent?.family?.trim().toLowerCase()
      if (a.scent && b.scent && a.scent.name === b.scent.name) {
        findings.push(warn('same_scent', { one: a.name, other: b.name, scent: a.scent.name }))
      } else if (family && family === b.scent?.family?.trim().toLowerCase()) {
        findings.push(warn('same_scent_family', { one: a.name, other: b.name, family }))
      }
      const difference = paletteDifference(a.colours, b.colours)
      if (difference !== undefined && difference < similarDeltaE) {
        findings.push(
          warn('same_palette', {
            one: a.name,
            other: b.name,
            difference: quantity.figure(difference, 0),
            wanted: similarDeltaE,
          }),
        )
      }
    }
  })
  return findings
}

/** Name of the palette colour that is nearest to a wished one, with the difference; undefined for an empty palette. */
export function nearestColour<T extends { readonly hex: string }>(
  wished: string,
  palette: readonly T[],
): { readonly colour: T; readonly difference: number } | undefined {
  return palette
    .map((colour) => ({ colour, difference: deltaE(wished, colour.hex) }))
    .sort((a, b) => a.difference - b.difference)[0]
}
