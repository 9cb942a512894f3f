import type { LoafView, NewLoafEvent } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { ref } from 'vue'
import { api, problemOf } from './api'
import { useSeason } from './seasonStore'

type WithoutVersion<T> = T extends { version: number } ? Omit<T, 'version'> : never
/** What happened, before the version it was seen under is put to it. */
export type Happening = WithoutVersion<NewLoafEvent>

/** Writes events into a loaf's record, with the errors of the fields when one is refused. */
export function useLoafEvents() {
  const season = useSeason()
  const errors = ref<Readonly<Record<string, string>>>({})
  const trouble = ref<string>()
  const isSending = ref(false)

  /** @returns the loaf as it stands then, or undefined when it was refused; what was typed stays */
  async function record(
    loaf: { readonly id: string; readonly version: number },
    event: Happening,
  ): Promise<LoafView | undefined> {
    isSending.value = true
    try {
      const view = await api(endpoints.loaves.record, {
        params: { id: loaf.id },
        body: { ...event, version: loaf.version } as NewLoafEvent,
      })
      errors.value = {}
      trouble.value = undefined
      await season.load()
      return view
    } catch (error) {
      const problem = problemOf(error)
      errors.value = Object.fromEntries((problem.errors ?? []).map(({ field, message }) => [field, message]))
      trouble.value =
        problem.status === 409
          ? 'Somebody else wrote into this loaf’s record meanwhile. It is shown as it stands now; check it and record again.'
          : problem.detail
      if (problem.status === 409) await season.load()
      return undefined
    } finally {
      isSending.value = false
    }
  }

  return { record, errors, trouble, isSending }
}
