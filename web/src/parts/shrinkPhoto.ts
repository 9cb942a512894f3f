import type { PhotoShrinker } from '@/workers/photo.worker'
import { wrap } from 'comlink'

/** A file that is no picture, said in the maker's words. */
export class NotAPhoto extends Error {}

/** A photograph made small in a worker. @throws {NotAPhoto} */
export async function shrinkPhoto(file: Blob): Promise<Blob> {
  const worker = new Worker(new URL('../workers/photo.worker.ts', import.meta.url), { type: 'module' })
  try {
    return await wrap<PhotoShrinker>(worker).shrink(file)
  } catch {
    throw new NotAPhoto('That file is no photograph that can be read. Choose a JPEG, PNG or WebP picture.')
  } finally {
    worker.terminate()
  }
}
