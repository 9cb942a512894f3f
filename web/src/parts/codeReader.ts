/** Reads the code that a picture shows; undefined while there is none. */
export type ReadsCode = (picture: HTMLVideoElement | ImageBitmap) => Promise<string | undefined>

interface Detector {
  detect(picture: HTMLVideoElement | ImageBitmap): Promise<readonly { readonly rawValue: string }[]>
}
interface DetectorClass {
  new (options: { readonly formats: 'qr_code'[] }): Detector
  getSupportedFormats(): Promise<readonly string[]>
}

/** The device's own reader where it has one. */
async function ownDetector(): Promise<DetectorClass | undefined> {
  const own = (globalThis as { readonly BarcodeDetector?: DetectorClass }).BarcodeDetector
  return own && (await own.getSupportedFormats()).includes('qr_code') ? own : undefined
}

/** A reader that comes with the application, from its own server. */
async function shippedDetector(): Promise<DetectorClass> {
  const [{ BarcodeDetector, prepareZXingModule }, { default: wasm }] = await Promise.all([
    import('barcode-detector/ponyfill'),
    import('zxing-wasm/reader/zxing_reader.wasm?url'),
  ])
  prepareZXingModule({ overrides: { locateFile: () => wasm } })
  return BarcodeDetector
}

/** Something that reads the codes on the workshop's cards and labels. */
export async function codeReader(): Promise<ReadsCode> {
  const Detector = (await ownDetector()) ?? (await shippedDetector())
  const detector = new Detector({ formats: ['qr_code'] })
  return async (picture) => (await detector.detect(picture))[0]?.rawValue
}
