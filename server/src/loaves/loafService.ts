import type { LoafSummary, LoafView, NewHappening } from '@vendange/contract'
import { isRefused } from '@vendange/core/findings'
import type { LoafHappening } from '@vendange/core/loaf'
import { checkHappening, loafState } from '@vendange/core/loaf'
import { mayRelease, releaseChecks } from '@vendange/core/release'
import { eq } from 'drizzle-orm'
import { planOfBatch, readBatch } from '../db/batchRow'
import type { Reader } from '../db/database'
import { collectionNameOf, readEvents, readLoaves, readRecords } from '../db/loafRow'
import { knownMaker } from '../db/makerRow'
import { loafEvents, loaves, photos } from '../db/schema'
import { lotsUsedIn } from '../db/storesRow'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { notFound, refused, stale, unprocessable } from '../parts/problems'

export interface LoafService {
  list(): Promise<readonly LoafSummary[]>
  view(id: string): Promise<LoafView>
  record(id: string, happening: NewHappening, makerId: string): Promise<LoafView>
}

const fieldOfCheck: Readonly<Record<string, string>> = { ph: 'ph', look: 'lookIsSound', label: 'labelIsComplete' }

function refuseRelease(loaf: LoafSummary, answers: Extract<LoafHappening, { type: 'released' }>, today: string): void {
  const checks = releaseChecks(loaf.state, loaf, answers, today)
  if (mayRelease(checks)) return
  const against = checks.filter(({ result }) => result === 'failed' || result === 'open')
  throw unprocessable(
    `It cannot go yet. ${against.map(({ title, finding }) => `${title}: ${finding}`).join(' ')}`,
    against.map(({ key, title, finding }) => ({ field: fieldOfCheck[key] ?? '', message: `${title}: ${finding}` })),
  )
}

export function loafService({ database, clock }: Context): LoafService {
  async function summary(reader: Reader, id: string): Promise<LoafSummary> {
    const [loaf] = await readLoaves(reader, [id])
    if (!loaf) throw notFound('There is no such loaf.')
    return loaf
  }

  async function view(reader: Reader, id: string): Promise<LoafView> {
    const loaf = await summary(reader, id)
    const batch = await readBatch(reader, loaf.batchId)
    const records = await readRecords(reader, batch.id)
    return {
      loaf,
      collectionName: await collectionNameOf(reader, batch.designId),
      plan: await planOfBatch(reader, batch),
      records,
      lotsUsed: await lotsUsedIn(reader, records),
      events: await readEvents(reader, id),
    }
  }

  return {
    list: () => readLoaves(database.read),
    view: (id) => view(database.read, id),

    record: (id, { version, ...happening }, makerId) =>
      database.write(async (transaction) => {
        const loaf = await summary(transaction, id)
        if (loaf.version !== version) throw stale('loaf', await view(transaction, id))
        const maker = await knownMaker(transaction, makerId)
        const today = clock.today((await readWorkshop(transaction)).timeZone)
        const findings = checkHappening(loaf.state, happening, today)
        if (isRefused(findings)) throw refused(findings)
        if (happening.type === 'released') refuseRelease(loaf, happening, today)
        if (happening.type === 'photographed') {
          const [photo] = await transaction
            .select({ id: photos.id })
            .from(photos)
            .where(eq(photos.id, happening.photoId))
          if (!photo) throw notFound('There is no such photograph.')
        }

        const sequence = version + 1
        const events = await readEvents(transaction, id)
        const { status } = loafState([...events.map((event) => event.happening), happening])
        await transaction
          .insert(loafEvents)
          .values({ loafId: id, sequence, happening, at: clock.now().toISOString(), makerId: maker })
        await transaction.update(loaves).set({ status, version: sequence }).where(eq(loaves.id, id))
        return view(transaction, id)
      }),
  }
}
