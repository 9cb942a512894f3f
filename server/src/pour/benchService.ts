import type { BatchView, NewStep, RecordedStep } from '@vendange/contract'
import type { BatchPlan } from '@vendange/core/batch'
import { checkStepRecord, runSheet, scaleDesign } from '@vendange/core/batch'
import type { Day } from '@vendange/core/calendar'
import type { Param } from '@vendange/core/findings'
import { isRefused, quantity, sentence } from '@vendange/core/findings'
import { eq } from 'drizzle-orm'
import type { BatchRow } from '../db/batchRow'
import { freezeBatch, planOfBatch, readBatch, readBatchSource, readBatchSummary } from '../db/batchRow'
import type { Reader, Transaction } from '../db/database'
import { readRecords } from '../db/loafRow'
import { knownMaker } from '../db/makerRow'
import { Refusal } from '../db/refusal'
import { batches, benchRecords, loaves } from '../db/schema'
import { keepUses, knownMaterialsOn, lotsForWeighing, readStock, stockOfPlan } from '../db/storesRow'
import { readWorkshop } from '../db/workshopRow'
import { momentAgo } from '../parts/clock'
import type { Context } from '../parts/context'
import { notFound, refused, unprocessable } from '../parts/problems'
import { finishPour } from './finishPour'

/** A pour at the bench: seen, recorded step by step, finished. */
export interface BenchService {
  view(id: string): Promise<BatchView>
  record(id: string, step: NewStep, makerId: string): Promise<BatchView>
  finish(id: string, makerId: string): Promise<BatchView>
}

const lastRecordOf = (records: readonly RecordedStep[], key: string): RecordedStep | undefined =>
  records.findLast(({ stepKey }) => stepKey === key)

/** What another tablet recorded of the same step, and this one had not seen, is not written over. */
function refuseUnseen(plan: BatchPlan, records: readonly RecordedStep[], step: NewStep): void {
  if (step.seen === undefined) return
  const other = lastRecordOf(records.slice(step.seen), step.stepKey)
  if (!other || other.actual === step.actual) return
  const planned = runSheet(plan).find(({ key }) => key === step.stepKey)
  const figure = (actual: number | null): Param =>
    actual === null
      ? sentence('step_done')
      : planned?.kind === 'temperature'
        ? quantity.temperature(actual)
        : quantity.mass(actual)
  throw new Refusal(
    'stale',
    sentence('recorded_elsewhere', {
      step: planned?.name ?? sentence('this_step'),
      maker: other.makerName,
      theirs: figure(other.actual),
      yours: figure(step.actual),
    }),
  )
}

async function isTaken(reader: Reader, recordId: string | undefined): Promise<boolean> {
  if (recordId === undefined) return false
  const [known] = await reader
    .select({ id: benchRecords.id })
    .from(benchRecords)
    .where(eq(benchRecords.recordId, recordId))
  return known !== undefined
}

/** Freezes the batch as it stands on the day that its first step is recorded. */
async function begin(transaction: Transaction, row: BatchRow, today: Day): Promise<void> {
  const stock = await readStock(transaction)
  const source = await readBatchSource(transaction, row.designId, row.own, knownMaterialsOn(today, stock))
  const { findings } = scaleDesign(source)
  if (isRefused(findings)) throw refused(findings)
  await transaction
    .update(batches)
    .set({
      status: 'in_work',
      frozen: await freezeBatch(transaction, { ...row, pourDay: today }, stock),
      pourDay: today,
      cutDay: null,
      version: row.version + 1,
    })
    .where(eq(batches.id, row.id))
}

export function benchService({ database, clock, newId }: Context): BenchService {
  const todayIn = async (reader: Reader): Promise<Day> => clock.today((await readWorkshop(reader)).timeZone)

  async function view(reader: Reader, id: string): Promise<BatchView> {
    const row = await readBatch(reader, id)
    const made = await reader
      .select({ id: loaves.id })
      .from(loaves)
      .where(eq(loaves.batchId, id))
      .orderBy(loaves.lotCode)
    const plan = await planOfBatch(reader, row)
    return {
      batch: await readBatchSummary(reader, id),
      plan,
      stock: row.status === 'poured' ? [] : await stockOfPlan(reader, plan, await todayIn(reader)),
      records: await readRecords(reader, id),
      loafIds: made.map((loaf) => loaf.id),
    }
  }

  async function keepRecord(transaction: Transaction, plan: BatchPlan, id: string, step: NewStep, makerId: string) {
    const { stepKey, actual, lotId, recordId = null, secondsAgo = 0 } = step
    const weighing = { batchId: id, stepKey, actual, lotId }
    const uses = await lotsForWeighing(transaction, plan, weighing, await todayIn(transaction))
    await keepUses(transaction, weighing, uses)
    const at = momentAgo(clock, secondsAgo)
    await transaction.insert(benchRecords).values({ batchId: id, stepKey, actual, recordId, makerId, lots: uses, at })
  }

  return {
    view: (id) => view(database.read, id),

    record: (id, step, makerId) =>
      database.write(async (transaction) => {
        const row = await readBatch(transaction, id)
        if (row.isRemoved) throw notFound(sentence('pour_off_calendar'))
        if (await isTaken(transaction, step.recordId)) return view(transaction, id)
        if (row.status === 'poured') throw unprocessable(sentence('pour_finished'))
        const maker = await knownMaker(transaction, makerId)
        if (row.status === 'planned') await begin(transaction, row, await todayIn(transaction))
        const plan = await planOfBatch(transaction, await readBatch(transaction, id))
        const records = await readRecords(transaction, id)
        refuseUnseen(plan, records, step)
        const findings = checkStepRecord(plan, records, step)
        if (isRefused(findings)) throw refused(findings)
        const before = lastRecordOf(records, step.stepKey)
        // The same step sent twice, after a lost reply, is one step.
        const isNew = !before || before.actual !== step.actual || step.lotId !== undefined
        if (isNew) await keepRecord(transaction, plan, id, step, maker)
        return view(transaction, id)
      }),

    finish: (id, makerId) =>
      database.write(async (transaction) => {
        const row = await readBatch(transaction, id)
        if (row.status === 'poured') return view(transaction, id)
        const maker = await knownMaker(transaction, makerId)
        const end = { day: await todayIn(transaction), at: clock.now().toISOString(), makerId: maker }
        await finishPour(transaction, row, end, newId)
        return view(transaction, id)
      }),
  }
}
