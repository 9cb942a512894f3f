import { useSeason } from '@/parts/seasonStore'
import { useFinishTimes } from '@/parts/useFinishTimes'
import type { LoafSummary } from '@vendange/contract'
import { isDay } from '@vendange/core/calendar'
import { finishes } from '@vendange/core/cutting'
import { finishedBars } from '@vendange/core/loaf'
import type { DayTask } from '@vendange/core/season'
import { dayTasks } from '@vendange/core/season'
import { computed } from 'vue'

const barsCut = (loaves: readonly LoafSummary[]): number =>
  loaves.reduce((sum, { state }) => sum + (state.cut?.bars ?? 0) - state.downgradedBars, 0)

/** What a day asks for, what of it is done, and what is left. */
export function useDayTasks(day: () => string) {
  const season = useSeason()
  const { timeOf } = useFinishTimes()
  const isReal = computed(() => isDay(day()))
  const atWork = computed(() =>
    season.batches.map((batch) => {
      const loaves = season.loaves.filter(({ batchId }) => batchId === batch.id)
      const design = season.design(batch.designId)
      return {
        ...batch,
        bevelled: design?.bevelled ?? false,
        stamped: design?.stamped ?? false,
        isPoured: batch.status === 'poured',
        isUnmoulded: loaves.length > 0 && loaves.every(({ state }) => state.unmouldedDay !== undefined),
        isCut: loaves.length > 0 && loaves.every(({ state }) => state.cut !== undefined),
        isReleased: loaves.length > 0 && loaves.every(({ state }) => state.status === 'released'),
        weighedOn: loaves.flatMap(({ state }) => state.weighIns.map((weighIn) => weighIn.day)),
        turnedOn: (loaves[0]?.state.turnedDays ?? []).filter((turned) =>
          loaves.every(({ state }) => state.turnedDays?.includes(turned)),
        ),
        photographedOn: loaves.flatMap(({ state }) => state.photos.map((photo) => photo.day)),
        finishedBars: Object.fromEntries(
          finishes.map((work) => [work, loaves.reduce((sum, { state }) => sum + finishedBars(state, work), 0)]),
        ),
        // Once it is cut, the bars that are there are those to finish.
        bars: loaves.length > 0 && loaves.every(({ state }) => state.cut) ? barsCut(loaves) : batch.bars,
      }
    }),
  )
  const releases = computed(() => season.collections.filter((one) => season.neededDay(one) === day()))
  const tasks = computed(() =>
    isReal.value && season.workshop
      ? dayTasks(day(), atWork.value, releases.value, {
          setupHours: season.workshop.setupHours,
          minutesPerBar: (work) => timeOf(work, 1).eachMin,
        })
      : [],
  )
  const ticked = computed(
    () => new Map((season.view?.ticks ?? []).filter((one) => one.day === day()).map((tick) => [tick.taskKey, tick])),
  )
  const isDone = (task: DayTask): boolean => task.isOnRecord || ticked.value.has(task.key)
  const left = computed(() => tasks.value.filter((task) => !isDone(task)))

  return { isReal, tasks, ticked, isDone, left }
}
