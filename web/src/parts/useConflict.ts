import { computed, ref, watch } from 'vue'

type Side = 'mine' | 'theirs'

/** A value in words, whatever its shape. */
export function valueTold(value: unknown): string {
  if (value === null || value === undefined || value === '') return 'nothing'
  if (Array.isArray(value)) return value.map(valueTold).join('; ')
  if (typeof value === 'object') return Object.values(value).map(valueTold).join(' ')
  return typeof value === 'string' ? value : JSON.stringify(value)
}

/** Two states of one thing, and which of them is kept in each field in which they differ: the maker's own, until chosen. */
export function useConflict<T extends object>(sides: () => { readonly mine: T; readonly theirs: T }) {
  const differing = computed(() => {
    const { mine, theirs } = sides()
    return (Object.keys(mine) as (keyof T & string)[]).filter(
      (key) => JSON.stringify(mine[key]) !== JSON.stringify(theirs[key]),
    )
  })
  const choice = ref<Record<string, Side>>({})
  watch(
    differing,
    (keys) => (choice.value = Object.fromEntries(keys.map((key) => [key, choice.value[key] ?? 'mine']))),
    { immediate: true },
  )

  function chosen(): T {
    const { mine, theirs } = sides()
    const kept = { ...mine }
    for (const key of differing.value) if (choice.value[key] === 'theirs') kept[key] = theirs[key]
    return kept
  }
  return { differing, choice, chosen }
}
