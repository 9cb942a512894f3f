import type { Jobs } from '../thread'
import type { FileReply } from './serve'
import { inThread } from './threads'

/** How far each sheet is that somebody waits for, by the name under which it was asked for. */
const shares = new Map<string, number>()

/** How much of a sheet is done, 0 to 1; null where none is made under that name. */
export const shareOf = (job: string): number | null => shares.get(job) ?? null

/** Makes a sheet beside the server's own thread. @param job a name under which {@link shareOf} tells how far it is */
export async function printed<Name extends 'cards'>(
  sheet: Name,
  input: Parameters<Jobs[Name]>[0],
  job?: string,
): Promise<Uint8Array> {
  if (job === undefined) return inThread(sheet, input)
  shares.set(job, 0)
  try {
    return await inThread(sheet, input, (share) => shares.set(job, share))
  } finally {
    shares.delete(job)
  }
}

export const pdfReply = (pdf: Uint8Array): FileReply => ({ type: 'application/pdf', content: Buffer.from(pdf) })
