<script setup lang="ts">
import { useUnits } from '@/parts/format'
import { isTyping } from '@/parts/keyboard'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import type { BenchStep } from '@vendange/core/batch'
import { shareDone, toGo } from '@vendange/core/batch'
import { isRefused } from '@vendange/core/findings'
import { parseQuantity } from '@vendange/core/units'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useBench } from './useBench'

const props = defineProps<{ id: string }>()
const season = useSeason()
const router = useRouter()
const { show, weighed, unitOf } = useUnits()
const { view, state, trouble, fieldError, pending, isSending, record, finish } = useBench(props.id)

const shown = ref(0)
const typed = ref('')
const typedError = ref<string>()
const list = ref<HTMLElement>()
watch(
  () => state.value?.nextIndex,
  (next) => {
    if (next === undefined) return
    shown.value = next
    typed.value = ''
    typedError.value = undefined
    void nextTick(() => list.value?.querySelector('.now')?.scrollIntoView({ block: 'center' }))
  },
)

const step = computed<BenchStep | undefined>(() => state.value?.steps[shown.value])
const isLast = computed(() => state.value !== undefined && state.value.nextIndex >= state.value.steps.length)
const isPoured = computed(() => view.value?.batch.status === 'poured')
const kind = computed(() => (step.value?.kind === 'temperature' ? 'temperature' : 'mass'))
const figure = (of: BenchStep, value: number | null): string =>
  value === null ? '' : of.kind === 'temperature' ? show('temperature', value) : weighed(value)

/** The figure asked for, its unit set smaller. */
const figureParts = computed(() => {
  const [number = '', unit = ''] = step.value ? figure(step.value, step.value.target).split(' ') : []
  return { number, unit }
})

/** What "done" would record: what was typed, else the figure asked for. */
const reading = computed(() => {
  if (!step.value || step.value.kind === 'tick') return null
  if (typed.value.trim() === '') return step.value.actual ?? step.value.target
  const unit = unitOf(kind.value)
  const parsed = parseQuantity(kind.value, typed.value, unit === undefined ? {} : { unit })
  return parsed.ok ? parsed.value : undefined
})
const doneLabel = computed(() => {
  if (!step.value) return ''
  if (step.value.kind === 'tick') return step.value.done ? 'Done already' : 'Done'
  if (reading.value === undefined || reading.value === null) return 'Take it'
  return `Take ${figure(step.value, reading.value)}`
})

async function done(): Promise<void> {
  if (!step.value || isSending.value || pending.value) return
  const unit = unitOf(kind.value)
  if (step.value.kind !== 'tick' && typed.value.trim() !== '') {
    const parsed = parseQuantity(kind.value, typed.value, unit === undefined ? {} : { unit })
    typedError.value = parsed.ok ? undefined : parsed.message
    if (!parsed.ok) return
  }
  await record({ stepKey: step.value.key, actual: reading.value ?? null })
}

async function finishPour(): Promise<void> {
  if (!(await finish())) return
  await season.load()
  await router.push('/cut')
}

function go(by: number): void {
  const last = (state.value?.steps.length ?? 1) - 1
  shown.value = Math.min(Math.min(last, state.value?.nextIndex ?? 0), Math.max(0, shown.value + by))
  typed.value = ''
  typedError.value = undefined
}

function press(event: KeyboardEvent): void {
  if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return
  if (event.key === 'ArrowLeft') go(-1)
  else if (event.key === 'ArrowRight') go(1)
  else if (event.key === ' ') {
    event.preventDefault()
    void done()
  }
}
onMounted(() => window.addEventListener('keydown', press))
onBeforeUnmount(() => window.removeEventListener('keydown', press))

const message = computed(() => typedError.value ?? fieldError.value)
const stateFindings = computed(() => (state.value ? state.value.findings : []))
const isStopped = computed(() => isRefused(stateFindings.value))
</script>

<template>
  <v-theme-provider theme="night" with-background class="bench">
    <template v-if="view && state">
      <aside ref="list" class="list" tabindex="0" aria-label="Steps of this pour">
        <RouterLink class="head plain" :to="`/pour/${id}`">
          <SoapFace :name="view.plan.designName" :colours="view.plan.colours" :width="92" :height="64" />
          <div>
            <b class="serif">{{ view.plan.designName }}</b>
            <span>{{ view.plan.mouldName }} · {{ view.plan.barsPlanned }} bars</span>
          </div>
        </RouterLink>
        <template v-for="(one, index) in state.steps" :key="one.key">
          <p v-if="one.group !== state.steps[index - 1]?.group" class="eyebrow">{{ one.group }}</p>
          <button
            class="item"
            :class="{ now: index === shown, done: one.done }"
            :disabled="index > state.nextIndex"
            :aria-current="index === shown ? 'step' : undefined"
            @click="go(index - shown)"
          >
            <span class="mark" aria-hidden="true">{{ one.done ? '✓' : index === shown ? '▸' : '' }}</span>
            <span class="what">{{ one.name }}</span>
            <span class="mass">
              <template v-if="one.done && one.planned !== null && one.actual !== one.planned"
                >{{ figure(one, one.planned) }} →
              </template>
              <template v-else-if="!one.done && one.target !== one.planned">{{ figure(one, one.planned) }} → </template>
              {{ figure(one, one.done ? one.actual : one.target) }}
            </span>
          </button>
        </template>
      </aside>

      <main class="work">
        <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
        <template v-if="step && !isLast">
          <header>
            <h1>{{ step.title }}</h1>
            <span class="count">step {{ shown + 1 }} of {{ state.steps.length }}</span>
          </header>
          <div v-if="step.kind !== 'tick' && step.target !== null" class="figure">
            <b data-test="target"
              >{{ figureParts.number }} <small>{{ figureParts.unit }}</small></b
            >
            <span v-if="step.planned !== step.target" class="planned">planned {{ figure(step, step.planned) }}</span>
            <span
              v-if="step.kind === 'weigh' && reading !== null && reading !== undefined && typed !== ''"
              class="togo"
              >{{
                toGo(step.target, reading) < 0
                  ? `${weighed(-toGo(step.target, reading))} over`
                  : toGo(step.target, reading) > 0
                    ? `${weighed(toGo(step.target, reading))} to go`
                    : 'just right'
              }}</span
            >
          </div>
          <div v-if="step.kind === 'weigh'" class="track" aria-hidden="true">
            <i
              :style="{
                width: `${shareDone(step.target ?? 0, typed === '' ? (step.actual ?? 0) : (reading ?? 0)) * 100}%`,
              }"
            />
          </div>
          <p v-if="step.detail" class="detail">{{ step.detail }}</p>
          <p v-if="step.caution" class="caution">{{ step.caution }}</p>
          <div v-if="step.kind !== 'tick'" class="entry">
            <v-text-field
              v-model="typed"
              :label="step.kind === 'temperature' ? 'The probe shows' : 'The scale shows'"
              :placeholder="figure(step, step.target)"
              :error="message !== undefined"
              density="comfortable"
              autocomplete="off"
              inputmode="decimal"
              data-test="reading"
              @keydown.enter="done"
            />
          </div>
          <p v-if="message" class="trouble" role="alert">{{ message }}</p>
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
          <p v-for="finding in stateFindings" :key="finding.message" :class="finding.severity">{{ finding.message }}</p>
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
            :loading="isSending"
            :disabled="pending !== undefined && !isSending"
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
            :disabled="isStopped"
            data-test="finish"
            @click="finishPour"
            >Finish the pour</v-btn
          >
          <v-btn class="big" variant="tonal" to="/pour">Leave</v-btn>
        </footer>
      </main>
    </template>
    <main v-else class="work">
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    </main>
  </v-theme-provider>
</template>

<style scoped>
.bench {
  display: flex;
  height: 100vh;
}

.list {
  flex: none;
  width: 348px;
  padding: 22px 18px 30px;
  overflow-y: auto;
  background: rgb(0 0 0 / 22%);
}

.head {
  display: flex;
  gap: 14px;
  align-items: center;
  margin-bottom: 14px;
}

.head div {
  display: flex;
  flex-direction: column;
  font-size: 0.95rem;
}

.head b {
  font-size: 1.35rem;
}

.eyebrow {
  margin: 14px 0 2px 10px;
}

.item {
  display: flex;
  gap: 8px;
  align-items: center;
  width: 100%;
  min-height: 44px;
  padding: 4px 10px;
  border-radius: 4px;
  text-align: left;
  font-size: 1.05rem;
  color: rgb(var(--v-theme-quiet));
}

.item:not(:disabled) {
  cursor: pointer;
}

.item.now {
  background: rgb(var(--v-theme-surface));
  color: rgb(var(--v-theme-on-surface));
  font-weight: 700;
}

.mark {
  width: 18px;
  color: rgb(var(--v-theme-vine));
}

.now .mark {
  color: rgb(var(--v-theme-brass));
}

.what {
  flex: 1;
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

.figure {
  display: flex;
  align-items: baseline;
  gap: 28px;
  margin-top: 10px;
  font-size: 1.7rem;
}

.figure b {
  font-family: var(--serif);
  font-size: 7.4rem;
  line-height: 1.2;
  font-weight: 600;
  white-space: nowrap;
}

.figure small {
  margin-left: -0.3em;
  font-size: 0.42em;
}

.planned {
  color: rgb(var(--v-theme-quiet));
}

.togo {
  color: rgb(var(--v-theme-brass));
}

.track {
  flex: none;
  height: 14px;
  margin-top: 6px;
  border-radius: 7px;
  background: rgb(var(--v-theme-surface-variant));
  overflow: hidden;
}

.track i {
  display: block;
  height: 100%;
  background: rgb(var(--v-theme-brass));
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

.entry {
  flex: none;
  margin-top: 26px;
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
  .list {
    display: none;
  }

  .work {
    padding: 24px;
  }
}
</style>
