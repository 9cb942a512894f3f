import { useSeason } from '@/parts/seasonStore'
import type { ComputedRef } from 'vue'
import { computed } from 'vue'

type Season = ReturnType<typeof useSeason>

/** A collection with the day it is needed and whether it can be had by then. */
export interface JudgedCollection {
  readonly collection: Season['collections'][number]
  readonly neededDay: string
  readonly verdict: ReturnType<Season['verdict']>
}

export interface JudgedCollections {
  /** Still to come, the next first. */
  readonly coming: ComputedRef<readonly JudgedCollection[]>
  /** Came out before, the latest first. */
  readonly past: ComputedRef<readonly JudgedCollection[]>
  /** What needs a hand first: a collection in trouble, else the next one with something to pour. */
  readonly first: ComputedRef<JudgedCollection | undefined>
}

export function useJudgedCollections(): JudgedCollections {
  const season = useSeason()
  const judged = computed(() =>
    season.collections
      .map((collection) => ({
        collection,
        neededDay: season.neededDay(collection),
        verdict: season.verdict(collection),
      }))
      .sort((a, b) => a.neededDay.localeCompare(b.neededDay)),
  )
  const coming = computed(() => judged.value.filter(({ neededDay }) => neededDay >= season.today))
  return {
    coming,
    past: computed(() => judged.value.filter(({ neededDay }) => neededDay < season.today).reverse()),
    first: computed(
      () =>
        coming.value.find(({ verdict }) => !verdict.possible) ??
        coming.value.find(({ verdict }) => verdict.nextPour) ??
        coming.value[0],
    ),
  }
}
