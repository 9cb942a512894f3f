import type { LoafSummary, LoafView, NewLoafEvent } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { isRefused } from '@vendange/core/findings'
import type { LoafEvent } from '@vendange/core/loaf'
import { checkLoafEvent } from '@vendange/core/loaf'
import { ref } from 'vue'
import { api, problemOf } from './api'
import { eventWords } from './eventWords'
import { useUnits } from './format'
import type { Happening, KeptEvent } from './outbox/kept'
import { hindranceBy, useOutbox } from './outbox/outbox'
import { useSeason } from './seasonStore'

/** A loaf after something was written down of it. */
export interface RecordedLoaf {
  readonly loaf: LoafSummary
  /** Its whole story; undefined while what was written down waits on this device. */
  readonly view?: LoafView
}

const conflict = 409

/**
 * Writes events into a loaf's record, with the errors of the fields when one is refused. Where the workshop is not
 * reached they are kept on this device, in their order, and the loaf is shown as it is with them.
 */
export function useLoafEvents() {
  const season = useSeason()
  const outbox = useOutbox()
  const units = useUnits()
  const errors = ref<Readonly<Record<string, string>>>({})
  const trouble = ref<string>()
  const isSending = ref(false)

  function clear(): void {
    errors.value = {}
    trouble.value = undefined
  }

  /** Keeps an event on the device, once nothing that is known here speaks against it. */
  async function keepOnDevice(loaf: LoafSummary, what: KeptEvent, undoMs: number): Promise<number | undefined> {
    const event = what.event as LoafEvent
    const findings = checkLoafEvent(loaf.state, event, season.today)
    if (isRefused(findings)) {
      const against = findings.filter(({ severity }) => severity === 'refuse')
      trouble.value = against.map(units.say).join(' ')
      errors.value = Object.fromEntries(against.map((finding) => [finding.field ?? '', units.say(finding)]))
      return undefined
    }
    const told = `${loaf.name}, lot ${loaf.lotCode}: ${eventWords(event, units)}`
    const [order] = await outbox.add([{ kind: 'event', what, told, undoMs }])
    clear()
    return order
  }
  async function keep(loaf: LoafSummary, what: KeptEvent): Promise<RecordedLoaf | undefined> {
    const order = await keepOnDevice(loaf, what, 0)
    return order === undefined ? undefined : { loaf: season.loaf(loaf.id) ?? loaf }
  }

  const seenNow = (loaf: { readonly id: string; readonly version: number }, event: Happening): KeptEvent => ({
    loafId: loaf.id,
    version: loaf.version,
    eventId: crypto.randomUUID(),
    event,
  })

  /**
   * Keeps an event for a while before it goes out, so that it can be taken back.
   *
   * @param undoMs so long, ms
   * @returns its place, for `takeBack`; undefined when it was refused
   */
  const keepForNow = (loaf: LoafSummary, event: Happening, undoMs: number): Promise<number | undefined> =>
    keepOnDevice(loaf, seenNow(loaf, event), undoMs)
  /** Takes an event back that has not gone out; one that has stays on the record. */
  const takeBack = (order: number): Promise<void> => outbox.drop([order])

  /**
   * @param photo a photograph that could not be sent; it goes first, once the workshop is reached
   * @returns the loaf as it stands then, or undefined when it was refused; what was typed stays
   */
  async function record(
    loaf: { readonly id: string; readonly version: number },
    event: Happening,
    photo?: Blob,
  ): Promise<RecordedLoaf | undefined> {
    const what: KeptEvent = { ...seenNow(loaf, event), ...(photo ? { photo } : {}) }
    const known = season.loaf(loaf.id)
    // What waits of this loaf goes first.
    if (known && (photo || outbox.waitsFor(loaf.id))) return keep(known, what)
    isSending.value = true
    try {
      const view = await api(endpoints.loaves.record, {
        params: { id: loaf.id },
        body: { ...event, version: loaf.version, eventId: what.eventId } as NewLoafEvent,
      })
      clear()
      await season.load()
      return { loaf: view.loaf, view }
    } catch (error) {
      const problem = problemOf(error)
      if (known && hindranceBy(problem.status) !== undefined) return await keep(known, what)
      errors.value = Object.fromEntries((problem.errors ?? []).map(({ field, message }) => [field, message]))
      trouble.value =
        problem.status === conflict
          ? 'Somebody else wrote into this loaf’s record meanwhile. It is shown as it stands now; check it and record again.'
          : problem.detail
      if (problem.status === conflict) await season.load()
      return undefined
    } finally {
      isSending.value = false
    }
  }

  return { record, keepForNow, takeBack, errors, trouble, isSending }
}
