<script setup lang="ts">
import SoapFace from '@/parts/SoapFace.vue'
import { useSeason } from '@/parts/seasonStore'
import type { BatchSummary } from '@vendange/contract'
import { addDays, formatDay } from '@vendange/core/calendar'
import type { DaySummary } from '@vendange/core/season'
import { daySummaries } from '@vendange/core/season'
import { computed, nextTick, ref } from 'vue'
import { useRouter } from 'vue-router'
import { useBoardDrag } from './useBoardDrag'
import { useLongPress } from './useLongPress'

/** The board on a phone: day under day. A pour is taken up by resting a finger on it, and laid on another day. */
const props = defineProps<{ drag: ReturnType<typeof useBoardDrag> }>()
const season = useSeason()
const router = useRouter()
const { trial, blamed, tryOn, tryDay, cancel, drop } = props.drag

const weeksAtFirst = 3
const weeks = ref(weeksAtFirst)
const days = computed(() =>
  daySummaries(season.today, weeks.value * 7, season.plan, season.limits.working, season.limits.setupHours),
)
const batchById = computed(() => new Map(season.batches.map((batch) => [batch.id, batch])))
const batchesOf = (ids: readonly string[]): readonly BatchSummary[] =>
  ids.flatMap((id) => batchById.value.get(id) ?? [])
const namesOf = (ids: readonly string[]): string =>
  batchesOf(ids)
    .map(({ name }) => name)
    .join(', ')
const flags = computed(
  () => new Map(season.collections.map((collection) => [season.neededDay(collection), collection.name])),
)
const hours = ({ hoursPlanned, hoursThere }: DaySummary): string =>
  hoursPlanned > 0 ? `${hoursPlanned} of ${hoursThere} h` : hoursThere > 0 ? `${hoursThere} h free` : 'no hours'
const isLate = (batch: BatchSummary): boolean => {
  const collection = season.collection(season.design(batch.designId)?.collectionId)
  return collection !== undefined && batch.days.readyDay > season.neededDay(collection)
}

const list = ref<HTMLElement>()
const press = useLongPress<BatchSummary>({
  take: (batch) => {
    tryDay(batch, batch.days.pourDay)
  },
  moveTo: (batch, x, y) => {
    const row = document.elementFromPoint(x, y)?.closest<HTMLElement>('[data-board-day]')
    if (row?.dataset['boardDay'] !== undefined) tryDay(batch, row.dataset['boardDay'])
  },
  letGo: (batch) => {
    hasJustMoved = true
    if (trial.value && trial.value.days.pourDay !== batch.days.pourDay) void drop()
    else cancel()
  },
  cancel,
})
let hasJustMoved = false
function open(batch: BatchSummary): void {
  if (!hasJustMoved) void router.push(`/soaps/${batch.designId}`)
  hasJustMoved = false
}

async function onKey(event: KeyboardEvent, batch: BatchSummary): Promise<void> {
  const step = { ArrowUp: -1, ArrowDown: 1, ArrowLeft: -1, ArrowRight: 1 }[event.key]
  const isOnTrial = trial.value?.batch.id === batch.id
  if (step === undefined && !(isOnTrial && ['Enter', 'Escape'].includes(event.key))) return
  event.preventDefault()
  event.stopPropagation()
  if (step !== undefined) tryOn(batch, step)
  else if (event.key === 'Escape') cancel()
  else await drop()
  await nextTick()
  list.value?.querySelector<HTMLElement>(`[data-batch="${batch.id}"]`)?.focus({ preventScroll: true })
}
</script>

<template>
  <section ref="list" class="sheet board" aria-label="The season board, day by day" data-test="board-by-day">
    <p class="quiet hint">Rest a finger on a soap to take it to another day.</p>
    <div
      v-for="summary in days"
      :key="summary.day"
      class="day"
      :class="{
        today: summary.day === season.today,
        off: summary.hoursThere === 0,
        target: trial?.days.pourDay === summary.day,
      }"
      :data-board-day="summary.day"
    >
      <RouterLink :to="`/days/${summary.day}`" class="plain when">
        <b>{{ formatDay(summary.day, season.today) }}</b>
        <span class="quiet" :class="{ must: summary.hoursPlanned > summary.hoursThere }">{{ hours(summary) }}</span>
      </RouterLink>
      <div class="what">
        <p v-if="flags.get(summary.day)" class="flag">{{ flags.get(summary.day) }} comes out</p>
        <button
          v-for="batch in batchesOf(summary.pours)"
          :key="batch.id"
          class="pour"
          :class="{
            planned: batch.status === 'planned',
            over: blamed.has(batch.id),
            lifted: trial?.batch.id === batch.id,
          }"
          :data-batch="batch.id"
          @click="open(batch)"
          @pointerdown="batch.status === 'planned' && press.down($event, batch)"
          @pointermove="press.move"
          @pointerup="press.up"
          @pointercancel="press.lost"
          @touchmove="press.hold"
          @contextmenu.prevent
          @keydown="onKey($event, batch)"
        >
          <SoapFace :name="batch.name" :soap="season.design(batch.designId)" :width="44" :height="32" />
          <span
            ><b>{{ batch.name }}</b
            ><span v-if="isLate(batch)" class="must">, late</span></span
          >
        </button>
        <p v-if="trial && trial.days.pourDay === summary.day && trial.batch.days.pourDay !== summary.day" class="here">
          {{ trial.batch.name }} here
        </p>
        <p v-if="summary.cuts.length > 0" class="quiet">Cut {{ namesOf(summary.cuts) }}</p>
        <p v-if="summary.ready.length > 0" class="vine">{{ namesOf(summary.ready) }} cured</p>
      </div>
    </div>
    <v-btn block data-test="more-weeks" @click="weeks += weeksAtFirst">{{
      `To ${formatDay(addDays(season.today, (weeks + weeksAtFirst) * 7 - 1))}`
    }}</v-btn>
  </section>
</template>

<style scoped>
.hint {
  margin-bottom: 8px;
  font-size: 0.9rem;
}

.day {
  display: flex;
  gap: 12px;
  min-height: 48px;
  padding: 6px 0;
  border-top: 1px solid rgb(var(--v-theme-hairline));
}

.off {
  background: rgb(var(--v-theme-weekend));
}

.today {
  box-shadow: inset 3px 0 rgb(var(--v-theme-primary));
}

.target {
  outline: 2px solid rgb(var(--v-theme-primary));
  outline-offset: -1px;
}

.when {
  display: flex;
  flex-direction: column;
  justify-content: center;
  flex: none;
  width: 96px;
  min-height: 44px;
  padding-left: 10px;
  font-size: 0.9rem;
  line-height: 1.3;
}

.what {
  display: flex;
  flex-direction: column;
  justify-content: center;
  gap: 6px;
  flex: 1;
  min-width: 0;
  font-size: 0.95rem;
}

.flag {
  align-self: flex-start;
  padding: 1px 12px 1px 8px;
  color: rgb(var(--v-theme-background));
  background: rgb(var(--v-theme-primary));
  clip-path: polygon(0 0, 100% 0, calc(100% - 7px) 50%, 100% 100%, 0 100%);
}

.pour {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 48px;
  padding: 6px 8px !important;
  border: 1px dashed rgb(var(--v-theme-hairline)) !important;
  border-radius: 4px;
  background: rgb(var(--v-theme-surface)) !important;
  text-align: left;
  user-select: none;
  -webkit-touch-callout: none;
}

.pour.planned {
  border-style: solid !important;
}

.pour.over {
  outline: 2px solid rgb(var(--v-theme-must));
}

.pour.lifted {
  opacity: 0.55;
  border-color: rgb(var(--v-theme-primary)) !important;
}

.here {
  padding: 8px;
  border: 2px solid rgb(var(--v-theme-primary));
  border-radius: 4px;
  font-weight: 700;
  color: rgb(var(--v-theme-primary));
}
</style>
