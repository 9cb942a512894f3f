<script setup lang="ts">
import type { BatchView, NewStep, SavedDesign, SavedMould } from '@vendange/contract'
import type { StepRecord } from '@vendange/core/batch'
import { clockFace, clockKeys, clockMoveKey, moveOfKey } from '@vendange/core/batch'
import {
  batterConditions,
  chanceToFinish,
  estimateAfterSeen,
  estimateNotYet,
  notYetOf,
  sectionOf,
  thickenedAt,
  timingOf,
  traceAt,
  usualSection,
  windowLeft,
} from '@vendange/core/pour'
import { computed, onBeforeUnmount, ref } from 'vue'
import { amid, moveKindWords as kindWords } from '@vendange/words'
import { chanceWords, techniqueWords, traceWords } from './inside/moveWords'
import { useTimedPours } from '@/parts/timedPours'
import { useWorking } from './inside/useWorking'
import { roundTo } from '@vendange/core/units'

/** The pour on the clock at the bench: what is left of the window, the next move, and the fallback one tap away. */
const props = defineProps<{
  view: BatchView
  records: readonly StepRecord[]
  design: SavedDesign | undefined
  mould: SavedMould | undefined
  record: (step: NewStep) => Promise<boolean>
}>()

const emit = defineEmits<{ moved: [index: number] }>()

const minuteMs = 60_000
const nowMs = ref(Date.now())
const tick = setInterval(() => (nowMs.value = Date.now()), 1000)
onBeforeUnmount(() => clearInterval(tick))

const last = (key: string): number | undefined =>
  props.records.findLast(({ stepKey }) => stepKey === key)?.actual ?? undefined
const emulsionMin = computed(() => last(clockKeys.emulsion))
const sinceMin = computed(() =>
  emulsionMin.value === undefined ? undefined : Math.max(0, nowMs.value / minuteMs - emulsionMin.value),
)
const fellBackAtMin = computed(() => last(clockKeys.fallback))

const timing = computed(() => timingOf(props.view.plan, props.records))
const batter = computed(() => timing.value?.batter ?? batterConditions(props.view.plan))
const timings = useTimedPours()
const planned = computed(() => props.design?.pourPlan ?? [])
const working = useWorking(
  () => planned.value,
  () => batter.value,
  () => (props.mould ? sectionOf(props.mould) : usualSection),
  // This pour does not foretell itself.
  () => timings.value.filter(({ batchId }) => batchId !== props.view.batch.id),
)
const lines = computed(() => (fellBackAtMin.value === undefined ? planned.value : working.fallback.value.lines))
const estimate = computed(() => {
  const seen = estimateAfterSeen(working.estimate.value, timing.value?.seen ?? [])
  const notYet = last(clockKeys.tooThick) === undefined ? notYetOf(props.records, planned.value) : undefined
  return notYet ? estimateNotYet(seen, notYet) : seen
})
const done = computed(() => new Set(props.records.flatMap(({ stepKey }) => moveOfKey(stepKey) ?? [])))
const nextIndex = computed(() => {
  if (fellBackAtMin.value !== undefined) return 0
  const at = lines.value.findIndex((_, index) => !done.value.has(index))
  return at < 0 ? lines.value.length : at
})
const left = computed(() => windowLeft(estimate.value, sinceMin.value ?? 0))
const looks = computed(() => traceAt(thickenedAt(sinceMin.value ?? 0, estimate.value.thickening)))
/** Of the moves that are left, from now on. */
const chance = computed(() =>
  chanceToFinish(lines.value.slice(nextIndex.value), estimate.value, sinceMin.value ?? 0, batter.value.paces),
)
const minutes = (value: number): string => value.toFixed(0)
/** "4 to 9", or "1" where both ends read alike. */
const leftWords = computed(() => {
  const [from, until] = [minutes(left.value.fromMin), minutes(left.value.untilMin)]
  return from === until ? until : `${from} to ${until}`
})

async function tap(stepKey: string): Promise<void> {
  nowMs.value = Date.now()
  const actual = stepKey === clockKeys.emulsion ? nowMs.value / minuteMs : (sinceMin.value ?? 0)
  await props.record({ stepKey, actual: roundTo(actual, 3) })
}
async function moveDone(index: number): Promise<void> {
  await tap(clockMoveKey(index))
  emit('moved', index)
}
const taps = [
  { key: clockKeys.thin, words: 'Thin' },
  { key: clockKeys.medium, words: 'Medium' },
  { key: clockKeys.stillFlows, words: 'Still flows' },
  { key: clockKeys.tooThick, words: 'Too thick' },
] as const
</script>

<template>
  <section v-if="planned.length > 0" class="clock" aria-label="The pour’s clock" data-test="pour-clock">
    <template v-if="sinceMin === undefined">
      <v-btn class="tap wide" variant="tonal" data-test="emulsion-now" @click="tap(clockKeys.emulsion)"
        >Emulsion now</v-btn
      >
      <span class="quiet"> starts the clock: the batter waits {{ leftWords }} min (estimate) </span>
    </template>
    <template v-else>
      <div class="window">
        <b class="face">{{ clockFace(sinceMin * minuteMs) }}</b>
        <span data-test="window">
          <template v-if="left.untilMin > 0">{{ leftWords }} min left, {{ chanceWords(chance) }} to finish</template>
          <template v-else>its time is over</template>
          <small>about {{ looks ? `${amid(traceWords[looks])} by now` : 'too thick by now' }} (estimate)</small>
        </span>
      </div>
      <div class="taps">
        <v-btn
          v-for="one in taps"
          :key="one.key"
          class="tap"
          :variant="last(one.key) === undefined ? 'tonal' : 'flat'"
          :color="last(one.key) === undefined ? undefined : 'brass'"
          :data-test="one.key"
          @click="tap(one.key)"
          >{{ one.words }}</v-btn
        >
      </div>
      <div v-if="fellBackAtMin === undefined" class="taps">
        <v-btn
          v-if="nextIndex < lines.length"
          class="tap wide"
          variant="tonal"
          data-test="move-done"
          @click="moveDone(nextIndex)"
          >{{ nextIndex + 1 }}. {{ kindWords[lines[nextIndex]?.kind ?? 'level'] }}: done</v-btn
        >
        <span v-else class="quiet">All moves are done.</span>
        <v-btn class="tap" variant="tonal" color="must" data-test="take-fallback" @click="tap(clockKeys.fallback)"
          >Fall back: {{ amid(techniqueWords[working.fallback.value.technique]) }}</v-btn
        >
      </div>
      <p v-else class="fell" data-test="fell-back">
        Fallen back at {{ clockFace(fellBackAtMin * minuteMs) }} to
        {{ amid(techniqueWords[working.fallback.value.technique]) }}:
        {{ lines.map(({ kind }) => amid(kindWords[kind])).join(', ') }}. Knock the air out hard.
      </p>
    </template>
  </section>
</template>

<style scoped>
.clock {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 18px;
  align-items: center;
  margin-bottom: 18px;
  padding: 12px 16px;
  border-radius: 6px;
  background: rgb(var(--v-theme-surface));
}

.window {
  display: flex;
  gap: 14px;
  align-items: baseline;
  font-size: 1.15rem;
}

.window small {
  display: block;
  color: rgb(var(--v-theme-quiet));
}

.face {
  font-family: var(--serif);
  font-size: 2rem;
}

.taps {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}

.tap {
  height: 56px !important;
  min-width: 96px;
  font-size: 1.05rem;
}

.fell {
  font-size: 1.15rem;
}
</style>
