<script setup lang="ts">
import { api, photoAddress, problemOf } from '@/parts/api'
import { useUnits } from '@/parts/format'
import { runChange } from '@/parts/runChange'
import { useUndo } from '@/parts/undoStore'
import { useOwnScreen } from '@/parts/ownScreen'
import { useSeason } from '@/parts/seasonStore'
import { useFresh } from '@/parts/useFresh'
import SoapFace from '@/parts/SoapFace.vue'
import PageHeadline from '@/parts/PageHeadline.vue'
import type { LoafSummary, SavedDesign, TimedPourView } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import type { ScentPour } from '@vendange/core/pour'
import { brownShare, scentPourOf, tintOf, usualBehaviour } from '@vendange/core/pour'
import { salesSentences } from '@vendange/core/plan'
import { useKeptFields } from '@/parts/useKeptFields'
import { computed, ref, shallowRef } from 'vue'
import { useDrifts } from './useDrifts'
import { faultsOfLoaves } from '@vendange/words'

/** What each scent did: batches, temperatures, behaviour, photographs, colour, sales. */
const season = useSeason()
const screen = useOwnScreen()
const { show, say } = useUnits()
const timings = shallowRef<readonly TimedPourView[]>([])
const loaves = shallowRef<readonly LoafSummary[]>([])
const failure = ref<string>()
const text = ref('')
useFresh(() =>
  Promise.all([api(endpoints.batches.timings), api(endpoints.loaves.list)])
    .then(([timed, list]) => {
      timings.value = timed
      loaves.value = list
    })
    .catch((error: unknown) => (failure.value = problemOf(error).detail)),
)

const behaviourWords = {
  slows: 'slowed the batter',
  calm: 'was calm',
  speeds: 'sped the batter',
  races: 'made the batter race',
} as const
interface Pour extends ScentPour {
  readonly timing: TimedPourView
}
interface Story {
  readonly name: string
  readonly pours: readonly Pour[]
  /** Those that nothing is learned from. */
  readonly setAside: readonly Pour[]
  readonly designs: readonly SavedDesign[]
  readonly photoIds: readonly string[]
  readonly words: string
  readonly driftWords: string
  readonly faultWords: string
}

const maySetAside = computed(() => screen.may(endpoints.batches.setTimingAside))
const asideId = ref<string>()
const reason = ref('')
const kept = useKeptFields('timing-set-aside', { asideId, reason })
async function change(id: string, why: string | null): Promise<void> {
  const known = await runChange(() => api(endpoints.batches.setTimingAside, { params: { id }, body: { reason: why } }))
  if (known) timings.value = known
}
async function setAside(why: string): Promise<void> {
  const id = asideId.value
  if (id === undefined || why.trim() === '') return
  await change(id, why.trim())
  asideId.value = undefined
  reason.value = ''
  kept.sent()
  useUndo().did('The timed pour is set aside', () => change(id, null))
}
const countAgain = (id: string): Promise<void> => change(id, null)

const drifts = useDrifts(() => loaves.value)
/** How the colours of these loaves moved, by their photographs. */
function driftOf(theirs: readonly LoafSummary[]): string {
  const seen = theirs.flatMap(({ id, name }) => {
    const drift = drifts.value.get(id)
    return drift ? [{ name, ...drift }] : []
  })
  return seen
    .map(({ name, days, deltaE, lightness }) => {
      const way =
        Math.abs(lightness) < 1
          ? ''
          : `, ${lightness < 0 ? 'darker' : 'lighter'} by ${Math.abs(lightness).toFixed(0)} L*`
      return `${name} moved by ΔE ${deltaE.toFixed(1)}${way} in ${days} days, by its photographs (estimate: the light may differ).`
    })
    .join(' ')
}

const namesOf = ({ scent }: SavedDesign): readonly string[] =>
  scent ? [scent.name, ...(scent.parts ?? []).map(({ name }) => name)] : []

function wordsFor(name: string, pours: readonly Pour[]): string {
  const last = pours.at(-1)
  if (!last) return `Nobody has timed a pour with ${name} yet.`
  const usual = usualBehaviour(pours)
  const often = pours.filter(({ behaviour }) => behaviour === usual).length
  const day = formatDay(last.timing.day, season.today)
  const ending = last.fellBack ? ', and the pour fell back' : ''
  return `${name} ${behaviourWords[usual ?? 'calm']} in ${often} of ${pours.length} timed pours; last time, ${day} at ${show('temperature', last.temperatureC)}, it was too thick after ${last.workingMin.toFixed(0)} min${ending}.`
}
const stories = computed<readonly Story[]>(() => {
  const names = [...new Set(season.designs.flatMap(namesOf))].sort((a, b) => a.localeCompare(b))
  return names.map((name) => {
    const designs = season.designs.filter((design) => namesOf(design).includes(name))
    const all = timings.value.flatMap((timing): readonly Pour[] => {
      const story = timing.batter.scents.some((scent) => scent.name === name)
        ? scentPourOf(timing, season.ownFactors)
        : undefined
      return story ? [{ ...story, timing }] : []
    })
    const pours = all.filter(({ timing }) => timing.setAside === null)
    const theirs = loaves.value.filter(({ designId }) => designs.some(({ id }) => id === designId))
    const photoIds = theirs.flatMap(({ state }) => state.photos.map(({ photoId }) => photoId))
    return {
      name,
      designs,
      pours,
      setAside: all.filter(({ timing }) => timing.setAside !== null),
      photoIds,
      words: wordsFor(name, pours),
      driftWords: driftOf(theirs),
      faultWords: faultsOfLoaves(theirs.map(({ state }) => state)),
    }
  })
})
const shown = computed(() =>
  stories.value.filter(({ name }) => name.toLowerCase().includes(text.value.trim().toLowerCase())),
)
const sentence = computed(() => {
  if (failure.value) return failure.value
  const known = stories.value.filter(({ pours }) => pours.length > 0).length
  return stories.value.length === 0
    ? 'No soap has a scent yet; what each one does is kept here.'
    : `${known} of ${stories.value.length} scents have been timed; the last time of each is what to go by.`
})
</script>

<template>
  <p class="quiet crumb plain"><RouterLink to="/notebook">Notebook</RouterLink> ›</p>
  <PageHeadline>{{ sentence }}</PageHeadline>
  <v-text-field v-model="text" class="find" label="Scent" clearable @click:clear="text = ''" />
  <section v-for="story in shown" :key="story.name" class="sheet stack mb-4" data-test="scent">
    <h2>{{ story.name }}</h2>
    <p>{{ story.words }}</p>
    <p v-if="story.driftWords" data-test="drift">{{ story.driftWords }}</p>
    <p v-if="story.faultWords" data-test="scent-faults">Found in its bars: {{ story.faultWords }}</p>
    <table v-if="story.pours.length > 0" class="figures">
      <thead>
        <tr>
          <th colspan="2">Pour</th>
          <th>Day</th>
          <th class="number">At</th>
          <th class="number">Too thick after</th>
          <th class="number">Without scent ×</th>
          <th>It</th>
          <th><span class="d-sr-only">To do</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="pour in story.pours" :key="pour.timing.batchId">
          <td class="face">
            <SoapFace :name="pour.timing.name" :soap="season.design(pour.timing.designId)" :width="48" :height="34" />
          </td>
          <td>{{ pour.timing.name }}</td>
          <td>{{ formatDay(pour.timing.day, season.today) }}</td>
          <td class="number">{{ show('temperature', pour.temperatureC) }}</td>
          <td class="number">{{ pour.workingMin.toFixed(0) }} min</td>
          <td class="number">{{ pour.times.toFixed(2) }}</td>
          <td>{{ behaviourWords[pour.behaviour] }}{{ pour.fellBack ? ', fell back' : '' }}</td>
          <td class="number">
            <v-btn
              v-if="maySetAside"
              size="small"
              variant="text"
              data-test="set-aside"
              @click="asideId = pour.timing.batchId"
              >Set aside</v-btn
            >
          </td>
        </tr>
      </tbody>
    </table>
    <form
      v-if="story.pours.some(({ timing }) => timing.batchId === asideId)"
      class="row"
      @submit.prevent="setAside(reason)"
    >
      <v-text-field
        v-model="reason"
        label="Why nothing is to be learned from it"
        hint="A test, a slip of the hand …"
        maxlength="200"
        autofocus
        data-test="aside-reason"
      />
      <v-btn type="submit" color="primary" variant="flat" :disabled="reason.trim() === ''" data-test="aside-confirm"
        >Set it aside</v-btn
      >
      <v-btn variant="text" @click="asideId = undefined">Leave it</v-btn>
    </form>
    <p v-for="pour in story.setAside" :key="pour.timing.batchId" class="quiet" data-test="aside">
      {{ pour.timing.name }}, {{ formatDay(pour.timing.day, season.today) }}, is set aside: {{ pour.timing.setAside }}
      <v-btn
        v-if="maySetAside"
        size="small"
        variant="text"
        data-test="count-again"
        @click="countAgain(pour.timing.batchId)"
        >Count it again</v-btn
      >
    </p>
    <div class="row soaps">
      <RouterLink
        v-for="design in story.designs"
        :key="design.id"
        class="plain soap"
        :to="`/soaps/${design.id}/inside`"
      >
        <SoapFace :name="design.name" :soap="design" :width="72" :height="50" />
        <span>
          {{ design.name }}
          <small class="quiet">
            {{ salesSentences(design.results).map(say).join(' ') }}
            {{
              brownShare(tintOf(design), 28) > 0.02
                ? `Browns by ${show('share', brownShare(tintOf(design), 28), 0)} in four weeks (estimate).`
                : 'Keeps its colours (estimate).'
            }}
          </small>
        </span>
      </RouterLink>
    </div>
    <div v-if="story.photoIds.length > 0" class="row">
      <img v-for="photoId in story.photoIds" :key="photoId" :src="photoAddress(photoId)" height="90" alt="A cut face" />
    </div>
  </section>
</template>

<style scoped>
.find {
  max-width: 340px;
  margin-bottom: 16px;
}

.soaps {
  gap: 20px;
}

.soap {
  display: flex;
  gap: 12px;
  align-items: center;
}

.soap small {
  display: block;
}

img {
  border-radius: 4px;
}
</style>
