import type { SalesHistory, SavedDesign } from '@vendange/contract'
import type { LedgerRelease, ReleaseSales } from '@vendange/core/plan'
import { releaseOfLedger, releaseOfResult } from '@vendange/core/plan'
import { bestBeforeOf } from '@vendange/core/release'
import { freeBars, unsoldBars } from '@vendange/core/loaf'
import { neededDayOf } from '@vendange/core/season'
import { eq, inArray } from 'drizzle-orm'
import type { Reader } from '../db/database'
import { readLoaves } from '../db/loafRow'
import { batches, collections, designs, loaves } from '../db/schema'
import { findRow, findRows } from '../db/versionedRepository'
import { readWorkshop } from '../db/workshopRow'
import type { ReadingContext } from '../parts/context'
import { soldEvents } from './soldEvents'

/** Channels of a release of which the demand is learned: what goes to orders is known, what is kept is not sold. */
const learned = ['Web', 'Stalls', 'Shops', 'Subscribers'] as const

/** A soap and all that it was brought back from or as. */
function familyOf(all: readonly SavedDesign[], id: string): ReadonlySet<string> {
  const family = new Set([id])
  for (let before = -1; before !== family.size;) {
    before = family.size
    for (const one of all)
      if (family.has(one.id) || (one.broughtFromId !== null && family.has(one.broughtFromId))) {
        family.add(one.id)
        if (one.broughtFromId !== null) family.add(one.broughtFromId)
      }
  }
  return family
}

async function loavesOf(reader: Reader, designIds: readonly string[]) {
  const rows = await reader
    .select({ id: loaves.id })
    .from(loaves)
    .innerJoin(batches, eq(batches.id, loaves.batchId))
    .where(inArray(batches.designId, [...designIds]))
  const ids = rows.map(({ id }) => id)
  return { all: await readLoaves(reader, ids), salesOf: await soldEvents(reader, ids) }
}

/** Other soaps that are looked at for what this workshop sells: the newest. */
const mostOthers = 24

/**
 * How a soap and what it was brought back from sold, release by release and channel by channel; what others sold; and
 * what of it is there.
 *
 * @throws 404 if there is no such soap
 */
export async function salesHistory({ database, clock }: ReadingContext, designId: string): Promise<SalesHistory> {
  const { read } = database
  await findRow<SavedDesign>(read, designs, designId, 'design')
  const { timeZone } = await readWorkshop(read)
  const today = clock.today(timeZone)
  const all = (await findRows<SavedDesign>(read, designs)).filter(({ isRemoved }) => !isRemoved)
  const family = familyOf(all, designId)
  const others = all.filter(({ id }) => !family.has(id)).slice(-mostOthers)
  const dayOf = new Map(
    (await read.select().from(collections)).map((one) => [one.id, neededDayOf(one, timeZone)] as const),
  )
  const looked = [...all.filter(({ id }) => family.has(id)), ...others]
  const { all: theirs, salesOf } = await loavesOf(
    read,
    looked.map(({ id }) => id),
  )
  const releasesOf = (design: SavedDesign): readonly ReleaseSales[] => {
    const own = theirs.filter((loaf) => loaf.designId === design.id)
    const ofLedger = learned.flatMap((channel) => {
      const offered = own.reduce(
        (sum, { state }) => sum + (state.channels.find((one) => one.channel === channel)?.allotted ?? 0),
        0,
      )
      const release: LedgerRelease = {
        channel,
        releaseDay: dayOf.get(design.collectionId) ?? today,
        offered,
        sales: own.flatMap(({ id }) => (salesOf.get(id) ?? []).filter((one) => one.channel === channel)),
      }
      return releaseOfLedger(release, today) ?? []
    })
    // What was written down by hand stands for channels that the ledger does not know of.
    const byHand = design.results.filter(({ channel }) => !ofLedger.some((one) => one.channel === channel))
    return [...ofLedger, ...byHand.map(releaseOfResult)]
  }
  return {
    releases: looked.filter(({ id }) => family.has(id)).flatMap(releasesOf),
    others: others.flatMap(releasesOf),
    onHand: theirs
      .filter((loaf) => family.has(loaf.designId) && loaf.state.status === 'released')
      .map(({ state }) => ({
        bars: freeBars(state) + learned.reduce((sum, channel) => sum + unsoldBars(state, channel), 0),
        bestBeforeDay: bestBeforeOf(state.release?.day ?? today),
      }))
      .filter(({ bars }) => bars > 0),
  }
}
