<script setup lang="ts">
import { runChange } from '@/parts/runChange'
import { api } from '@/parts/api'
import FindingList from '@/parts/FindingList.vue'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import { usePromises } from '@/parts/promiseStore'
import { useUndo } from '@/parts/undoStore'
import type { PlanningRun } from '@/workers/seasonPlanner'
import { planInWorker } from '@/workers/seasonPlanner'
import type { AcceptedPlan } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { addDays, formatDay } from '@vendange/core/calendar'
import type { Finding } from '@vendange/core/findings'
import { warn } from '@vendange/core/findings'
import PlanFiguresTable from './PlanFiguresTable.vue'
import { planFoundSentence } from './plannerWords'
import type { DatedSeason, SeasonPlan } from '@vendange/core/season'
import {
  OpenSeason,
  checkPlan,
  leastLateDays,
  noDayFindings,
  soapsWithoutDay,
  planChanges,
  planFigures,
  seasonToPlan,
  unplannedPrefix,
  violationFinding,
  withoutRepeats,
} from '@vendange/core/season'
import { counted } from '@vendange/words'
import { computed, onBeforeUnmount, ref, shallowRef } from 'vue'
import { useUnits } from '@/parts/format'

/** Plans the season in a worker and shows the plan beside the one that stands, before anything is changed. */
const emit = defineEmits<{ close: [] }>()
const props = defineProps<{
  /** `free`: the best plan; `few`: the one with the fewest changes that mends what is broken. */
  way: 'free' | 'few'
}>()
const season = useSeason()
const { say } = useUnits()
const undo = useUndo()
const promises = usePromises()

const dated = shallowRef<DatedSeason>()
const proposed = shallowRef<SeasonPlan>()
const done = ref(0)
const cost = ref<number>()
const isRunning = ref(false)
let run: PlanningRun | undefined

async function start(): Promise<void> {
  if (!season.view) return
  const toPlan = seasonToPlan(season.view)
  dated.value = toPlan
  isRunning.value = true
  // A pin outside the season is a fact that no plan can hold; it stays where it is.
  const isInside = ({ pour, cut }: { pour: number; cut: number }): boolean =>
    pour >= 0 && cut > pour && cut < toPlan.problem.days
  run = planInWorker(
    toPlan.problem,
    {
      pinned: toPlan.pinned.filter(isInside),
      current: props.way === 'few' ? toPlan.placements.filter(isInside) : [],
    },
    (progress) => {
      done.value = progress.done
      cost.value = progress.cost
    },
  )
  proposed.value = await run.plan
  isRunning.value = false
}
void start()
onBeforeUnmount(() => run?.stop())

/** The proposed plan held against the rules. */
const check = computed(() => {
  const now = dated.value
  return now && proposed.value && checkPlan(now.problem, proposed.value)
})
const figures = computed(() => {
  const now = dated.value
  const plan = proposed.value
  if (!now || !plan || !check.value) return undefined
  const planned = { ...now.problem, batches: now.problem.batches.filter(({ id }) => !id.startsWith(unplannedPrefix)) }
  const standing = { pours: now.placements }
  return {
    before: planFigures(planned, standing, checkPlan(planned, standing)),
    after: planFigures(now.problem, plan, check.value),
  }
})
/** Of the soaps that have a day in it. */
const leastLate = computed(() => {
  const planned = new Set(proposed.value?.pours.map(({ id }) => id))
  const { problem } = dated.value ?? {}
  return problem ? leastLateDays({ ...problem, batches: problem.batches.filter(({ id }) => planned.has(id)) }) : 0
})
const dayOf = (day: number): string => addDays(dated.value?.firstDay ?? season.today, day)
const changes = computed(() => {
  const now = dated.value
  const plan = proposed.value
  if (!now || !plan) return []
  const before = checkPlan(now.problem, { pours: now.placements })
  return planChanges(now.placements, plan.pours, before, now, season.mouldNames)
})
/** Soaps that the plan leaves without a day, each with why. */
const withoutDay = computed(() => {
  const planned = new Set(proposed.value?.pours.map(({ id }) => id))
  return season.view && proposed.value ? soapsWithoutDay(season.view, planned) : []
})
const whyNoDay = computed(() => {
  const now = dated.value
  if (!now || !proposed.value) return []
  // As the plan has it: the others stand on their new days.
  const open = new OpenSeason({ ...now, placements: proposed.value.pours })
  return withoutDay.value.flatMap(({ designId, name, why }): readonly Finding[] => {
    if (why !== 'no_free_day') return [warn('no_day_for', { why, soap: name })]
    const found = noDayFindings(open, unplannedPrefix + designId, season.mouldNames)
    return found.length > 0 ? found : [warn('missing', { soap: name })]
  })
})
const troubles = computed(() => {
  const now = dated.value
  if (!now || !check.value) return []
  // A soap without a day is told with why.
  const rules = check.value.violations.filter(({ rule }) => rule !== 'missing')
  return withoutRepeats(rules).map((one) => violationFinding(one, now, season.mouldNames))
})
/** The pours that stand already, on their new days. */
const moves = computed(() =>
  changes.value
    .filter(({ id }) => !id.startsWith(unplannedPrefix))
    .map(({ id, after }) => ({ batchId: id, days: { pourDay: dayOf(after.pour), cutDay: dayOf(after.cut) } })),
)
const brokenPromises = computed(() => promises.broken(moves.value))
const soapOf = (id: string) =>
  season.design(
    id.startsWith(unplannedPrefix)
      ? id.slice(unplannedPrefix.length)
      : season.batches.find((batch) => batch.id === id)?.designId,
  )
const on = (day: number): string => formatDay(dayOf(day), season.today)
const sentence = computed(() => {
  if (isRunning.value) return 'Looking for a better plan …'
  if (!proposed.value) return 'No plan was found before the search was stopped.'
  return planFoundSentence({
    changes: changes.value.length,
    lateDays: figures.value?.after.lateDays ?? 0,
    leastLateDays: leastLate.value,
    withoutDay: withoutDay.value.map(({ name }) => name),
  })
})

async function take(): Promise<void> {
  const now = dated.value
  if (!now) return
  const before = new Map(season.batches.map((batch) => [batch.id, batch]))
  const plan: AcceptedPlan = { moves: [], pours: [] }
  for (const { after } of changes.value) {
    const days = { pourDay: dayOf(after.pour), cutDay: dayOf(after.cut) }
    const batch = before.get(after.id)
    if (batch) plan.moves.push({ batchId: batch.id, ...days, version: batch.version })
    else plan.pours.push({ designId: after.id.slice(unplannedPrefix.length), ...days })
  }
  if (!(await promises.mayTake(moves.value))) return
  const taken = await runChange(() => api(endpoints.acceptPlan, { body: plan }))
  if (!taken) return
  undo.did(`The plan is taken: ${counted(changes.value.length, 'pour')}`, async () => {
    const current = (id: string) => season.batches.find((batch) => batch.id === id)
    const moves = plan.moves.flatMap(({ batchId }) => {
      const was = before.get(batchId)
      const is = current(batchId)
      return was && is ? [{ batchId, pourDay: was.days.pourDay, cutDay: was.days.cutDay, version: is.version }] : []
    })
    const added = taken.batches.filter(({ id }) => !before.has(id))
    for (const { id, version } of added)
      await api(endpoints.batches.remove, { params: { id }, body: { version: current(id)?.version ?? version } })
    for (const { batchId, ...body } of moves) await api(endpoints.batches.move, { params: { id: batchId }, body })
    await season.load()
  })
  emit('close')
}
</script>

<template>
  <section class="sheet stack planner" data-test="planner">
    <div class="row head">
      <h2>{{ sentence }}</h2>
      <div class="row">
        <v-btn v-if="isRunning" @click="run?.stop()">Stop and show the best so far</v-btn>
        <template v-else>
          <v-btn
            v-if="changes.length > 0"
            color="primary"
            variant="flat"
            data-test="take-plan"
            :disabled="troubles.length > 0"
            @click="take"
            >Take this plan</v-btn
          >
          <v-btn data-test="leave-plan" @click="emit('close')">Leave it as it is</v-btn>
        </template>
      </div>
    </div>
    <v-progress-linear
      v-if="isRunning"
      :model-value="done * 100"
      color="primary"
      aria-label="How far the search is"
      height="6"
    />
    <FindingList
      v-if="!isRunning"
      :findings="[...brokenPromises, ...whyNoDay, ...troubles]"
      data-test="planner-findings"
    />
    <div v-if="!isRunning && figures" class="columns">
      <PlanFiguresTable :before="figures.before" :after="figures.after" />
      <table v-if="changes.length > 0" class="figures">
        <thead>
          <tr>
            <th>What moves</th>
            <th>Pour</th>
            <th>Why</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="change in changes" :key="change.id" data-test="change">
            <td>
              <span class="what">
                <SoapFace :name="dated?.nameOf[change.id] ?? ''" :soap="soapOf(change.id)" :width="40" :height="28" />
                <span class="serif">{{ dated?.nameOf[change.id] }}</span>
              </span>
            </td>
            <td>
              <template v-if="change.before">{{ on(change.before.pour) }} → </template
              ><b>{{ on(change.after.pour) }}</b>
            </td>
            <td class="quiet">
              {{
                change.reason
                  ? say(change.reason)
                  : change.before
                    ? 'No rule asks for it: fewer soaping days, or the days to spare that you wish for.'
                    : 'Had no day yet.'
              }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.head {
  justify-content: space-between;
  flex-wrap: nowrap;
  gap: 20px;
}

.what {
  display: flex;
  align-items: center;
  gap: 10px;
}

.planner {
  border-color: rgb(var(--v-theme-primary));
}
</style>
