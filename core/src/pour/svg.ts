import { contours } from 'd3-contour'
import { air } from './surface'

export interface SvgOptions {
  readonly widthMm: number
  readonly heightMm: number
  /** What the picture is of, for those who do not see it. */
  readonly title: string
  /** Whether the walls and the base of its mould are drawn around it. @default false */
  readonly inMould?: boolean
}

const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => `&#${sign.codePointAt(0) ?? 0};`)

/**
 * A cut as an SVG picture in mm: one outline for each material, found by marching squares.
 *
 * @param cut material of each pixel, row by row from the top
 * @param hexes colour of each material
 */
export function svgOfCut(cut: Int8Array, width: number, hexes: readonly string[], options: SvgOptions): string {
  const { widthMm, heightMm, title, inMould = false } = options
  const height = cut.length / width
  const outline = contours().size([width, height]).smooth(true)
  const paths = hexes.flatMap((hex, material) => {
    const inside = Array.from(cut, (seen) => (seen === material ? 1 : 0))
    const { coordinates } = outline.contour(inside, 0.5)
    const rings = coordinates
      .flat()
      .map(
        (ring) =>
          `M${ring
            .map((point) =>
              [((point[0] ?? 0) / width) * widthMm, ((point[1] ?? 0) / height) * heightMm]
                .map((mm) => mm.toFixed(2))
                .join(' '),
            )
            .join('L')}Z`,
      )
    return rings.length > 0 ? [`<path fill="${hex}" fill-rule="evenodd" d="${rings.join('')}"/>`] : []
  })
  const walls = inMould
    ? `<path fill="none" stroke="#5B5560" stroke-width="1.5" d="M0 0V${heightMm}H${widthMm}V0"/>`
    : ''
  // A ground of the most common colour closes the hair lines between outlines.
  const size = `width="${widthMm}mm" height="${heightMm}mm" viewBox="0 0 ${widthMm} ${heightMm}"`
  const ground = cut.includes(air)
    ? ''
    : `<rect width="${widthMm}" height="${heightMm}" fill="${hexes[mostCommon(cut)] ?? '#fff'}"/>`
  return `<svg xmlns="http://www.w3.org/2000/svg" ${size}><title>${escaped(title)}</title>${ground}${paths.join('')}${walls}</svg>`
}

function mostCommon(cut: Int8Array): number {
  const counts = new Map<number, number>()
  for (const material of cut) counts.set(material, (counts.get(material) ?? 0) + 1)
  return [...counts].reduce((most, entry) => (entry[1] > most[1] ? entry : most), [0, 0] as [number, number])[0]
}
