import { dataFolder } from '../dataFolder'
import { holdFolder } from '../db/onlyHere'
import { DatabaseRefused } from '../db/refusedFile'
import { deeds, openAccess, pins, seats } from './accessFile'

/** Forgets all PINs, for who sits at the computer and cannot sign in any more. Screens stay let in. */
try {
  const held = await holdFolder(dataFolder())
  const { db, close } = await openAccess(dataFolder())
  const gone = await db.delete(pins).returning()
  await db.delete(seats)
  await db.insert(deeds).values({ at: new Date().toISOString(), screen: null, makerId: null, what: 'Forgot all PINs' })
  close()
  held.release()
  console.log(
    gone.length === 0
      ? 'No maker had a PIN.'
      : 'All PINs are forgotten: start Vendange, and give each maker a new one under Workshop, Other screens.',
  )
} catch (error) {
  if (!(error instanceof DatabaseRefused)) throw error
  console.error(error.message)
  process.exitCode = 2
}
