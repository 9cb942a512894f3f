import { startPainter } from '@/workers/pourPainter'
import type { BarCut } from '@vendange/core/cutting'
import type { Mould } from '@vendange/core/mould'
import type { FaceDrawing, SoapLook } from '@vendange/core/pour'
import { faceOf } from '@vendange/core/pour'
import { shallowReactive, toRaw } from 'vue'

/** Pixels of a face; as wide as the largest place where one is shown, on a dense screen. */
const facePx = { width: 300, height: 210 } as const
const mostKept = 400

/** Addresses of the pictures, by what they are drawn from; '' while one is being drawn. */
const pictures = shallowReactive(new Map<string, string>())
let painter: ReturnType<typeof startPainter>['painter'] | undefined

async function draw(key: string, face: FaceDrawing): Promise<void> {
  painter ??= startPainter().painter
  const blob = await painter.face(JSON.parse(key) as FaceDrawing, facePx.width, facePx.height)
  if (face.lines.length > 0) pictures.set(key, URL.createObjectURL(blob))
}

function forgetAll(): void {
  for (const address of pictures.values()) if (address) URL.revokeObjectURL(address)
  pictures.clear()
}

/** Keys of soaps as they were saved: a board of hundreds of pours asks for them at every zoom. */
const keysOfSaved = new WeakMap<object, string>()

/** The face of a saved soap, which does not change while it is the same object. */
export function designFaceAddress(
  design: (SoapLook & { readonly mouldId: string | null }) | undefined,
  mouldOf: (id: string | null) => (Mould & BarCut) | undefined,
): string {
  if (!design) return ''
  const saved = toRaw(design)
  const known = keysOfSaved.get(saved)
  const drawn = known === undefined ? undefined : pictures.get(known)
  if (drawn !== undefined) return drawn
  const face = faceOf(design, mouldOf(design.mouldId))
  keysOfSaved.set(saved, JSON.stringify(face))
  return addressOf(face)
}

/**
 * A soap's face as the address of a picture, simulated once for each look; '' until it is there. Reading it in a
 * template shows it as soon as it is drawn.
 */
export function faceAddress(soap: SoapLook, mould?: Mould & BarCut): string {
  return addressOf(faceOf(soap, mould))
}

function addressOf(face: FaceDrawing): string {
  const key = JSON.stringify(face)
  const known = pictures.get(key)
  if (known !== undefined) return known
  if (pictures.size >= mostKept) forgetAll()
  pictures.set(key, '')
  void draw(key, face)
  return ''
}
