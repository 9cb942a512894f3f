<script setup lang="ts">
import { runChange } from '@/parts/runChange'
import { api } from '@/parts/api'
import FileButton from '@/parts/FileButton.vue'
import { useSeason } from '@/parts/seasonStore'
import PageHeadline from '@/parts/PageHeadline.vue'
import { useUndo } from '@/parts/undoStore'
import type { BusyTimesReader } from '@/workers/busyTimes.worker'
import type { SavedMaker } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { addDays, formatDay, weekdayIndex } from '@vendange/core/calendar'
import type { HoursLeft } from '@vendange/core/calendar/busy'
import { hoursLeft } from '@vendange/core/calendar/busy'
import { makerHoursOn } from '@vendange/core/season'
import { formatQuantity } from '@vendange/core/units'
import { counted } from '@vendange/words'
import { wrap } from 'comlink'
import { computed, ref, shallowRef, watch } from 'vue'
import { dayCount } from './verdictWords'
import { useUnits } from '@/parts/format'

const season = useSeason()
const { say } = useUnits()
const undo = useUndo()
const feed = `${location.origin}/api/calendar.ics`
const daysAhead = 370
const largestFile = 30 * 1024 * 1024

const found = ref<readonly HoursLeft[]>([])
const kept = ref<string[]>([])
const troubles = ref<readonly string[]>([])
const fileName = ref('')
const lastFile = shallowRef<File>()
const isReading = ref(false)

async function read(file: File | undefined): Promise<void> {
  if (!file) return
  lastFile.value = file
  fileName.value = file.name
  found.value = []
  if (file.size > largestFile) {
    troubles.value = [`${file.name} is too large to be a calendar.`]
    return
  }
  isReading.value = true
  const worker = new Worker(new URL('../workers/busyTimes.worker.ts', import.meta.url), { type: 'module' })
  try {
    const span = {
      from: season.today,
      to: addDays(season.today, daysAhead),
      zone: season.workshop?.timeZone ?? 'UTC',
    }
    const busy = await wrap<BusyTimesReader>(worker).read(await file.text(), span)
    found.value = hoursLeft(busy.times, (day) => ({
      startMin: season.workshop?.weekStartMin[weekdayIndex(day)] ?? 0,
      hours: hoursOfMaker(day),
    }))
    kept.value = found.value.map(({ day }) => day)
    troubles.value =
      busy.unread > busy.troubles.length
        ? [...busy.troubles.map(say), `Left out in all: ${counted(busy.unread, 'event')}.`]
        : busy.troubles.map(say)
  } finally {
    worker.terminate()
    isReading.value = false
  }
}

/** Whose calendar it is: at first that of the maker at work. */
const whoseId = ref(season.makerId)
const whose = computed(() => season.makers.find(({ id }) => id === whoseId.value) ?? season.makers[0])
const hoursOfMaker = (day: string): number => (whose.value ? makerHoursOn(day, whose.value) : 0)
// Another maker has other hours: the file is read again with theirs.
watch(whoseId, () => read(lastFile.value))

async function take(): Promise<void> {
  const maker = whose.value
  if (!maker) return
  const before = maker.exceptions
  const chosen = found.value.filter(({ day }) => kept.value.includes(day))
  const days = new Set(chosen.map(({ day }) => day))
  const exceptions = [...before.filter(({ day }) => !days.has(day)), ...chosen].sort((a, b) =>
    a.day.localeCompare(b.day),
  )
  const keep = ({ id, name, version, weekHours }: SavedMaker, days: SavedMaker['exceptions']) =>
    api(endpoints.makers.update, { params: { id }, body: { name, version, weekHours, exceptions: days } })
  if (!(await runChange(() => keep(maker, exceptions)))) return
  found.value = []
  undo.did(`Busy times of ${maker.name} taken over: ${dayCount(chosen.length)}`, async () => {
    const now = season.makers.find(({ id }) => id === maker.id)
    if (now) await keep(now, before)
    await season.load()
  })
}

const on = (day: string): string => formatDay(day, season.today)
const hours = (value: number): string => formatQuantity('hours', value)
const sentence = computed(() => {
  if (isReading.value) return `Reading ${fileName.value} …`
  if (found.value.length > 0)
    return `${fileName.value} takes soaping hours from ${found.value.length === 1 ? 'one day' : `${found.value.length} days`}.`
  if (fileName.value !== '') return `${fileName.value} takes no soaping hours from the coming year.`
  return 'The season in your own calendar, and your calendar in the season.'
})
</script>

<template>
  <p class="quiet crumb plain"><RouterLink to="/plan">Plan</RouterLink> › Calendar</p>
  <PageHeadline>{{ sentence }}</PageHeadline>
  <div class="columns">
    <section class="sheet stack">
      <h2>Out: a feed to subscribe to</h2>
      <p>Preparing, pouring, cutting, cures and releases, with alarms. It follows every change of the plan.</p>
      <v-text-field
        :model-value="feed"
        label="Address of the feed"
        readonly
        data-test="feed"
        @focus="$event.target.select()"
      />
      <div><v-btn :href="feed" download="season.ics">Save it as a file</v-btn></div>
    </section>
    <section class="sheet stack">
      <h2>In: when you are busy</h2>
      <p>
        Choose an .ics file. What falls into a maker’s hours of a day is taken off them: work begins at the time set in
        the <RouterLink to="/workshop">workshop</RouterLink> and lasts for that maker’s hours.
      </p>
      <v-select
        v-model="whoseId"
        :items="season.makers"
        item-title="name"
        item-value="id"
        label="Whose calendar"
        data-test="whose"
      />
      <FileButton label="Calendar file" accept=".ics,text/calendar" test="ics" :loading="isReading" @file="read" />
      <p v-for="trouble in troubles" :key="trouble" class="must" role="alert">{{ trouble }}</p>
      <template v-if="found.length > 0">
        <table class="figures">
          <thead>
            <tr>
              <th>Take</th>
              <th>Day</th>
              <th class="number">Hours now</th>
              <th class="number">Left</th>
              <th>Because of</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in found" :key="one.day" data-test="busy-day">
              <td><input v-model="kept" type="checkbox" :value="one.day" :aria-label="`Take ${on(one.day)}`" /></td>
              <td>{{ on(one.day) }}</td>
              <td class="number">{{ hours(hoursOfMaker(one.day)) }}</td>
              <td class="number">
                <b>{{ hours(one.hours) }}</b>
              </td>
              <td>{{ one.reason }}</td>
            </tr>
          </tbody>
        </table>
        <div>
          <v-btn color="primary" variant="flat" :disabled="kept.length === 0" data-test="take-busy" @click="take"
            >Take {{ kept.length === 1 ? 'this day' : `these ${kept.length} days` }} over</v-btn
          >
        </div>
      </template>
    </section>
  </div>
</template>
