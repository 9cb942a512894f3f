import { api } from '@/parts/api'
import { useSeason } from '@/parts/seasonStore'
import { useLatest } from '@/parts/useLatest'
import { startDryingForecaster } from '@/workers/drying'
import type { RoomDay } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import type { Day } from '@vendange/core/calendar'
import type { CureGoal, DryingTerms } from '@vendange/core/cure'
import { meanRoom } from '@vendange/core/cure'
import { onBeforeUnmount, shallowRef } from 'vue'

/** What drying goes by here: the room as its sensor told it, what bars lose, the scale. */
export function useDryingTerms() {
  const season = useSeason()
  const room = shallowRef<readonly RoomDay[]>([])
  void api(endpoints.room.list)
    .then((days) => (room.value = days))
    .catch(() => undefined)
  /** Terms of a bar that stands in the room since a day. */
  const since = (day: Day): Omit<DryingTerms, 'bar'> | undefined =>
    season.workshop && {
      lossShare: season.workshop.cureLoss,
      room: meanRoom(room.value.filter((one) => one.day >= day)),
      stepG: season.workshop.scaleResolutionG,
    }
  return { since }
}

type Forecaster = ReturnType<typeof startDryingForecaster>['forecaster']

/** What a forecaster in a worker says of what is asked now, and whether it is still at it. */
export function useForecaster<Asked, Told>(
  asked: () => Asked | undefined,
  ask: (forecaster: Forecaster, asked: Asked) => Promise<Told>,
) {
  const { forecaster, end } = startDryingForecaster()
  onBeforeUnmount(end)
  const { told, isAsking } = useLatest(asked, (now) => ask(forecaster, now))
  return { told, isReckoning: isAsking }
}

/** The goal alone of what has one besides much else. */
export const goalOf = ({ cureDays, labelMassG }: CureGoal): CureGoal => ({ cureDays, labelMassG })
