import type { BatchSummary, BatchView, NewBatch, NewStep, RecordedStep, TimedPourView } from '@vendange/contract'
import type { BatchPlan } from '@vendange/core/batch'
import {
  pourSession,
  checkStepRecord,
  clockKeys,
  mouldsOfPlan,
  pouredPerMould,
  runSheet,
  scaleDesign,
} from '@vendange/core/batch'
import type { Day } from '@vendange/core/calendar'
import type { Param } from '@vendange/core/findings'
import { isRefused, quantity, refuse, sentence } from '@vendange/core/findings'
import { timingOf } from '@vendange/core/pour'
import { lotCode } from '@vendange/core/release'
import { unplannable } from '@vendange/core/season'
import { and, desc, eq, inArray, like } from 'drizzle-orm'
import {
  freezeBatch,
  insertPlanned,
  planOfBatch,
  readBatch,
  readBatchSource,
  readBatchSummary,
  readToChange,
} from '../db/batchRow'
import type { BatchRow } from '../db/batchRow'
import type { Reader, Transaction } from '../db/database'
import { appendLoafEvent, readRecords, readTimedRecords } from '../db/loafRow'
import { knownMaker } from '../db/makerRow'
import { batches, benchRecords, loaves } from '../db/schema'
import { keepUses, knownFatsOn, lotsForWeighing, readStock, stockOfPlan } from '../db/storesRow'
import { readWorkshop } from '../db/workshopRow'
import type { Context } from '../parts/context'
import { Refusal } from '../db/refusal'
import { notFound, refused, unprocessable } from '../parts/problems'

export interface BatchService {
  create(batch: NewBatch): Promise<BatchSummary>
  move(id: string, pourDay: Day, cutDay: Day | null, version: number): Promise<BatchSummary>
  /** Pins a pour to its days, or lets it go. */
  pin(id: string, isPinned: boolean, version: number): Promise<BatchSummary>
  /** Takes a planned pour off the calendar, or puts it back. */
  setRemoved(id: string, isRemoved: boolean, version: number): Promise<BatchSummary>
  view(id: string): Promise<BatchView>
  record(id: string, step: NewStep, makerId: string): Promise<BatchView>
  finish(id: string, makerId: string): Promise<BatchView>
  /** Pours whose clock was started, the latest last. */
  timings(): Promise<readonly TimedPourView[]>
}

/** Timed pours that are learned from: the newest. */
const mostTimings = 60

/** What another tablet recorded of the same step, and this one had not seen, is not written over. */
function refuseUnseen(plan: BatchPlan, records: readonly RecordedStep[], step: NewStep): void {
  if (step.seen === undefined) return
  const other = records.slice(step.seen).findLast(({ stepKey }) => stepKey === step.stepKey)
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

export function batchService({ database, clock, newId }: Context): BatchService {
  const todayIn = async (reader: Reader): Promise<Day> => clock.today((await readWorkshop(reader)).timeZone)

  async function refuseUnplannable(reader: Reader, pourDay: Day, cutDay: Day | null): Promise<void> {
    const finding = unplannable({ pourDay, cutDay }, await todayIn(reader))
    if (finding) throw refused([finding])
  }

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

  /** Changes a planned pour under its version, once `allow` has nothing against it. */
  const change = (
    id: string,
    version: number,
    values: Partial<BatchRow>,
    allow?: (transaction: Transaction) => Promise<void>,
  ): Promise<BatchSummary> =>
    database.write(async (transaction) => {
      await readToChange(transaction, id, version)
      await allow?.(transaction)
      await transaction
        .update(batches)
        .set({ ...values, version: version + 1 })
        .where(eq(batches.id, id))
      return readBatchSummary(transaction, id)
    })

  /** Of a design that is poured in several the first part that no pour on the calendar makes any more. */
  async function partTakenOff(reader: Reader, designId: string): Promise<Pick<BatchRow, 'own' | 'label'> | undefined> {
    const rows = await reader.select().from(batches).where(eq(batches.designId, designId)).orderBy(batches.label)
    const made = new Set(rows.filter(({ isRemoved }) => !isRemoved).map(({ label }) => label))
    const left = rows.find(({ own, label }) => own !== null && !made.has(label))
    return left && { own: left.own, label: left.label }
  }

  async function isTaken(reader: Reader, recordId: string | undefined): Promise<boolean> {
    if (recordId === undefined) return false
    const [known] = await reader
      .select({ id: benchRecords.id })
      .from(benchRecords)
      .where(eq(benchRecords.recordId, recordId))
    return known !== undefined
  }

  async function begin(transaction: Transaction, row: BatchRow): Promise<void> {
    const today = await todayIn(transaction)
    const stock = await readStock(transaction)
    const source = await readBatchSource(transaction, row.designId, row.own, knownFatsOn(today, stock))
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

  return {
    create: ({ designId, pourDay, cutDay = null }) =>
      database.write(async (transaction) => {
        await readBatchSource(transaction, designId)
        await refuseUnplannable(transaction, pourDay, cutDay)
        const left = await partTakenOff(transaction, designId)
        const id = newId()
        await insertPlanned(transaction, { id, designId, pourDay, cutDay, ...left })
        return readBatchSummary(transaction, id)
      }),

    move: (id, pourDay, cutDay, version) =>
      change(id, version, { pourDay, cutDay }, (transaction) => refuseUnplannable(transaction, pourDay, cutDay)),
    pin: (id, isPinned, version) => change(id, version, { isPinned }),
    setRemoved: (id, isRemoved, version) => change(id, version, { isRemoved }),

    view: (id) => view(database.read, id),

    record: (id, step, makerId) =>
      database.write(async (transaction) => {
        const row = await readBatch(transaction, id)
        if (row.isRemoved) throw notFound('This pour was taken off the calendar.')
        if (await isTaken(transaction, step.recordId)) return view(transaction, id)
        if (row.status === 'poured') throw unprocessable('This pour is finished; its record is not edited.')
        const maker = await knownMaker(transaction, makerId)
        if (row.status === 'planned') await begin(transaction, row)
        const plan = await planOfBatch(transaction, await readBatch(transaction, id))
        const records = await readRecords(transaction, id)
        refuseUnseen(plan, records, step)
        const findings = checkStepRecord(plan, records, step)
        if (isRefused(findings)) throw refused(findings)
        const before = records.findLast(({ stepKey }) => stepKey === step.stepKey)
        // The same step sent twice, after a lost reply, is one step.
        if (!before || before.actual !== step.actual || step.lotId !== undefined) {
          const { stepKey, actual, lotId, recordId = null, secondsAgo = 0 } = step
          const weighing = { batchId: id, stepKey, actual, lotId }
          const uses = await lotsForWeighing(transaction, plan, weighing, await todayIn(transaction))
          await keepUses(transaction, weighing, uses)
          await transaction.insert(benchRecords).values({
            batchId: id,
            stepKey,
            actual,
            recordId,
            makerId: maker,
            lots: uses,
            at: new Date(clock.now().getTime() - secondsAgo * 1000).toISOString(),
          })
        }
        return view(transaction, id)
      }),

    timings: async () => {
      const reader = database.read
      const timed = await reader
        .select({ batchId: benchRecords.batchId })
        .from(benchRecords)
        .innerJoin(batches, eq(benchRecords.batchId, batches.id))
        .where(and(eq(benchRecords.stepKey, clockKeys.emulsion), eq(batches.isRemoved, false)))
        .groupBy(benchRecords.batchId)
        .orderBy(desc(batches.pourDay), desc(batches.id))
        .limit(mostTimings)
      const ids = timed.map(({ batchId }) => batchId)
      const rows = await reader
        .select()
        .from(batches)
        .where(inArray(batches.id, ids))
        .orderBy(batches.pourDay, batches.id)
      // Of its records what was tapped and how warm it was.
      const records = await readTimedRecords(reader, ids)
      const byBatch = new Map<string, RecordedStep[]>()
      for (const { batchId, ...record } of records) byBatch.set(batchId, [...(byBatch.get(batchId) ?? []), record])
      const views = await Promise.all(
        rows.map(async (row): Promise<TimedPourView | undefined> => {
          const plan = await planOfBatch(reader, row)
          const timing = timingOf(plan, byBatch.get(row.id) ?? [])
          return (
            timing && { ...timing, batchId: row.id, designId: row.designId, name: plan.designName, day: row.pourDay }
          )
        }),
      )
      return views.filter((one) => one !== undefined)
    },

    finish: (id, makerId) =>
      database.write(async (transaction) => {
        const row = await readBatch(transaction, id)
        if (row.status === 'poured') return view(transaction, id)
        const maker = await knownMaker(transaction, makerId)
        const plan = await planOfBatch(transaction, row)
        const records = await readRecords(transaction, id)
        const state = pourSession(plan, records)
        const open = state.steps[state.nextIndex]
        if (open) throw refused([refuse('step_out_of_order', { first: open.title })])
        if (isRefused(state.findings)) throw refused(state.findings)

        const day = await todayIn(transaction)
        const at = clock.now().toISOString()
        const prefix = lotCode(day, 1).slice(0, -1)
        const sameDay = await transaction
          .select({ id: loaves.id })
          .from(loaves)
          .where(like(loaves.lotCode, `${prefix}%`))
        const pouredG = pouredPerMould(plan, records)
        const filled = mouldsOfPlan(plan).flatMap(({ count }, part) => new Array<number>(count).fill(part))
        for (const [index, part] of filled.entries()) {
          const loafId = newId()
          const event = { type: 'poured', day, batterG: pouredG[part] ?? 0 } as const
          await transaction.insert(loaves).values({
            id: loafId,
            batchId: id,
            part,
            version: 0,
            status: 'in_mould',
            lotCode: lotCode(day, sameDay.length + index + 1),
          })
          await appendLoafEvent(transaction, loafId, event, { at, makerId: maker })
        }
        await transaction
          .update(batches)
          .set({ status: 'poured', pourDay: day, version: row.version + 1 })
          .where(and(eq(batches.id, id), eq(batches.version, row.version)))
        return view(transaction, id)
      }),
  }
}
