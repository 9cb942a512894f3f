import { eq } from 'drizzle-orm'
import { unprocessable } from './refusal'
import type { Reader } from './database'
import { makers } from './schema'

/** The id, once it is known to be a maker's. @throws 422 if it is nobody's */
export async function knownMaker(reader: Reader, makerId: string): Promise<string> {
  const [maker] = await reader.select().from(makers).where(eq(makers.id, makerId)).limit(1)
  if (!maker)
    throw unprocessable('That maker is not of this workshop. Choose who is at work.', [
      { field: 'maker', message: 'Choose who is at work.' },
    ])
  return makerId
}
