import { keepPhoto } from '@/parts/keepPhoto'
import { useLoafEvents } from '@/parts/recordLoafEvent'
import { useSeason } from '@/parts/seasonStore'
import { undoMs, useRound } from '@/parts/useRound'
import type { LoafSummary } from '@vendange/contract'
import { turningRound } from '@vendange/core/cure'
import { computed } from 'vue'

/** Loaves that cure and have something to be turned or photographed today, rack by rack. */
export function useTurningStops() {
  const season = useSeason()
  return computed(() => {
    const curing = season.loaves.flatMap((loaf) => {
      const { cut, status, place, photos, turnedDays = [] } = loaf.state
      if (!cut || (status !== 'curing' && status !== 'held')) return []
      const { id, lotCode } = loaf
      return [{ id, lotCode, place, cutDay: cut.day, turnedDays, photoDays: photos.map(({ day }) => day) }]
    })
    return turningRound(curing, season.workshop?.racks ?? [], season.today)
  })
}

/** Trays one after the other: bars turned by a press, faces photographed on their days. */
export function useTurningRound() {
  const season = useSeason()
  const { keepForNow, takeBack, record, trouble } = useLoafEvents()
  const stops = useTurningStops()
  const round = useRound(() => (season.workshop ? stops.value.map(({ loaf }) => loaf.id) : []), takeBack)
  const trays = computed(() =>
    round.keys.value.flatMap((id) => {
      const loaf = season.loaf(id)
      return loaf ? [{ loaf, isDone: round.isDone(id), isLater: round.isLater(id) }] : []
    }),
  )
  const now = computed(() => (round.now.value === undefined ? undefined : season.loaf(round.now.value)))
  /** What is still to be done at a loaf's trays. */
  const stopOf = (id: string) => stops.value.find(({ loaf }) => loaf.id === id)

  /** All that is to be turned at the trays in the hand is turned, and the next come. */
  async function goOn(): Promise<void> {
    const loaf = now.value
    if (!loaf) return
    if (!stopOf(loaf.id)?.isToTurn) return round.did(loaf.id, [])
    const order = await keepForNow(loaf, { type: 'turned', day: season.today }, undoMs)
    if (order !== undefined) round.did(loaf.id, [order])
  }

  /** Keeps a photograph of a loaf's face. @returns why it was not kept; undefined where it was */
  async function photograph(loaf: LoafSummary, file: File): Promise<string | undefined> {
    const kept = await keepPhoto(file)
    if ('failure' in kept) return kept.failure
    const event = { type: 'photographed', day: season.today, photoId: kept.photoId } as const
    return (await record(loaf, event, kept.photo)) ? undefined : trouble.value
  }

  return {
    trays,
    now,
    stopOf,
    doneCount: round.doneCount,
    trouble,
    goOn,
    photograph,
    leaveForLater: round.leaveForLater,
    undo: round.undo,
  }
}
