import { sentence } from '@vendange/core/findings'
import { eq } from 'drizzle-orm'
import { unprocessable } from './refusal'
import type { Reader } from './database'
import { makers } from './schema'

/** The id, once it is known to be a maker's. @throws 422 if it is nobody's */
export async function knownMaker(reader: Reader, makerId: string): Promise<string> {
  const [maker] = await reader.select().from(makers).where(eq(makers.id, makerId)).limit(1)
  if (!maker) throw unprocessable(sentence('maker_unknown'), [{ field: 'maker', message: sentence('choose_maker') }])
  if (maker.isRemoved)
    throw unprocessable(sentence('maker_gone', { maker: maker.name }), [
      { field: 'maker', message: sentence('choose_maker') },
    ])
  return makerId
}
