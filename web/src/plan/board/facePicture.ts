import type { FaceColour } from '@vendange/core/pour'
import { drawFace, faceSize } from '@vendange/core/pour'

const pictures = new Map<string, string>()
const mostKept = 500

/**
 * A soap's face as the address of a picture, made once for each look: a board of hundreds of pours is drawn anew at
 * every zoom, and one picture costs the page far less than a drawing of its own.
 */
export function facePicture(name: string, colours: readonly FaceColour[]): string {
  const shown = colours.filter(({ share }) => share > 0)
  const key = `${name}|${shown.map(({ hex, share }) => `${hex}:${share}`).join(',')}`
  const known = pictures.get(key)
  if (known !== undefined) return known
  const paths = drawFace(name, shown).map(({ hex, path }) => `<path fill="${hex}" d="${path}"/>`)
  const box = `viewBox="0 0 ${faceSize} ${faceSize}" preserveAspectRatio="none"`
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" ${box}>${paths.join('')}</svg>`
  const picture = `data:image/svg+xml,${encodeURIComponent(svg)}`
  if (pictures.size >= mostKept) pictures.clear()
  pictures.set(key, picture)
  return picture
}
