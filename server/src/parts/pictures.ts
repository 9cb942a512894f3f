/** The picture format by its first bytes, whatever its name says; undefined when it is none we keep. */
export function pictureType(bytes: Buffer): string | undefined {
  if (bytes.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff]))) return 'image/jpeg'
  if (bytes.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]))) return 'image/png'
  if (bytes.subarray(0, 4).toString('latin1') === 'RIFF' && bytes.subarray(8, 12).toString('latin1') === 'WEBP')
    return 'image/webp'
  return undefined
}

/** The mark that ends a JPEG stands within so many bytes of its end; some cameras write a little after it. */
const jpegTailBytes = 4096

/** Whether all of a picture is there: what was cut off on its way lacks its end. */
export function isWholePicture(bytes: Buffer, mimeType: string): boolean {
  if (mimeType === 'image/jpeg') return bytes.subarray(-jpegTailBytes).includes(Buffer.from([0xff, 0xd9]))
  if (mimeType === 'image/png') return bytes.subarray(-12, -4).toString('latin1') === '\0\0\0\0IEND'
  // The length in the head of a WebP picture counts what follows its first eight bytes.
  return bytes.length >= 12 && bytes.readUInt32LE(4) + 8 <= bytes.length
}
