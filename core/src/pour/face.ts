/** What a face is drawn from until its pour is simulated: the design's colours, bottom first. */
export interface FaceColour {
  readonly hex: string
  /** Share of the height, above 0. Shares need not add up to 1. */
  readonly share: number
}

/** One band of colour: a closed outline in a square of 100 × 100, y downwards, as SVG path data. */
export interface FaceBand {
  readonly hex: string
  readonly path: string
}

/** Side of the square a face is drawn in. */
export const faceSize = 100
const steps = 12

// Two slow waves whose phase comes from the name, so that each soap keeps its own hand.
function hashOf(text: string): number {
  let hash = 2166136261
  for (const sign of text) hash = Math.imul(hash ^ (sign.codePointAt(0) ?? 0), 16777619) >>> 0
  return hash
}

function surface(seed: number, index: number, levelY: number, reach: number): readonly string[] {
  const phase = ((seed >>> (index % 16)) % 628) / 100 + index * 1.7
  return Array.from({ length: steps + 1 }, (_, step) => {
    const x = (step / steps) * faceSize
    const wave = Math.sin(phase + step * 0.55) * 0.6 + Math.sin(phase * 1.9 + step * 1.3) * 0.4
    return `${x.toFixed(1)} ${(levelY + wave * reach).toFixed(2)}`
  })
}

/**
 * A soap's cut face as level layers of its colours, with the slight unevenness of a poured surface. The same name and
 * colours always give the same face. No colours give one plain band of uncoloured batter.
 *
 * @throws {RangeError} if a share is not above 0
 */
export function drawFace(name: string, colours: readonly FaceColour[]): readonly FaceBand[] {
  const layers = colours.length > 0 ? colours : [{ hex: '#EFE6D2', share: 1 }]
  const total = layers.reduce((sum, { share }) => {
    if (!(share > 0)) throw new RangeError(`Expected a share above 0, got ${share}`)
    return sum + share
  }, 0)
  const seed = hashOf(name)
  const thinnest = Math.min(...layers.map(({ share }) => (share / total) * faceSize))
  const reach = Math.min(2.4, thinnest * 0.3)

  // Painted from the top down: each band reaches the base and the next one, lower, covers it.
  let topY = 0
  const bands: FaceBand[] = []
  for (let index = layers.length - 1; index >= 0; index--) {
    const layer = layers[index]
    if (!layer) continue
    const edge = bands.length === 0 ? [`0 0`, `${faceSize} 0`] : surface(seed, index, topY, reach)
    bands.push({ hex: layer.hex, path: `M${edge.join('L')}L${faceSize} ${faceSize}L0 ${faceSize}Z` })
    topY += (layer.share / total) * faceSize
  }
  return bands
}
