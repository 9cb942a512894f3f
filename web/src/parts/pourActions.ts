import type { BatchSummary, SoapPours } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import type { Day } from '@vendange/core/calendar'
import { formatDay } from '@vendange/core/calendar'
import { daysWhenPouredOn } from '@vendange/core/season'
import { runChange } from './runChange'
import { api } from './api'
import { useSeason } from './seasonStore'
import { usePromises } from './promiseStore'
import { useUndo } from './undoStore'

/** Putting pours on the calendar, moving them and taking them off, each with its undo. */
export function usePours() {
  const season = useSeason()
  const undo = useUndo()
  const promises = usePromises()
  const current = (id: string): BatchSummary | undefined => season.batches.find((batch) => batch.id === id)

  /** Without a cut day, the first one with hours in its setting time is taken. */
  async function move(batch: BatchSummary, pourDay: Day, cutDay: Day | null = null): Promise<void> {
    if (pourDay === batch.days.pourDay && (cutDay === null || cutDay === batch.days.cutDay)) return
    const cut = cutDay ?? daysWhenPouredOn(season.open, batch.id, pourDay)?.cutDay
    const planned = cut === undefined ? [] : [{ batchId: batch.id, days: { pourDay, cutDay: cut } }]
    if (!(await promises.mayTake(planned))) return
    const before = batch.days
    const moved = await runChange(() =>
      api(endpoints.batches.move, {
        params: { id: batch.id },
        body: { pourDay, cutDay, version: batch.version },
      }),
    )
    if (!moved) return
    undo.did(`${batch.name} moved to ${formatDay(pourDay, season.today)}`, async () => {
      await api(endpoints.batches.move, {
        params: { id: batch.id },
        body: { pourDay: before.pourDay, cutDay: before.cutDay, version: current(batch.id)?.version ?? moved.version },
      })
      await season.load()
    })
  }

  async function takeOff(batch: BatchSummary): Promise<void> {
    if (!(await promises.mayTake([{ batchId: batch.id, days: undefined }]))) return
    const removed = await runChange(() =>
      api(endpoints.batches.remove, { params: { id: batch.id }, body: { version: batch.version } }),
    )
    if (!removed) return
    undo.did(`${batch.name} taken off the calendar`, async () => {
      await api(endpoints.batches.restore, { params: { id: batch.id }, body: { version: removed.version } })
      await season.load()
    })
  }

  async function putOn(designId: string, pourDay: Day, cutDay: Day | null = null): Promise<void> {
    const batch = await runChange(() => api(endpoints.batches.create, { body: { designId, pourDay, cutDay } }))
    if (!batch) return
    undo.did(`${batch.name} on the calendar for ${formatDay(pourDay, season.today)}`, async () => {
      await api(endpoints.batches.remove, {
        params: { id: batch.id },
        body: { version: current(batch.id)?.version ?? batch.version },
      })
      await season.load()
    })
  }

  /** Puts a design's pour on a day, with the cut that it was found free with, whether it is on the calendar yet or not. */
  async function pourOn(
    { designId, batchId }: { readonly designId: string; readonly batchId?: string | undefined },
    pourDay: Day,
    cutDay?: Day,
  ): Promise<void> {
    const batch = batchId === undefined ? season.batchOf(designId) : current(batchId)
    if (batch) await move(batch, pourDay, cutDay)
    else await putOn(designId, pourDay, cutDay)
  }

  /** Pins a pour to its days for the planner, or lets it go. */
  async function setPinned(batch: BatchSummary, isPinned: boolean): Promise<void> {
    const set = (pinned: boolean) =>
      api(endpoints.batches.pin, {
        params: { id: batch.id },
        body: { isPinned: pinned, version: current(batch.id)?.version ?? batch.version },
      })
    const done = await runChange(() => set(isPinned))
    if (!done) return
    undo.did(`${batch.name} ${isPinned ? 'pinned to its days' : 'let go'}`, async () => {
      await set(!isPinned)
      await season.load()
    })
  }

  /** The planned pours of a soap as they stand. */
  const plannedOf = (designId: string): readonly BatchSummary[] =>
    season.batchesOf(designId).filter(({ status }) => status === 'planned')

  /**
   * Plans the pours of a soap in several, each on days that were found for it.
   *
   * @param replaced the planned pours in whose place they come
   */
  async function planSoap(
    designId: string,
    pours: SoapPours['pours'],
    replaced: readonly BatchSummary[],
    words: string,
  ): Promise<void> {
    const send = (next: SoapPours['pours'], before: readonly BatchSummary[]) =>
      api(endpoints.batches.planSoap, {
        body: { designId, replaced: before.map(({ id, version }) => ({ id, version })), pours: next },
      })
    const made = await runChange(() => send(pours, replaced))
    if (!made) return
    undo.did(words, async () => {
      const back = replaced.map(({ days, isPinned, part }) => ({
        pourDay: days.pourDay,
        cutDay: days.cutDay,
        isPinned,
        part,
      }))
      await send(
        back,
        made.map((one) => current(one.id) ?? one),
      )
      await season.load()
    })
  }

  return { pourOn, putOn, move, takeOff, setPinned, plannedOf, planSoap }
}
