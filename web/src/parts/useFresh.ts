import { watch } from 'vue'
import { useSeason } from './seasonStore'

/**
 * Reads what a page shows besides the season: at once, and anew whenever the season stands at another revision, by this
 * page's own doing or another's.
 */
export function useFresh(load: () => unknown): void {
  const season = useSeason()
  watch(
    () => season.view?.revision,
    (now, before) => {
      // The season came in after the page: nothing has changed by that.
      if (before !== undefined && now !== before) load()
    },
  )
  load()
}
