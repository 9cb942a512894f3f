import { startPainter } from '@/workers/pourPainter'
import type { BarCut } from '@vendange/core/cutting'
import type { Mould } from '@vendange/core/mould'
import type { SoapLook } from '@vendange/core/pour'
import { shallowReactive, toRaw } from 'vue'

/** Pixels across a face: enough for a fine screen where it is small, and for the largest place where one is shown. */
const facePx = { small: 150, large: 260 } as const
export type FaceSize = keyof typeof facePx
const mostKept = 400

/** What a face is drawn from, as plain data. */
interface Wanted {
  readonly soap: SoapLook
  readonly mould: (Mould & BarCut) | undefined
  readonly size: FaceSize
}

/** Addresses of the pictures, by what they are drawn from; '' while one is being drawn. */
const pictures = shallowReactive(new Map<string, string>())
let painter: ReturnType<typeof startPainter>['painter'] | undefined

async function draw(key: string): Promise<void> {
  painter ??= startPainter().painter
  const { soap, mould, size } = JSON.parse(key) as Wanted
  const blob = await painter.soapFace(soap, mould, facePx[size])
  pictures.set(key, URL.createObjectURL(blob))
}

function forgetAll(): void {
  for (const address of pictures.values()) if (address) URL.revokeObjectURL(address)
  pictures.clear()
}

/** Only what the face is drawn from: a soap whose hours change keeps its picture. */
function keyOf(
  { name, colours, pourPlan, face, scent, batterHex }: SoapLook,
  mould: (Mould & BarCut) | undefined,
  size: FaceSize,
): string {
  const shades = colours.map(({ hex, share, wetHex, dayHex, fades, bleeds }) => ({
    hex,
    share,
    wetHex,
    dayHex,
    fades,
    bleeds,
  }))
  const tint = scent ? { rate: scent.rate, vanillin: scent.vanillin } : null
  return JSON.stringify({ soap: { name, colours: shades, pourPlan, face, scent: tint, batterHex }, mould, size })
}

function addressOf(key: string): string {
  const known = pictures.get(key)
  if (known !== undefined) return known
  if (pictures.size >= mostKept) forgetAll()
  pictures.set(key, '')
  void draw(key)
  return ''
}

/** Keys of soaps as they were saved: a board of hundreds of pours asks for them at every zoom. */
const keysOfSaved = new WeakMap<object, string>()

/** The small face of a saved soap, which does not change while it is the same object. */
export function designFaceAddress(
  design: (SoapLook & { readonly mouldId: string | null }) | undefined,
  mouldOf: (id: string | null) => (Mould & BarCut) | undefined,
): string {
  if (!design) return ''
  const saved = toRaw(design)
  const key = keysOfSaved.get(saved) ?? keyOf(saved, mouldOf(saved.mouldId), 'small')
  keysOfSaved.set(saved, key)
  return addressOf(key)
}

/**
 * A soap's face as the address of a picture, simulated once for each look; '' until it is there. Reading it in a
 * template shows it as soon as it is drawn.
 */
export const faceAddress = (soap: SoapLook, mould?: Mould & BarCut, size: FaceSize = 'large'): string =>
  addressOf(keyOf(soap, mould, size))
