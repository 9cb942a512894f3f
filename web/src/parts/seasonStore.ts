import type { SeasonView } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import type { Day } from '@vendange/core/calendar'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { api, problemOf, storedMakerId, storeMakerId } from './api'
import { ofKind } from './outbox/kept'
import { useOutbox } from './outbox/outbox'
import { loavesWith } from './outbox/withWaiting'
import { seasonPlan } from './seasonPlan'
import { seasonThings } from './seasonThings'

/** So long after a change it is read: a change seldom comes alone, and who made it reads it anyway, ms. */
const settledMs = 300

/** All that steers time, loaded once and again after every change; with what is found in it and what it comes to. */
export const useSeason = defineStore('season', () => {
  const outbox = useOutbox()
  /** As the workshop told it last. */
  const told = shallowRef<SeasonView>()
  const unread = computed(() => [...outbox.justTaken, ...ofKind(outbox.waiting, 'event')].map(({ what }) => what))
  const view = computed(() => told.value && { ...told.value, loaves: loavesWith(told.value.loaves, unread.value) })
  const trouble = ref<string>()
  const makerId = ref(storedMakerId())

  // Replies may come in another order than they were asked for: an older one takes nothing back.
  let asked = 0
  let answered = 0
  async function load(): Promise<void> {
    const turn = ++asked
    try {
      const reply = await api(endpoints.season)
      if (turn < answered) return
      answered = turn
      told.value = reply
      trouble.value = undefined
      const known = reply.makers.filter(({ isRemoved }) => !isRemoved)
      if (!known.some(({ id }) => id === makerId.value)) chooseMaker(known[0]?.id)
    } catch (error) {
      if (turn > answered) trouble.value = problemOf(error).detail
    }
  }

  let hearing: ReturnType<typeof setTimeout> | undefined
  /**
   * Takes up that the workshop stands at another revision: what this page changed itself it has read by then, what others
   * changed is read anew.
   */
  function hear(revision: number): void {
    clearTimeout(hearing)
    hearing = setTimeout(() => {
      if (told.value && told.value.revision !== revision) void load()
    }, settledMs)
  }

  watch(
    () => outbox.broughtHome,
    () => void load(),
  )

  function chooseMaker(id: string | undefined): void {
    makerId.value = id
    if (id !== undefined) storeMakerId(id)
  }

  const today = computed<Day>(() => view.value?.today ?? '1970-01-01')
  const things = seasonThings(view)
  return { view, trouble, load, hear, makerId, chooseMaker, today, ...things, ...seasonPlan(view, today, things) }
})
