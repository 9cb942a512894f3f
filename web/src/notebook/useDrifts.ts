import { photoAddress } from '@/parts/api'
import { drawSmall } from '@/parts/drawSmall'
import type { LoafSummary } from '@vendange/contract'
import { daysBetween } from '@vendange/core/calendar'
import { mainColours } from '@vendange/core/plan'
import type { ColourDrift, SeenColour } from '@vendange/core/pour'
import { colourDrift } from '@vendange/core/pour'
import { ref, watch } from 'vue'

/** A photograph is reckoned with at this size, px, and by so many of its colours. */
const widestPx = 96
const coloursSeen = 5

export interface LoafDrift extends ColourDrift {
  /** Days from the first photograph to the last. */
  readonly days: number
}

async function coloursOf(photoId: string): Promise<readonly SeenColour[]> {
  const picture = await (await fetch(photoAddress(photoId))).blob()
  return mainColours((await drawSmall(picture, document.createElement('canvas'), widestPx)).data, coloursSeen)
}

/** How the colours of each loaf moved, measured from its first photograph to its last; none where there is but one day. */
export function useDrifts(loaves: () => readonly LoafSummary[]) {
  const drifts = ref<ReadonlyMap<string, LoafDrift>>(new Map())
  watch(loaves, async (list) => {
    for (const { id, state } of list) {
      const photos = [...state.photos].sort((a, b) => a.day.localeCompare(b.day))
      const [first, last] = [photos[0], photos.at(-1)]
      if (!first || !last || first.day === last.day) continue
      try {
        const drift = colourDrift(await coloursOf(first.photoId), await coloursOf(last.photoId))
        if (drift) drifts.value = new Map([...drifts.value, [id, { ...drift, days: daysBetween(first.day, last.day) }]])
      } catch {
        // A picture that this browser cannot read tells nothing.
      }
    }
  })
  return drifts
}
