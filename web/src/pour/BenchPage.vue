<script setup lang="ts">
import { useUnits } from '@/parts/format'
import { isTyping } from '@/parts/keyboard'
import { useSeason } from '@/parts/seasonStore'
import StandInPanel from '@/parts/StandInPanel.vue'
import type { SessionStep } from '@vendange/core/batch'
import { emulsionStepKey } from '@vendange/core/batch'
import { isRefused } from '@vendange/core/findings'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import BenchFigure from './BenchFigure.vue'
import BenchSteps from './BenchSteps.vue'
import BenchTimers from './BenchTimers.vue'
import LotChoice from './LotChoice.vue'
import PourClock from './PourClock.vue'
import { useBench } from './useBench'
import { useBenchTimers } from './useBenchTimers'
import { usePartWeighing } from './usePartWeighing'
import { useStepFigure } from './useStepFigure'
import { useStepReading } from './useStepReading'
import { cautionWords } from '@vendange/words'

const props = defineProps<{ id: string }>()
const season = useSeason()
const router = useRouter()
const { show, say } = useUnits()
const figure = useStepFigure()
const { view, state, records, trouble, notSaved, refusal, fieldError, keptKeys, record, finish } = useBench(props.id)
const timers = useBenchTimers(props.id)

const shown = ref(0)
const isTaking = ref(false)
const lotId = ref<string>()
const readingField = ref<HTMLElement>()
const readingBox = ref<HTMLElement>()
watch(
  () => state.value?.nextIndex,
  (next) => {
    if (next !== undefined) go(next - shown.value)
  },
)

const step = computed<SessionStep | undefined>(() => state.value?.steps[shown.value])
/** Of a step that is split, what goes into the vessel at hand. */
const weighing = usePartWeighing(step, () => season.workshop?.scaleResolutionG ?? 1)
const isLast = computed(() => state.value !== undefined && state.value.nextIndex >= state.value.steps.length)
/** From the last weighing of the lye on the clock is at hand; before it would only be in the way. */
const isNearThePour = computed(() => {
  const steps = state.value?.steps ?? []
  const emulsion = steps.findIndex(({ key }) => key === emulsionStepKey)
  return (state.value?.nextIndex ?? 0) >= emulsion
})
const isPoured = computed(() => view.value?.batch.status === 'poured')
const stock = computed(() => view.value?.stock.find(({ stepKey }) => stepKey === step.value?.key))

const {
  typed,
  isTyped,
  problem,
  instrument,
  live,
  liveWords,
  reading,
  underWay,
  toGoWords,
  doneLabel,
  canTake,
  forget,
} = useStepReading(
  computed(() => (isLast.value ? undefined : step.value)),
  weighing,
)

const partWords = computed(() =>
  weighing.isSplit.value && step.value?.kind === 'weigh'
    ? `part ${weighing.taken.value.length + 1} of ${weighing.parts.value}`
    : undefined,
)

async function done(): Promise<void> {
  const now = step.value
  if (!now || isTaking.value) return
  if (!canTake()) {
    if (!instrument.isConnected.value) readingField.value?.focus()
    return
  }
  isTaking.value = true
  const wasTyped = isTyped.value
  try {
    const actual = now.kind === 'weigh' ? weighing.take(reading.value ?? 0) : (reading.value ?? null)
    const chosen = lotId.value === undefined ? {} : { lotId: lotId.value }
    const taken = actual === undefined || (await record({ stepKey: now.key, actual, ...chosen }))
    if (actual === undefined) typed.value = ''
    // The vessel stays on the pan: the next weighing starts from zero.
    if (taken && now.kind === 'weigh' && instrument.isConnected.value && !wasTyped)
      await instrument.command('tare', 'scale')
  } finally {
    isTaking.value = false
  }
}

async function finishPour(): Promise<void> {
  if (!(await finish())) return
  await season.load()
  await router.push('/cut')
}

function go(by: number): void {
  const last = (state.value?.steps.length ?? 1) - 1
  shown.value = Math.min(Math.min(last, state.value?.nextIndex ?? 0), Math.max(0, shown.value + by))
  forget()
  lotId.value = undefined
}

/** In the empty field of the reading the arrows have nothing to move over: they lead from step to step there too. */
const isFree = (event: KeyboardEvent): boolean =>
  !isTyping(event) ||
  (event.key.startsWith('Arrow') && typed.value === '' && !!readingBox.value?.contains(event.target as Node))

function press(event: KeyboardEvent): void {
  if (!isFree(event) || event.ctrlKey || event.metaKey || event.altKey) return
  if (event.key === 'ArrowLeft') go(-1)
  else if (event.key === 'ArrowRight') go(1)
  else if (event.key === ' ' || (event.key.toLowerCase() === 'w' && instrument.isConnected.value)) {
    event.preventDefault()
    void done()
  } else if (event.key.toLowerCase() === 't' && instrument.isConnected.value) void instrument.command('tare')
}
onMounted(() => window.addEventListener('keydown', press))
onBeforeUnmount(() => window.removeEventListener('keydown', press))

const message = computed(() => problem.value ?? fieldError.value)
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
        />
        <p v-for="one in [trouble, notSaved, refusal].filter(Boolean)" :key="one" class="trouble" role="alert">
          {{ one }}
        </p>
        <template v-if="step && !isLast">
          <header>
            <h1>{{ say(step.title) }}</h1>
            <span class="count">step {{ shown + 1 }} of {{ state.steps.length }}</span>
          </header>
          <BenchFigure
            v-if="step.kind !== 'tick'"
            :step="step"
            :target="weighing.target.value"
            :part="partWords"
            :under-way="underWay"
            :to-go="toGoWords"
            :live="instrument.isConnected.value ? liveWords : undefined"
          />
          <LotChoice v-if="stock" v-model="lotId" :stock="stock" />
          <p v-if="step.detail" class="detail">{{ say(step.detail) }}</p>
          <p v-if="step.caution" class="caution">{{ cautionWords[step.caution] }}</p>
          <div v-if="step.kind !== 'tick'" ref="readingBox" class="entry">
            <v-text-field
              ref="readingField"
              v-model="typed"
              :label="step.kind === 'temperature' ? 'The probe shows' : 'The scale shows'"
              :placeholder="figure(step, weighing.target.value)"
              :error="message !== undefined"
              density="comfortable"
              autocomplete="off"
              inputmode="decimal"
              data-test="reading"
              @keydown.enter="done"
            />
            <v-btn
              variant="text"
              size="small"
              data-test="connect"
              @click="instrument.isConnected.value = !instrument.isConnected.value"
              >{{
                instrument.isConnected.value
                  ? 'Type it instead'
                  : `Read it from the simulated ${step.kind === 'weigh' ? 'scale' : 'probe'}`
              }}</v-btn
            >
          </div>
          <StandInPanel
            v-if="step.kind !== 'tick' && instrument.isConnected.value"
            :name="step.kind === 'weigh' ? 'scale' : 'probe'"
            :target="weighing.target.value"
            :shown-g="live ?? 0"
            @command="(line) => instrument.command(line)"
          />
          <p v-if="message" class="trouble" role="alert">{{ message }}</p>
          <div v-if="step.wait" class="wait">
            <v-btn variant="tonal" data-test="start-timer" @click="timers.start(step.wait.minutes, say(step.wait.what))"
              >Ring in {{ step.wait.minutes }} min: {{ say(step.wait.what).toLowerCase() }}</v-btn
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

        <div class="notes" role="status">
          <p v-for="finding in stateFindings" :key="finding.code" :class="finding.severity">
            {{ say(finding) }}
          </p>
        </div>

        <footer>
          <v-btn class="big" variant="tonal" :disabled="shown === 0 || isLast" aria-label="Step before" @click="go(-1)"
            >← Back</v-btn
          >
          <v-btn
            v-if="!isLast"
            class="big main"
            color="brass"
            variant="flat"
            :loading="isTaking"
            data-test="done"
            @click="done"
            >{{ doneLabel }}</v-btn
          >
          <v-btn v-else-if="isPoured" class="big main" color="brass" variant="flat" to="/cut">To the cut</v-btn>
          <v-btn
            v-else
            class="big main"
            color="brass"
            variant="flat"
            :disabled="isStopped || keptKeys.size > 0"
            data-test="finish"
            @click="finishPour"
            >Finish the pour</v-btn
          >
          <v-btn class="big" variant="tonal" to="/pour">Leave</v-btn>
        </footer>
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

.entry {
  display: flex;
  flex: none;
  gap: 16px;
  align-items: center;
  margin-top: 22px;
}

.entry :deep(.v-text-field) {
  max-width: 420px;
}

.entry :deep(input) {
  min-height: 60px;
  font-size: 1.7rem;
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

footer {
  position: sticky;
  bottom: 0;
  display: flex;
  gap: 18px;
  padding: 22px 0 32px;
  background: rgb(var(--v-theme-background));
}

.big {
  height: 84px !important;
  min-width: 150px;
  font-size: 1.3rem;
}

.main {
  flex: 1;
}

@media (max-width: 900px) {
  .work {
    padding: 24px;
  }
}
</style>
