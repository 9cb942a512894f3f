<script setup lang="ts">
import { runChange } from '@/parts/runChange'
import { api } from '@/parts/api'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import { useUndo } from '@/parts/undoStore'
import type { SavedCollection, SavedDesign } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { addDays, formatDay } from '@vendange/core/calendar'
import type { Earning } from '@vendange/core/earnings'
import { lessonsForReissue, salesSentences } from '@vendange/core/plan'
import { counted } from '@vendange/words'
import { computed, ref, shallowRef, watch } from 'vue'
import { useUnits } from '@/parts/format'

/** Past soaps that may come back, each with how it sold and what was to be remembered. */
const props = defineProps<{ collectionId: string }>()
const season = useSeason()
const { say, money } = useUnits()
const undo = useUndo()
const isOpen = ref(false)

const past = computed(() =>
  season.collections
    .filter((collection) => collection.id !== props.collectionId && season.neededDay(collection) < season.today)
    .map((collection) => ({ collection, soaps: season.lineUp(collection.id) }))
    .filter(({ soaps }) => soaps.length > 0),
)
/** What was noted in the records of a soap's loaves, why any was held, and what faults they had. */
async function toldByLoaves(
  designId: string,
): Promise<Pick<Parameters<typeof lessonsForReissue>[0], 'loafNotes' | 'faults'>> {
  const loaves = await api(endpoints.loaves.ofDesign, { params: { id: designId } })
  const views = await Promise.all(loaves.map(({ id }) => api(endpoints.loaves.view, { params: { id } })))
  const loafNotes = views.flatMap(({ events }) =>
    events.flatMap(({ event }) =>
      event.type === 'noted' ? [event.text] : event.type === 'held' ? [event.reason] : [],
    ),
  )
  return { loafNotes, faults: loaves.flatMap(({ state }) => state.foundFaults) }
}

/** Soaps that are told first, and over how many days back they are looked at. */
const mostRanked = 3
const lookedBackDays = 3 * 365
const earned = shallowRef<readonly Earning[]>([])
watch(isOpen, async (open) => {
  if (!open) return
  const body = { from: addDays(season.today, -lookedBackDays), to: season.today, by: 'soap' } as const
  earned.value = await api(endpoints.earnings, { body })
    .then(({ rows }) => rows)
    .catch(() => earned.value)
})
/** By what was left for each hour of work, with how much of it went and how fast. */
const ranked = computed(() => {
  const soaps = new Map(past.value.flatMap(({ soaps: own }) => own.map((soap) => [soap.name, soap] as const)))
  return earned.value
    .flatMap((one) => {
      const soap = soaps.get(one.name)
      return soap && one.perHourCents !== null ? [{ soap, one, perHourCents: one.perHourCents }] : []
    })
    .sort((a, b) => b.perHourCents - a.perHourCents)
    .slice(0, mostRanked)
    .map(({ soap, one, perHourCents }) => {
      const left = `${money(Math.round(perHourCents))} for each hour of work, ${counted(one.bars, 'bar')} sold`
      const [first] = salesSentences(soap.results).map(say)
      return { soap, why: [`${left}.`, first ?? ''].join(' ').trim() }
    })
})

async function bring(soaps: readonly SavedDesign[]): Promise<void> {
  const made: SavedDesign[] = []
  for (const soap of soaps) {
    const { id, version: _version, isRemoved: _removed, ...details } = soap
    const copy = await runChange(async () =>
      api(endpoints.designs.create, {
        body: {
          ...details,
          collectionId: props.collectionId,
          broughtFromId: id,
          earliestDay: null,
          notesForNextTime: '',
          results: [],
          // What was in the bin then went into the soap of then.
          pieces: [],
          lessons: lessonsForReissue({ ...soap, ...(await toldByLoaves(id)) }).map((lesson) => ({ ...lesson })),
        },
      }),
    )
    if (copy) made.push(copy)
  }
  isOpen.value = false
  if (made.length === 0) return
  undo.did(`${made.map(({ name }) => name).join(', ')} brought back`, async () => {
    for (const { id, version } of made) await api(endpoints.designs.remove, { params: { id }, body: { version } })
    await season.load()
  })
}
/** The whole collection: its soaps, and of palette, channels and promises what the new one does not have yet. */
async function bringAll(past: SavedCollection, soaps: readonly SavedDesign[]): Promise<void> {
  await bring(soaps)
  const now = season.collection(props.collectionId)
  if (!now) return
  const { id, isRemoved: _removed, ...details } = now
  const orPast = <T,>(own: readonly T[], theirs: readonly T[]): T[] => [...(own.length > 0 ? own : theirs)]
  const body = {
    ...details,
    theme: now.theme || past.theme,
    palette: orPast(now.palette, past.palette),
    channels: orPast(now.channels, past.channels),
    promises: orPast(now.promises, past.promises),
  }
  await runChange(() => api(endpoints.collections.update, { params: { id }, body }))
}
</script>

<template>
  <div v-if="past.length > 0">
    <v-btn size="small" data-test="bring-back" @click="isOpen = !isOpen">Bring a past soap back</v-btn>
    <div v-if="isOpen" class="stack mt-3">
      <section v-if="ranked.length > 0" data-test="brought-most">
        <p class="eyebrow">What brought most for its hours</p>
        <div v-for="{ soap, why } in ranked" :key="soap.id" class="past">
          <SoapFace :name="soap.name" :soap="soap" :width="52" :height="38" />
          <div class="grow">
            <b class="serif">{{ soap.name }}</b>
            <p class="quiet">{{ why }}</p>
          </div>
          <v-btn size="small" @click="bring([soap])">Bring back</v-btn>
        </div>
      </section>
      <section v-for="{ collection, soaps } in past" :key="collection.id">
        <div class="row head">
          <p class="eyebrow">{{ collection.name }}, {{ formatDay(season.neededDay(collection), season.today) }}</p>
          <v-btn
            size="small"
            variant="text"
            :data-test="`bring-all-${collection.name}`"
            @click="bringAll(collection, soaps)"
            >All {{ soaps.length }}</v-btn
          >
        </div>
        <div v-for="soap in soaps" :key="soap.id" class="past">
          <SoapFace :name="soap.name" :soap="soap" :width="52" :height="38" />
          <div class="grow">
            <b class="serif">{{ soap.name }}</b>
            <p v-for="line in salesSentences(soap.results)" :key="say(line)" class="quiet">{{ say(line) }}</p>
            <p v-if="soap.notesForNextTime">{{ soap.notesForNextTime }}</p>
          </div>
          <v-btn size="small" :data-test="`bring-${soap.name}`" @click="bring([soap])">Bring back</v-btn>
        </div>
      </section>
    </div>
  </div>
</template>

<style scoped>
.past {
  display: flex;
  gap: 14px;
  align-items: flex-start;
  padding: 8px 0;
  border-top: 1px solid rgb(var(--v-theme-hairline));
  font-size: 0.88rem;
}

.grow {
  flex: 1;
}

p {
  white-space: pre-line;
}
</style>
