import type { TimedPourView } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { shallowRef } from 'vue'
import { api } from './api'

/** Pours that were timed here, read once for a page. */
export function useTimedPours() {
  const timings = shallowRef<readonly TimedPourView[]>([])
  void api(endpoints.batches.timings)
    // What was a test or a slip teaches nothing.
    .then((read) => (timings.value = read.filter(({ setAside }) => setAside === null)))
    .catch(() => undefined)
  return timings
}
