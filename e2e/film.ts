import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { create } from 'qrcode'

const size = { width: 640, height: 480 } as const
/** A card as it is held before a camera: its middle and the side of its code, px, and how far it is turned, radians. */
const held = { x: 330, y: 235, sidePx: 230, turn: 0.12 } as const
const quietModules = 4
const shade = { desk: 120, paper: 225, ink: 35 } as const

/** One picture of a printed card on a worktop, a little turned and grainy, in shades of grey row by row. */
function picture(code: string): Buffer {
  const { modules } = create(code)
  const across = modules.size + 2 * quietModules
  const [cos, sin] = [Math.cos(held.turn), Math.sin(held.turn)]
  const grey = Buffer.alloc(size.width * size.height)
  for (let y = 0; y < size.height; y++)
    for (let x = 0; x < size.width; x++) {
      const [dx, dy] = [x - held.x, y - held.y]
      const column = Math.floor(((dx * cos + dy * sin) / held.sidePx + 0.5) * across)
      const row = Math.floor(((dy * cos - dx * sin) / held.sidePx + 0.5) * across)
      const isPaper = column >= 0 && column < across && row >= 0 && row < across
      const [line, place] = [row - quietModules, column - quietModules]
      const isCode = line >= 0 && line < modules.size && place >= 0 && place < modules.size
      const isInk = isCode && modules.get(line, place) === 1
      // The light falls off to one side, and the film has a grain.
      const light = 1 - 0.25 * (x / size.width)
      const grain = ((x * 7919 + y * 104_729) % 13) - 6
      grey[y * size.width + x] = (isInk ? shade.ink : isPaper ? shade.paper : shade.desk) * light + grain
    }
  return grey
}

/** A film of printed cards that are held before the camera one after the other, over and over: the path of its file. */
export function filmOfCards(codes: readonly string[]): string {
  const noColour = Buffer.alloc((size.width * size.height) / 2, 128)
  const picturesEach = 10
  const parts: Uint8Array[] = [Buffer.from(`YUV4MPEG2 W${size.width} H${size.height} F5:1 Ip A1:1 C420mpeg2\n`)]
  for (const code of codes) {
    const frame = [Buffer.from('FRAME\n'), picture(code), noColour]
    for (let count = 0; count < picturesEach; count++) parts.push(...frame)
  }
  const file = join(mkdtempSync(join(tmpdir(), 'vendange-film-')), 'cards.y4m')
  writeFileSync(file, Buffer.concat(parts))
  return file
}
