import type { Finding } from '@vendange/core/findings'
import type { PlannedMove } from '@vendange/core/season'
import { brokenPromiseFinding, brokenPromises, promisesAtRisk } from '@vendange/core/season'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { useSeason } from './seasonStore'

/** What was promised to clients, and the question that is asked before a plan breaks it. */
export const usePromises = defineStore('promises', () => {
  const season = useSeason()
  /** The question that waits for its answer. */
  const asked = shallowRef<{ readonly broken: readonly Finding[]; readonly answer: (goOn: boolean) => void }>()

  /** What a plan breaks of what was promised. */
  function broken(moves: readonly PlannedMove[]): readonly Finding[] {
    return brokenPromises(season, moves).map(brokenPromiseFinding)
  }

  /** Whether a plan may be taken: at once where it keeps every promise, else as the maker says. */
  function mayTake(moves: readonly PlannedMove[]): Promise<boolean> {
    const findings = broken(moves)
    asked.value?.answer(false)
    if (findings.length === 0) return Promise.resolve(true)
    return new Promise((resolve) => {
      asked.value = {
        broken: findings,
        answer: (goOn) => {
          asked.value = undefined
          resolve(goOn)
        },
      }
    })
  }

  /** Promises that do not hold as the calendar stands. */
  const atRisk = computed<readonly Finding[]>(() => promisesAtRisk(season))

  return { asked, broken, mayTake, atRisk }
})
