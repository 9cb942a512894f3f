import type { Locator } from '@playwright/test'

/** Share of a picture that is nearest to each of these colours; what is clear counts for nothing. */
export async function sharesOfColours(
  picture: Locator,
  hexes: readonly string[],
): Promise<Readonly<Record<string, number>>> {
  return picture.evaluate((element, wanted) => {
    const source = element as HTMLImageElement | HTMLCanvasElement
    const [width, height] =
      source instanceof HTMLImageElement ? [source.naturalWidth, source.naturalHeight] : [source.width, source.height]
    const canvas = document.createElement('canvas')
    canvas.width = Math.max(1, width)
    canvas.height = Math.max(1, height)
    const context = canvas.getContext('2d')
    if (!context) throw new Error('Expected a canvas to draw on')
    context.drawImage(source, 0, 0)
    const data = context.getImageData(0, 0, canvas.width, canvas.height).data
    const colours = wanted.map((hex) => [1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16)))
    const counts = wanted.map(() => 0)
    let all = 0
    for (let at = 0; at < data.length; at += 4) {
      if (data[at + 3] === 0) continue
      all += 1
      let [nearest, least] = [0, Infinity]
      colours.forEach((colour, index) => {
        const off = colour.reduce((sum, band, place) => sum + (band - (data[at + place] ?? 0)) ** 2, 0)
        if (off < least) [nearest, least] = [index, off]
      })
      counts[nearest] = (counts[nearest] ?? 0) + 1
    }
    return Object.fromEntries(wanted.map((hex, index) => [hex, (counts[index] ?? 0) / Math.max(1, all)]))
  }, hexes)
}
