<script setup lang="ts">
import FindingList from '@/parts/FindingList.vue'
import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import PageHeadline from '@/parts/PageHeadline.vue'
import { mdiFilePdfBox, mdiPrinterOutline } from '@mdi/js'
import { addressOf, endpoints } from '@vendange/contract'
import type { Caution, SessionStep, StepGroup } from '@vendange/core/batch'
import { mouldsToFill, moveOfStep, wasUnweighed, weightRows, workBesideThePour } from '@vendange/core/batch'
import { sentence } from '@vendange/core/findings'
import { cautionWords, counted, stepGroupWords, unweighedWords, weightRowMass, weightRowName } from '@vendange/words'
import { formatDay } from '@vendange/core/calendar'
import { lackingForPour } from '@vendange/core/stores'
import { computed } from 'vue'
import BesideGroup from './BesideGroup.vue'
import MovePicture from './MovePicture.vue'
import { useMovePictures } from './useMovePictures'
import { useBench } from './useBench'
import { useStepFigure } from './useStepFigure'

const props = defineProps<{ id: string }>()
const season = useSeason()
const { reading, weighed, say } = useUnits()
const { view, state, trouble } = useBench(props.id)

const groups = computed(() => {
  const byGroup = new Map<StepGroup, SessionStep[]>()
  for (const step of state.value?.steps ?? []) byGroup.set(step.group, [...(byGroup.get(step.group) ?? []), step])
  return [...byGroup]
})
/** What is done before and after the bench. */
const around = computed(() => (view.value ? workBesideThePour(view.value.plan, view.value.batch.days) : []))
const prepDay = computed(() => {
  const day = view.value?.batch.days.prepDay ?? null
  return day === null ? '' : formatDay(day, season.today)
})
const aroundAt = (isBefore: boolean) => around.value.filter(({ group }) => (group === 'day_before') === isBefore)
/** As planned: what was weighed stands beside the steps. */
const rows = computed(() => (view.value ? weightRows(view.value.plan.weights) : []))
const pdfPath = computed(() => addressOf(endpoints.batches.runSheet, { id: props.id }))
/** What the stores lack, before anything is weighed. */
const lacking = computed(() =>
  view.value && view.value.records.length === 0 ? lackingForPour(view.value.plan, view.value.stock) : [],
)
const movePictures = useMovePictures(() => view.value)
const figure = useStepFigure()
/** What the steps of a group warn of: the first of them speaks for all. */
const cautionsOf = (steps: readonly SessionStep[]): readonly Caution[] =>
  steps.flatMap(({ caution }) => (caution ? [caution] : [])).slice(0, 1)
const print = (): void => window.print()
</script>

<template>
  <template v-if="view && state">
    <PageHeadline>
      {{ view.plan.designName }}, {{ formatDay(view.batch.days.pourDay, season.today) }}:
      {{ weighed(view.plan.weights.batterG) }} of batter into
      {{ say(sentence('moulds_filled', { moulds: mouldsToFill(view.plan) })) }},
      {{ counted(view.plan.barsPlanned, 'bar') }}.
      <template #actions>
        <SoapFace
          :name="view.plan.designName"
          :soap="season.design(view.batch.designId) ?? { name: view.plan.designName, colours: view.plan.colours }"
          :width="96"
          :height="64"
        />
        <v-btn :prepend-icon="mdiPrinterOutline" @click="print">Print</v-btn>
        <v-btn :prepend-icon="mdiFilePdfBox" :href="pdfPath" target="_blank" data-test="pdf">PDF</v-btn>
        <v-btn v-if="view.batch.status !== 'poured'" color="primary" variant="flat" :to="`/bench/${id}`"
          >To the bench</v-btn
        >
      </template>
    </PageHeadline>
    <FindingList :findings="[...state.findings, ...lacking]" class="mb-4" />
    <div class="groups">
      <BesideGroup v-for="one in aroundAt(true)" :key="one.group" :around="one" :on="prepDay" />
      <section v-for="[group, steps] in groups" :key="group" class="sheet">
        <h2>{{ stepGroupWords[group] }}</h2>
        <p v-for="caution in cautionsOf(steps)" :key="caution" class="caution">{{ cautionWords[caution] }}</p>
        <table class="figures">
          <thead>
            <tr>
              <th>Step</th>
              <th class="number">Plan</th>
              <th class="number">Done</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="step in steps" :key="step.key">
              <td :class="{ move: moveOfStep(step.key) !== undefined }">
                <MovePicture
                  v-if="moveOfStep(step.key) !== undefined"
                  :picture="movePictures[moveOfStep(step.key) ?? 0]"
                  :number="(moveOfStep(step.key) ?? 0) + 1"
                  :most-px="72"
                />
                <span>
                  {{ say(step.title) }}<br /><small v-if="step.detail" class="quiet">{{ say(step.detail) }}</small>
                </span>
              </td>
              <td class="number">
                {{ figure(step, step.planned)
                }}<template v-if="step.target !== step.planned && !step.done">
                  → <b>{{ figure(step, step.target) }}</b></template
                >
              </td>
              <td class="number">
                <b>{{
                  wasUnweighed(step) ? unweighedWords[step.kind] : step.done ? figure(step, step.actual) || '✓' : ''
                }}</b><span v-if="!step.done" class="box" role="img" aria-label="open" />
              </td>
            </tr>
          </tbody>
        </table>
      </section>
      <BesideGroup v-for="one in aroundAt(false)" :key="one.group" :around="one" />
      <section class="sheet" data-test="weights">
        <h2>What it is made of</h2>
        <table class="figures">
          <tbody>
            <tr v-for="(row, index) in rows" :key="index">
              <td>{{ row.part === 'scent' ? view.plan.scent?.name : weightRowName(row) }}</td>
              <td class="number">{{ weightRowMass(row, reading) }}</td>
            </tr>
            <tr>
              <td><b>Batter</b></td>
              <td class="number">
                <b>{{ weighed(view.plan.weights.batterG) }}</b>
              </td>
            </tr>
          </tbody>
        </table>
      </section>
    </div>
  </template>
  <PageHeadline v-else-if="trouble">{{ trouble }}</PageHeadline>
</template>

<style scoped>
.groups {
  columns: 2 380px;
  column-gap: 20px;
}

.sheet {
  break-inside: avoid;
  margin-bottom: 20px;
}

.move {
  display: flex;
  gap: 12px;
  align-items: flex-start;
}

.caution {
  margin: 4px 0;
  padding-left: 10px;
  border-left: 3px solid rgb(var(--v-theme-must));
  font-size: 0.88rem;
}

.box {
  display: inline-block;
  width: 15px;
  height: 15px;
  border: 1.5px solid rgb(var(--v-theme-quiet));
  border-radius: 3px;
}

/* Two sheets at the most, whatever the school. */
@media print {
  .groups {
    columns: 2;
    font-size: 0.8rem;
  }

  .sheet {
    margin-bottom: 8px;
  }

  h2 {
    font-size: 1.05rem;
  }

  .caution,
  small {
    font-size: 0.74rem;
  }

  td,
  th {
    padding-block: 1px;
  }
}
</style>
