import { convertLrgbToRgb } from 'culori/fn'
import { absorptionOf, reflectanceOf } from './mixing'
import type { MoveLine } from './moves'
import { moveOf } from './moves'
import { air } from './surface'
import { traceEffects } from './trace'

/** How far the colours of a pour run into each other, mm: by the trace of what was poured. */
export function blurOf(lines: readonly MoveLine[]): number {
  const pours = lines.map(moveOf).filter(({ pots }) => pots.length > 0)
  if (pours.length === 0) return 0
  return pours.reduce((sum, { trace }) => sum + traceEffects[trace].blurMm, 0) / pours.length
}

const tableSteps = 4096
/** sRGB byte of a linear reflectance. */
const byteOf = Uint8ClampedArray.from({ length: tableSteps + 1 }, (_, step) => {
  const light = step / tableSteps
  return Math.round((convertLrgbToRgb({ r: light, g: light, b: light }).r ?? 0) * 255)
})

/** Lines of pixels that are smoothed one by one: rows (`step` 1) or columns (`step` width). */
interface Lines {
  readonly lines: number
  readonly count: number
  readonly lineStep: number
  readonly step: number
}

/** Means over so many pixels to each side along each line, leaving air out. Written into `to`. */
function smoothed(from: Float32Array, to: Float32Array, cut: Int8Array, along: Lines, radius: number): void {
  const { lines, count, lineStep, step } = along
  for (let line = 0; line < lines; line++) {
    const first = line * lineStep
    let sum = 0
    let seen = 0
    for (let place = -radius; place < count; place++) {
      const ahead = place + radius
      if (ahead < count && cut[first + ahead * step] !== air) {
        sum += from[first + ahead * step]!
        seen += 1
      }
      if (place < 0) continue
      to[first + place * step] = seen > 0 ? sum / seen : 0
      const behind = place - radius
      if (behind >= 0 && cut[first + behind * step] !== air) {
        sum -= from[first + behind * step]!
        seen -= 1
      }
    }
  }
}

/**
 * A cut as pixels: red, green, blue and alpha of each in turn, nothing where there is air. Where colours meet they mix as
 * pigments do, over so many pixels to each side.
 *
 * @param hexes colour of each material
 * @throws {RangeError} if a colour cannot be read
 */
export function paintCut(
  cut: Int8Array,
  width: number,
  hexes: readonly string[],
  blurPx = 0,
): Uint8ClampedArray<ArrayBuffer> {
  const height = cut.length / width
  const pixels = new Uint8ClampedArray(cut.length * 4)
  const absorptions = hexes.map(absorptionOf)
  const radius = Math.round(blurPx)
  const plain = new Float32Array(cut.length)
  const across = new Float32Array(cut.length)
  for (let band = 0; band < 3; band++) {
    const of = Float32Array.from(absorptions, (absorption) => absorption[band]!)
    for (let at = 0; at < cut.length; at++) plain[at] = of[cut[at]!] ?? 0
    if (radius > 0) {
      smoothed(plain, across, cut, { lines: height, count: width, lineStep: width, step: 1 }, radius)
      smoothed(across, plain, cut, { lines: width, count: height, lineStep: 1, step: width }, radius)
    }
    for (let at = 0; at < cut.length; at++)
      if (cut[at] !== air) pixels[at * 4 + band] = byteOf[(reflectanceOf(plain[at]!) * tableSteps + 0.5) | 0]!
  }
  for (let at = 0; at < cut.length; at++) pixels[at * 4 + 3] = cut[at] === air ? 0 : 255
  return pixels
}
