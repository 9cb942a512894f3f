<script setup lang="ts">
import ChoiceButtons from '@/parts/ChoiceButtons.vue'
import { isTyping } from '@/parts/keyboard'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import PageHeadline from '@/parts/PageHeadline.vue'
import { clockFace } from '@vendange/core/batch'
import type { RehearsalEvent } from '@vendange/core/pour'
import {
  drawBatter,
  scoreRehearsal,
  thickenedAt,
  traceAt,
  moveSpecs,
  usualSection,
  sectionOf,
} from '@vendange/core/pour'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { amid, moveKindWords as kindWords } from '@vendange/words'
import { techniqueWords, traceWords } from '../inside/moveWords'
import { useTimedPours } from '@/parts/timedPours'
import { useBatter, useWorking } from '../inside/useWorking'
import { useUnits } from '@/parts/format'

/** A pour played against a batter drawn from the model: when to go on, and when to fall back. */
const props = defineProps<{ id: string }>()
const season = useSeason()
const { say } = useUnits()
const design = computed(() => season.design(props.id))
const lines = computed(() => design.value?.pourPlan ?? [])
const mould = computed(() => season.mould(design.value?.mouldId ?? null))
const batter = useBatter(() => design.value)
const timings = useTimedPours()
const working = useWorking(
  () => lines.value,
  () => batter.value,
  () => (mould.value ? sectionOf(mould.value) : usualSection),
  () => timings.value,
)

const speeds = [1, 5, 20] as const
const speedChoices = speeds.map((value) => ({
  value,
  test: `speed-${value}`,
  words: value === 1 ? 'In real time' : `${value} times as fast`,
}))
const speed = ref<(typeof speeds)[number]>(5)
const seed = ref(1)
const drawn = computed(() => drawBatter(working.estimate.value, seed.value))
const events = ref<RehearsalEvent[]>([])
const isOn = ref(false)
const clockMin = ref(0)
/** Until when the hands are busy with the move before. */
const busyUntilMin = ref(0)
const next = computed(() => events.value.filter(({ kind }) => kind === 'move').length)
const isOver = computed(
  () =>
    !isOn.value &&
    (events.value.some(({ kind }) => kind === 'fall_back') || next.value >= lines.value.length) &&
    events.value.length > 0,
)
const score = computed(() => scoreRehearsal(lines.value, drawn.value, events.value, batter.value))
const trace = computed(() => traceAt(thickenedAt(clockMin.value, drawn.value)))
const looksWords = computed(() =>
  trace.value === undefined
    ? 'Too thick to pour'
    : trace.value === 'emulsion'
      ? 'At emulsion'
      : traceWords[trace.value],
)
const fallbackLook = computed(() => ({
  ...(design.value ?? { name: '', colours: [], mouldId: null }),
  pourPlan: working.fallback.value.lines,
  face: null,
}))
const nextLine = computed(() => lines.value[next.value])
const isBusy = computed(() => clockMin.value < busyUntilMin.value)

/** What was done, while it is watched once more. */
const watched = ref<readonly RehearsalEvent[]>()
let last = 0
let frame = 0
function run(now: number): void {
  if (!isOn.value) return
  clockMin.value += ((now - last) / 60_000) * speed.value
  last = now
  if (watched.value) playOn(watched.value)
  frame = requestAnimationFrame(run)
}
/** Does again what was done by now. */
function playOn(done: readonly RehearsalEvent[]): void {
  events.value = done.filter(({ minutes }) => minutes <= clockMin.value)
  if (events.value.length < done.length) return
  isOn.value = false
  watched.value = undefined
}
function watchAgain(): void {
  const done = events.value
  start(true)
  watched.value = done
}
function start(again: boolean): void {
  if (!again) seed.value += 1
  watched.value = undefined
  events.value = []
  clockMin.value = 0
  busyUntilMin.value = 0
  isOn.value = true
  last = performance.now()
  frame = requestAnimationFrame(run)
}
function move(): void {
  const line = nextLine.value
  if (!isOn.value || watched.value || isBusy.value || !line) return
  events.value = [...events.value, { kind: 'move', index: next.value, minutes: clockMin.value }]
  busyUntilMin.value = clockMin.value + moveSpecs[line.kind].handsMin
  if (next.value >= lines.value.length) isOn.value = false
}
function fallBack(): void {
  if (!isOn.value || watched.value) return
  events.value = [...events.value, { kind: 'fall_back', minutes: clockMin.value }]
  isOn.value = false
}
function press(event: KeyboardEvent): void {
  if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return
  if (event.key === ' ') {
    event.preventDefault()
    if (isOn.value) move()
    else start(false)
  } else if (event.key.toLowerCase() === 'f') fallBack()
}
onMounted(() => window.addEventListener('keydown', press))
onBeforeUnmount(() => {
  isOn.value = false
  cancelAnimationFrame(frame)
  window.removeEventListener('keydown', press)
})

const wasWords = {
  too_thin: 'too early: the batter was too thin',
  right: 'at its trace',
  too_thick: 'too late: the batter was too thick',
} as const
/** The move done last, and how it was. */
const lastDone = computed(() => score.value.moves.at(-1))
const sentence = computed(() => {
  const name = design.value?.name ?? ''
  if (lines.value.length === 0) return `${name} has no pour plan to rehearse yet.`
  if (isOver.value) return `${score.value.points} of 100. ${say(score.value.verdict)}`
  if (isOn.value)
    return `${clockFace(clockMin.value * 60_000)} after emulsion: the batter is ${amid(looksWords.value)}.`
  return `Rehearse ${name} against a batter that nobody knows beforehand.`
})
</script>

<template>
  <p class="quiet crumb plain">
    <RouterLink :to="`/soaps/${id}/inside`">The inside of {{ design?.name }}</RouterLink> ›
  </p>
  <PageHeadline>{{ sentence }}</PageHeadline>
  <section v-if="lines.length > 0" class="sheet stack">
    <ChoiceButtons v-model="speed" :choices="speedChoices" label="How fast" />
    <div class="faces">
      <figure>
        <SoapFace :name="design?.name ?? ''" :soap="design" :width="220" :height="154" />
        <figcaption>What is wanted</figcaption>
      </figure>
      <figure>
        <SoapFace name="the fallback" :soap="fallbackLook" :width="220" :height="154" />
        <figcaption>The fallback: {{ amid(techniqueWords[working.fallback.value.technique]) }}</figcaption>
      </figure>
    </div>
    <div v-if="isOn" class="pot" data-test="batter">
      <div class="level" aria-hidden="true">
        <i :style="{ width: `${Math.min(100, (thickenedAt(clockMin, drawn) / 1.3) * 100)}%` }" />
      </div>
      <p class="looks">{{ looksWords }}</p>
      <p v-if="nextLine" class="next">
        {{
          isBusy
            ? 'Hands are busy with the move before.'
            : `Next, ${next + 1} of ${lines.length}: ${kindWords[nextLine.kind]}`
        }}
        <span v-if="nextLine.trace" class="quiet">planned at {{ amid(traceWords[nextLine.trace]) }} trace</span>
      </p>
      <p v-if="watched" data-test="watched">
        As it was done{{
          lastDone ? `: ${kindWords[lines[lastDone.index]?.kind ?? 'level']} ${wasWords[lastDone.was]}` : ''
        }}.
      </p>
      <div v-else class="row">
        <v-btn class="big" variant="flat" color="primary" :disabled="isBusy" data-test="do-move" @click="move"
          >Do it (Space)</v-btn
        >
        <v-btn class="big" variant="tonal" data-test="fall-back" @click="fallBack">Fall back (F)</v-btn>
      </div>
    </div>
    <div v-else class="row">
      <v-btn class="big" variant="flat" color="primary" data-test="start" @click="start(false)">{{
        isOver ? 'Another batter' : 'Emulsion now'
      }}</v-btn>
      <v-btn v-if="isOver" class="big" variant="tonal" data-test="again" @click="start(true)"
        >The same batter again</v-btn
      >
      <v-btn v-if="isOver" class="big" variant="text" data-test="watch" @click="watchAgain">Watch it once more</v-btn>
    </div>
    <table v-if="isOver" class="figures" data-test="score">
      <thead>
        <tr>
          <th>Move</th>
          <th class="number">At</th>
          <th>It was</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in score.moves" :key="one.index">
          <td>{{ one.index + 1 }}. {{ kindWords[lines[one.index]?.kind ?? 'level'] }}</td>
          <td class="number">{{ clockFace(one.minutes * 60_000) }}</td>
          <td>{{ wasWords[one.was] }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.pot {
  display: grid;
  gap: 14px;
}

.faces {
  display: flex;
  flex-wrap: wrap;
  gap: 20px;
}

figure {
  margin: 0;
}

figcaption {
  margin-top: 6px;
}

.level {
  height: 18px;
  border-radius: 9px;
  background: rgb(var(--v-theme-surface-variant));
  overflow: hidden;
}

.level i {
  display: block;
  height: 100%;
  background: rgb(var(--v-theme-primary));
}

.looks {
  font-family: var(--serif);
  font-size: 2.6rem;
}

.next {
  font-size: 1.2rem;
}

.big {
  min-height: 56px;
  font-size: 1.1rem;
}
</style>
