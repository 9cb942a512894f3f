import { sentence } from '@vendange/core/findings'
import { crc32 } from 'node:zlib'
import type { Entry, ZipFile } from 'yauzl'
import { openPromise } from 'yauzl'
import { ArchiveRefused, hashOf } from './archiveFormat'

/** What an archive may hold: so many files, so much of each and of all when unpacked, bytes. */
const limits = { entries: 200_100, fileBytes: 512 * 1024 ** 2, allBytes: 8 * 1024 ** 3 }
/** Rows of a table shrink to a twentieth or so; what shrinks far more is made to burst something. */
const mostRatio = 400
const smallBytes = 1024 ** 2
/** For whoever opens it by hand; nothing is taken from them. */
const forPeople = ['README.txt', 'schema.sql']
const mayHold = /^(README\.txt|schema\.sql|manifest\.json|tables\/[a-z_]{1,64}\.json|photos\/[\w:.-]{1,64})$/

/** The files of an archive on the disk, unpacked one at a time and never beyond its limits. */
export interface ArchiveFiles {
  /** Reads a file whole, held against its hash where one is given. @throws {ArchiveRefused} */
  read(name: string, sha256?: string): Promise<Uint8Array>
  /** Names of all files. */
  readonly names: readonly string[]
  close(): void
}

async function entriesOf(zip: ZipFile): Promise<ReadonlyMap<string, Entry>> {
  const entries = new Map<string, Entry>()
  let bytes = 0
  if (zip.entryCount > limits.entries) throw new ArchiveRefused(sentence('archive_too_large'))
  for await (const entry of zip.eachEntry()) {
    const { fileName, uncompressedSize, compressedSize } = entry
    bytes += uncompressedSize
    const isBurst = uncompressedSize > smallBytes && uncompressedSize > compressedSize * mostRatio
    if (isBurst || uncompressedSize > limits.fileBytes || bytes > limits.allBytes)
      throw new ArchiveRefused(sentence('archive_too_large'))
    if (!mayHold.test(fileName) || entries.has(fileName))
      throw new ArchiveRefused(sentence('archive_strange_file', { file: fileName.slice(0, 100) }))
    entries.set(fileName, entry)
  }
  return entries
}

async function bytesOf(zip: ZipFile, entry: Entry): Promise<Uint8Array> {
  const chunks: Buffer[] = []
  for await (const chunk of await zip.openReadStreamPromise(entry)) chunks.push(chunk as Buffer)
  const bytes = Buffer.concat(chunks)
  if (crc32(bytes) !== entry.crc32) throw new Error(`${entry.fileName} is not what went in`)
  return bytes
}

/** Opens an archive. @throws {ArchiveRefused} if it is none, was cut off, or holds more than one can */
export async function openArchive(file: string): Promise<ArchiveFiles> {
  const cutOff = new ArchiveRefused(sentence('archive_cut_off'))
  const zip = await openPromise(file, { lazyEntries: true, autoClose: false }).catch(() => {
    throw cutOff
  })
  try {
    const entries = await entriesOf(zip).catch((error: unknown) => {
      throw error instanceof ArchiveRefused ? error : cutOff
    })
    const read: ArchiveFiles['read'] = async (name, sha256) => {
      const entry = entries.get(name)
      if (!entry) throw new ArchiveRefused(sentence('archive_lacks', { file: name }))
      const bytes = await bytesOf(zip, entry).catch(() => {
        throw cutOff
      })
      if (sha256 !== undefined && hashOf(bytes) !== sha256)
        throw new ArchiveRefused(sentence('archive_other_hash', { file: name }))
      return bytes
    }
    // Damage anywhere means that the file is not the one that was made.
    for (const name of forPeople) if (entries.has(name)) await read(name)
    return { names: [...entries.keys()], close: () => zip.close(), read }
  } catch (error) {
    zip.close()
    throw error
  }
}
