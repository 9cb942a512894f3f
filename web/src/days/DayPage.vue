<script setup lang="ts">
import { runChange } from '@/parts/runChange'
import { api } from '@/parts/api'
import { useOwnScreen } from '@/parts/ownScreen'
import { useLoafEvents } from '@/parts/recordLoafEvent'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import PageHeadline from '@/parts/PageHeadline.vue'
import { useUndo } from '@/parts/undoStore'
import { endpoints } from '@vendange/contract'
import { addDays, formatDay, relativeDay } from '@vendange/core/calendar'
import type { DayTask, DayTaskKind } from '@vendange/core/season'
import { hoursOn, minutesOfTasks, plannedHours } from '@vendange/core/season'
import { formatQuantity } from '@vendange/core/units'
import { computed } from 'vue'
import { useDayTasks } from './useDayTasks'

const props = defineProps<{ day: string }>()
const season = useSeason()
const screen = useOwnScreen()
const undo = useUndo()
const { record, trouble } = useLoafEvents()

const words: Readonly<Record<DayTaskKind, string>> = {
  set_up: 'Set up and clean up',
  prepare: 'Prepare',
  pour: 'Pour',
  unmould: 'Unmould',
  cut: 'Cut',
  stamp: 'Stamp while soft',
  bevel: 'Bevel',
  turn: 'Turn and check the bars',
  weigh: 'Weigh the marked bar',
  photograph: 'Photograph the face',
  label: 'Label',
  release: 'Release',
}
/** What is recorded with a figure has a page of its own; the rest is ticked here. */
function pageOf(task: DayTask): string | undefined {
  const { kind, subjectId } = task
  const batch = season.batches.find(({ id }) => id === subjectId)
  if (kind === 'pour') return batch?.status === 'poured' ? `/pour/${subjectId}` : `/bench/${subjectId}`
  if (kind === 'prepare') return `/pour/${subjectId}`
  if ((kind === 'unmould' || kind === 'cut') && !isDone(task)) return '/cut-round'
  if (kind === 'cut' || kind === 'stamp' || kind === 'bevel') return '/cut'
  if (kind === 'weigh') return '/weigh'
  if ((kind === 'turn' || kind === 'photograph') && !isDone(task)) return '/turn-round'
  if (kind === 'photograph') return '/cure'
  if (kind === 'label') return '/release'
  return kind === 'release' ? `/plan/${subjectId}` : undefined
}
const isRecordedElsewhere = ({ kind }: DayTask): boolean => ['pour', 'cut', 'weigh', 'photograph'].includes(kind)

const { isReal, tasks, ticked, isDone, left } = useDayTasks(() => props.day)

const progress = computed(() => {
  if (left.value.length === 0) return 'All done.'
  const minutes = minutesOfTasks(left.value)
  const timed = minutes > 0 ? `, ${inHours(minutes)} of timed work` : ''
  return `${left.value.length} of ${tasks.value.length} still to do${timed}.`
})
const soapOf = (id: string) => season.design(season.batches.find((batch) => batch.id === id)?.designId)
const inHours = (minutes: number): string => formatQuantity('hours', minutes / 60)
/** Why the day differs: for everyone, else for the makers it concerns. */
const reason = computed(() => {
  const ofDay = (days: readonly { day: string; reason?: string | undefined }[]): string | undefined =>
    days.find(({ day }) => day === props.day)?.reason
  const own = season.makers.flatMap(({ name, exceptions }) => {
    const why = ofDay(exceptions)
    return why ? [`${name}: ${why}`] : []
  })
  return ofDay(season.workshop?.exceptions ?? []) ?? own.join(', ')
})
const sentence = computed(() => {
  if (!isReal.value) return 'There is no such day.'
  const there = hoursOn(props.day, season.limits.working)
  const planned = plannedHours(props.day, season.plan, season.limits.setupHours)
  const name = `${formatDay(props.day, season.today)}, ${relativeDay(props.day, season.today)}`
  const hours = (value: number): string => formatQuantity('hours', value)
  if (there === 0 && planned === 0) return `${name}: ${reason.value ? `${reason.value}, no work.` : 'a day off.'}`
  if (planned > there) return `${name}: ${hours(planned)} of work, but only ${hours(there)} there.`
  const because = reason.value ? ` (${reason.value})` : ''
  return planned === 0
    ? `${name}: nothing planned; ${hours(there)} free${because}.`
    : `${name}: ${hours(planned)} of work in ${hours(there)}${because}.`
})

/** Taking the loaves of a pour out of their moulds is part of their record, written without a network too. */
async function unmould(batchId: string): Promise<void> {
  for (const loaf of season.loaves)
    if (loaf.batchId === batchId && loaf.state.unmouldedDay === undefined)
      await record(loaf, { type: 'unmoulded', day: props.day })
}

async function tick(task: DayTask): Promise<void> {
  const set = (done: boolean) => api(endpoints.tickTask, { body: { day: props.day, taskKey: task.key, isDone: done } })
  const done = !ticked.value.has(task.key)
  const isPoured = season.loaves.some(({ batchId }) => batchId === task.subjectId)
  if (task.kind === 'unmould' && done && isPoured && props.day <= season.today) return unmould(task.subjectId)
  if (!(await runChange(() => set(done)))) return
  undo.did(
    `${words[task.kind]} ${task.name}: ${done ? 'done' : 'not done'}`,
    async () => {
      await set(!done)
      await season.load()
    },
    false,
  )
}
</script>

<template>
  <PageHeadline>
    {{ sentence }}
    <template v-if="isReal" #actions>
      <v-btn :to="`/days/${addDays(day, -1)}`" aria-label="The day before">←</v-btn>
      <v-btn :to="`/days/${addDays(day, 1)}`" aria-label="The day after">→</v-btn>
    </template>
  </PageHeadline>
  <section v-if="tasks.length > 0" class="sheet">
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
    <p class="quiet lead">
      {{ progress }}
    </p>
    <ol>
      <li v-for="task in tasks" :key="task.key" :class="{ done: isDone(task) }" data-test="task">
        <input
          type="checkbox"
          :checked="isDone(task)"
          :disabled="task.isOnRecord || isRecordedElsewhere(task) || !screen.may(endpoints.tickTask)"
          :aria-label="`${words[task.kind]} ${task.name}`"
          @change="tick(task)"
        />
        <span class="kind">{{ words[task.kind] }}</span>
        <template v-if="task.name !== ''">
          <SoapFace
            v-if="task.kind !== 'release'"
            :name="task.name"
            :soap="soapOf(task.subjectId)"
            :width="44"
            :height="30"
          />
          <span class="serif big">{{ task.name }}</span>
        </template>
        <span class="grow" />
        <span v-if="task.minutes !== undefined" class="quiet minutes">{{ task.minutes }} min</span>
        <span v-if="ticked.get(task.key)" class="quiet by">{{ ticked.get(task.key)?.makerName }}</span>
        <v-btn v-if="pageOf(task)" size="small" :to="pageOf(task)!" class="no-print">{{
          task.kind === 'pour' ? 'Bench' : 'Open'
        }}</v-btn>
      </li>
    </ol>
  </section>
  <p v-else-if="isReal" class="quiet">Nothing stands on this day.</p>
</template>

<style scoped>
ol {
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  gap: 14px;
  align-items: center;
  min-height: 50px;
  padding: 7px 0;
  border-top: 1px solid rgb(var(--v-theme-hairline));
}

li.done {
  color: rgb(var(--v-theme-quiet));
}

li.done .big {
  text-decoration: line-through;
}

@media (max-width: 599px) {
  /* What is to be done and how long it takes; beneath it for which soap, and the way there. */
  li {
    display: grid;
    grid-template-columns: 44px auto 1fr auto;
    gap: 4px 10px;
    padding: 12px 0;
  }

  .kind {
    grid-column: 2 / 4;
    width: auto;
  }

  .minutes {
    grid-row: 1;
    grid-column: 4;
    text-align: right;
  }

  li > :deep(.face) {
    grid-row: 2;
    grid-column: 2;
  }

  .big {
    grid-row: 2;
    grid-column: 3;
  }

  .by {
    grid-row: 3;
    grid-column: 2 / 4;
  }

  li > .v-btn {
    grid-row: 2;
    grid-column: 4;
  }

  .grow {
    display: none;
  }
}

input {
  flex: none;
  width: 22px;
  height: 22px;
  accent-color: rgb(var(--v-theme-primary));
}

.kind {
  width: 168px;
  font-weight: 600;
}

.big {
  font-size: 1.12rem;
}

.grow {
  flex: 1;
}

.lead {
  margin-bottom: 8px;
}
</style>
