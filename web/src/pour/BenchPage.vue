<script setup lang="ts">
import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import { useAwake } from '@/parts/useAwake'
import { useKeptFields } from '@/parts/useKeptFields'
import type { SessionStep } from '@vendange/core/batch'
import { emulsionStepKey, minutesLeft, moveOfStep } from '@vendange/core/batch'
import { isRefused } from '@vendange/core/findings'
import { amid, cautionWords } from '@vendange/words'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import BenchAhead from './BenchAhead.vue'
import BenchEntry from './BenchEntry.vue'
import BenchFigure from './BenchFigure.vue'
import BenchFoot from './BenchFoot.vue'
import BenchSteps from './BenchSteps.vue'
import BenchTimers from './BenchTimers.vue'
import MovePicture from './MovePicture.vue'
import { useMovePictures } from './useMovePictures'
import LotChoice from './LotChoice.vue'
import PourClock from './PourClock.vue'
import { useBench } from './useBench'
import { useBenchKeys } from './useBenchKeys'
import { useBenchTimers } from './useBenchTimers'
import { usePartWeighing } from './usePartWeighing'
import { useStepReading } from './useStepReading'
import { useStepTaking } from './useStepTaking'

const props = defineProps<{ id: string }>()
const season = useSeason()
const router = useRouter()
const { show, say } = useUnits()
const { view, state, records, trouble, notSaved, refusal, fieldError, keptKeys, record, finish } = useBench(props.id)
const timers = useBenchTimers(props.id)
useAwake()

const shown = ref(0)
const lotId = ref<string>()
const entry = ref<InstanceType<typeof BenchEntry>>()
watch(
  () => state.value?.nextIndex,
  (next, before) => {
    if (next === undefined) return
    // What was typed before the page was left stands there again, where it is still its turn.
    const isBack = before === undefined && typed.value !== '' && state.value?.steps[next]?.key === typedFor.value
    if (isBack) shown.value = next
    else go(next - shown.value)
  },
)

const step = computed<SessionStep | undefined>(() => state.value?.steps[shown.value])
/** Of a step that is split, what goes into the vessel at hand. */
const weighing = usePartWeighing(step, () => season.workshop?.scaleResolutionG ?? 1)
const planned = computed(() => season.plan.find(({ id }) => id === props.id)?.demand)
const isLast = computed(() => state.value !== undefined && state.value.nextIndex >= state.value.steps.length)
const movePictures = useMovePictures(() => view.value)
const moveIndex = computed(() => (step.value ? moveOfStep(step.value.key) : undefined))
/** From the last weighing of the lye on the clock is at hand; before it would only be in the way. */
const isNearThePour = computed(() => {
  const steps = state.value?.steps ?? []
  const emulsion = steps.findIndex(({ key }) => key === emulsionStepKey)
  return (state.value?.nextIndex ?? 0) >= emulsion
})
const isPoured = computed(() => view.value?.batch.status === 'poured')
const stock = computed(() => view.value?.stock.find(({ stepKey }) => stepKey === step.value?.key))

const reading = useStepReading(
  computed(() => (isLast.value ? undefined : step.value)),
  weighing,
)
const { isConnected, typed } = reading
/** The step that the typed figure is of: it is no other step's. */
const typedFor = ref('')
useKeptFields(`bench:${props.id}`, { typed, typedFor })
watch(typed, (now) => (typedFor.value = now === '' ? '' : (step.value?.key ?? '')))

const partWords = computed(() =>
  weighing.isSplit.value && step.value?.kind === 'weigh'
    ? `part ${weighing.taken.value.length + 1} of ${weighing.parts.value}`
    : undefined,
)

const { isTaking, done, clockedMove, doneUnweighed } = useStepTaking({
  bench: { state, records, record },
  step,
  weighing,
  reading,
  lotId,
  focusEntry: () => entry.value?.focus(),
})

async function finishPour(): Promise<void> {
  if (!(await finish())) return
  await season.load()
  await router.push('/cut')
}

function go(by: number): void {
  const last = (state.value?.steps.length ?? 1) - 1
  shown.value = Math.min(Math.min(last, state.value?.nextIndex ?? 0), Math.max(0, shown.value + by))
  reading.forget()
  lotId.value = undefined
}

useBenchKeys({
  go,
  take: () => void done(),
  tare: () => void reading.command('tare'),
  isConnected: () => isConnected.value,
  isInEmptyField: ({ target }) => typed.value === '' && (entry.value?.contains(target) ?? false),
})

const message = computed(() => reading.problem.value ?? fieldError.value)
const stateFindings = computed(() => (state.value ? state.value.findings : []))
const isStopped = computed(() => isRefused(stateFindings.value))
</script>

<template>
  <v-theme-provider theme="night" with-background class="bench">
    <template v-if="view && state">
      <BenchSteps
        :plan="view.plan"
        :soap="season.design(view.batch.designId)"
        :state="state"
        :kept="keptKeys"
        :shown="shown"
        :to="`/pour/${id}`"
        @show="go($event - shown)"
      />

      <div class="work">
        <BenchTimers :timers="timers" />
        <PourClock
          v-if="!isPoured && isNearThePour"
          :view="view"
          :records="records"
          :design="season.design(view.batch.designId)"
          :mould="season.mould(view.batch.mouldId)"
          :record="record"
          @moved="clockedMove"
        />
        <p v-for="one in [trouble, notSaved, refusal].filter(Boolean)" :key="one" class="trouble" role="alert">
          {{ one }}
        </p>
        <template v-if="step && !isLast">
          <header>
            <h1>{{ say(step.title) }}</h1>
            <span class="count" data-test="bench-count">step {{ shown + 1 }} of {{ state.steps.length }}</span>
          </header>
          <p v-if="step.caution" class="caution">{{ cautionWords[step.caution] }}</p>
          <BenchFigure
            v-if="step.kind !== 'tick'"
            :step="step"
            :target="weighing.target.value"
            :part="partWords"
            :under-way="reading.underWay.value"
            :to-go="reading.toGoWords.value"
            :live="isConnected ? reading.liveWords.value : undefined"
          />
          <BenchEntry
            v-if="step.kind !== 'tick'"
            ref="entry"
            v-model="typed"
            :step="step"
            :target="weighing.target.value"
            :reading="reading"
            :has-error="message !== undefined"
            @done="done"
            @unweighed="doneUnweighed"
          />
          <p v-if="message" class="trouble" role="alert">{{ message }}</p>
          <LotChoice v-if="stock" v-model="lotId" :stock="stock" />
          <div class="how">
            <p v-if="step.detail" class="detail">{{ say(step.detail) }}</p>
            <MovePicture
              v-if="moveIndex !== undefined"
              :picture="movePictures[moveIndex]"
              :number="moveIndex + 1"
              :most-px="320"
            />
          </div>
          <div v-if="step.wait" class="wait">
            <v-btn variant="tonal" data-test="start-timer" @click="timers.start(step.wait.minutes, say(step.wait.what))"
              >Ring in {{ step.wait.minutes }} min: {{ amid(say(step.wait.what)) }}</v-btn
            >
          </div>
        </template>
        <template v-else>
          <header>
            <h1>{{ isPoured ? 'Poured. Its loaves have their lot codes.' : 'Every step is done.' }}</h1>
          </header>
          <p class="detail">
            Superfat as weighed: {{ show('share', state.band.likely) }}, between
            {{ show('share', state.band.worst) }} and {{ show('share', state.band.best) }} over the fats’ natural span.
          </p>
        </template>

        <div class="notes" role="status" data-test="bench-notes">
          <p v-for="finding in stateFindings" :key="finding.code" :class="finding.severity">
            {{ say(finding) }}
          </p>
        </div>

        <BenchAhead
          v-if="!isLast"
          :state="state"
          :shown="shown"
          :name="view.plan.designName"
          :soap="season.design(view.batch.designId)"
          :pictures="movePictures"
          :minutes-left="planned && minutesLeft(state, planned.prepHours + planned.pourHours)"
        />

        <BenchFoot
          :has-step-before="shown > 0 && !isLast"
          :stage="!isLast ? 'step' : isPoured ? 'poured' : 'done'"
          :take-words="reading.doneLabel.value"
          :is-taking="isTaking"
          :may-finish="!isStopped && keptKeys.size === 0"
          @back="go(-1)"
          @take="done"
          @finish="finishPour"
        />
      </div>
    </template>
    <div v-else class="work">
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    </div>
  </v-theme-provider>
</template>

<style scoped>
.bench {
  display: flex;
  height: 100vh;
}

.work {
  display: flex;
  flex: 1;
  flex-direction: column;
  min-width: 0;
  padding: 44px 56px 0;
  overflow-y: auto;
}

header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 24px;
}

h1 {
  font-size: 2.6rem;
  line-height: 1.15;
}

.count {
  font-size: 1.15rem;
  white-space: nowrap;
  color: rgb(var(--v-theme-quiet));
}

.detail {
  margin-top: 18px;
  font-size: 1.35rem;
  max-width: 44ch;
}

.how {
  display: flex;
  gap: 32px;
  align-items: flex-start;
}

.how img {
  margin-top: 18px;
}

.caution {
  margin-top: 18px;
  padding: 12px 18px;
  border-left: 4px solid rgb(var(--v-theme-must));
  background: rgb(var(--v-theme-surface));
  font-size: 1.15rem;
}

.wait {
  margin-top: 16px;
}

.notes {
  display: flex;
  flex-direction: column;
  gap: 8px;
  margin-top: auto;
  padding-top: 20px;
}

.notes p {
  padding: 10px 18px;
  border-left: 4px solid rgb(var(--v-theme-brass));
  background: rgb(var(--v-theme-surface));
  font-size: 1.15rem;
}

.notes .refuse,
.trouble {
  border-left: 4px solid rgb(var(--v-theme-must));
}

.trouble {
  margin: 12px 0;
  padding: 10px 18px;
  background: rgb(var(--v-theme-surface));
  font-size: 1.15rem;
}

@media (max-width: 1199px) {
  .bench :deep(.v-btn.v-btn) {
    min-height: 56px;
  }
}

@media (max-width: 900px) {
  .work {
    padding: 24px;
  }
}

/* Read at arm's length: a tablet that stands upright has the room. */
@media (min-width: 600px) and (max-width: 900px) and (min-height: 1000px) {
  h1 {
    font-size: 3.4rem;
  }

  .detail {
    font-size: 1.75rem;
  }
}

@media (max-width: 599px) {
  .bench {
    height: 100dvh;
  }

  .work {
    padding: 18px 16px 0;
  }

  header {
    flex-direction: column-reverse;
    gap: 4px;
  }

  h1 {
    font-size: 2rem;
  }

  .how {
    flex-wrap: wrap;
    gap: 0;
  }
}
</style>
