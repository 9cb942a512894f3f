<script setup lang="ts">
import { api, photoAddress, problemOf } from '@/parts/api'
import FailedLoaf from '@/parts/FailedLoaf.vue'
import { useUnits } from '@/parts/format'
import { useOwnScreen } from '@/parts/ownScreen'
import type { RecordedLoaf } from '@/parts/recordLoafEvent'
import { useLoafEvents } from '@/parts/recordLoafEvent'
import { useSeason } from '@/parts/seasonStore'
import { useFresh } from '@/parts/useFresh'
import SoapFace from '@/parts/SoapFace.vue'
import PageHeadline from '@/parts/PageHeadline.vue'
import { mdiPrinterOutline } from '@mdi/js'
import type { LoafView } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { pourSession } from '@vendange/core/batch'
import { formatDay, formatInstant } from '@vendange/core/calendar'
import { barsCameOut, costPerBar, usesOfPlan } from '@vendange/core/stores'
import { counted } from '@vendange/words'
import { useKeptFields } from '@/parts/useKeptFields'
import { computed, ref, shallowRef } from 'vue'
import { eventWords } from '@/parts/eventWords'
import BarTried from './BarTried.vue'

const props = defineProps<{ id: string }>()
const season = useSeason()
const screen = useOwnScreen()
const { show, weighed, fineMass, barMass, money, say } = useUnits()
const { record, errors, trouble, isSending } = useLoafEvents()

const view = shallowRef<LoafView>()
const failure = ref<string>()
async function load(): Promise<void> {
  try {
    view.value = await api(endpoints.loaves.view, { params: { id: props.id } })
  } catch (error) {
    failure.value = problemOf(error).detail
  }
}
useFresh(load)

const bench = computed(() => view.value && pourSession(view.value.plan, view.value.records))
const mayTry = computed(
  () => screen.mayRecord('tried') && ['curing', 'held', 'released'].includes(view.value?.loaf.state.status ?? ''),
)
const mayFail = computed(() => view.value && !['released', 'failed'].includes(view.value.loaf.state.status))
const isReleased = computed(() => view.value?.loaf.state.status === 'released')
const zone = computed(() => season.workshop?.timeZone ?? 'UTC')
const sentence = computed(() => {
  const loaf = view.value?.loaf
  if (!loaf) return failure.value ?? ''
  const { state, name, lotCode } = loaf
  const poured = `${name}, lot ${lotCode}`
  if (state.release)
    return `${poured}: ${counted(state.release.bars, 'bar')} released on ${formatDay(state.release.day, season.today)}.`
  if (state.status === 'failed') return `${poured} failed: ${state.failReason ?? ''}`
  if (state.status === 'held') return `${poured} is held: ${state.holdReason ?? ''}`
  if (state.cut)
    return `${poured}: ${counted(state.cut.bars, 'bar')} of ${loaf.barsPlanned} hoped for, curing${state.place ? ` on ${state.place}` : ''}.`
  return `${poured} is ${state.status === 'unmoulded' ? 'unmoulded and waits for the knife' : 'in its mould'}.`
})

const note = ref('')
const subject = ref('')
const kept = useKeptFields(`note:${props.id}`, { note, subject })
function showAfter({ loaf, view: told }: RecordedLoaf): void {
  if (view.value) view.value = told ?? { ...view.value, loaf }
}
async function write(): Promise<void> {
  if (!view.value) return
  const event = isReleased.value
    ? ({ type: 'amended', day: season.today, subject: subject.value, text: note.value } as const)
    : ({ type: 'noted', day: season.today, text: note.value } as const)
  const after = await record(view.value.loaf, event)
  if (after) {
    showAfter(after)
    note.value = ''
    subject.value = ''
    kept.sent()
  } else await load()
}
/** The lots that a step was taken from. */
const lotsOf = (stepKey: string) =>
  (view.value?.lotsUsed ?? []).filter((one) => one.stepKey === stepKey && one.lotNumber !== '')
/** When a step was done, and by whom. */
function doneWords(stepKey: string): string {
  const record = view.value?.records.findLast((one) => one.stepKey === stepKey)
  return record ? `${formatInstant(record.at, zone.value)}, ${record.makerName}` : ''
}
/** By the bars that came out of all its loaves, once they have. */
const barCost = computed(() => {
  if (!view.value) return undefined
  const { loaf, lotsUsed, plan } = view.value
  const loaves = season.loaves.filter(({ batchId }) => batchId === loaf.batchId)
  const bars = loaves.length > 0 ? barsCameOut(loaves) : plan.barsPlanned
  // What went in but is not kept in the stores has no price either.
  const unkept = usesOfPlan(plan).filter((use) => !lotsUsed.some(({ stepKey }) => stepKey === use.stepKey))
  return costPerBar(
    lotsUsed.length > 0 ? [...lotsUsed, ...unkept.map(({ name }) => ({ name, cents: undefined }))] : [],
    bars,
  )
})
const print = (): void => window.print()
</script>

<template>
  <PageHeadline>
    {{ sentence }}
    <template v-if="view" #actions>
      <SoapFace
        :name="view.loaf.name"
        :soap="season.design(view.loaf.designId) ?? { name: view.loaf.name, colours: view.plan.colours }"
        :width="110"
        :height="74"
      />
      <v-btn :prepend-icon="mdiPrinterOutline" @click="print">Print</v-btn>
    </template>
  </PageHeadline>
  <div v-if="view && bench" class="columns wide-left story">
    <section class="sheet">
      <h2>Its story</h2>
      <p class="quiet">
        {{ view.collectionName }} · {{ view.loaf.mouldName }} · label {{ barMass(view.loaf.labelMassG) }}
      </p>
      <p v-if="view.plan.pieces" class="plain" data-test="with-pieces">
        With pieces of
        <template v-for="(piece, at) in view.plan.pieces" :key="`${piece.loafId}${piece.colour}`"
          ><template v-if="at > 0">, </template
          ><RouterLink :to="`/loaves/${piece.loafId}`">{{ piece.colour }} from {{ piece.lotCode }}</RouterLink> ({{
            weighed(piece.massG)
          }})</template
        >.
      </p>
      <ol data-test="story">
        <li
          v-for="{ sequence, at, makerName, event } in view.events"
          :key="sequence"
          :class="{ amended: event.type === 'amended' }"
        >
          <span class="when">{{ formatDay(event.day, season.today) }}</span>
          <span
            >{{ eventWords(event, { weighed, fineMass }) }}
            <small class="quiet">{{ makerName }}, {{ formatInstant(at, zone) }}</small></span
          >
        </li>
      </ol>
      <div v-if="view.loaf.state.photos.length > 0" class="row photos">
        <img
          v-for="{ photoId } in view.loaf.state.photos"
          :key="photoId"
          :src="photoAddress(photoId)"
          :alt="`Cut face of ${view.loaf.name}`"
        />
      </div>
      <FailedLoaf v-if="mayFail" class="no-print" :loaves="[view.loaf]" />
      <form
        v-if="screen.mayRecord(isReleased ? 'amended' : 'noted')"
        class="stack no-print write"
        @submit.prevent="write"
      >
        <h3>{{ isReleased ? 'Amend the record' : 'A note for next time' }}</h3>
        <v-text-field
          v-if="isReleased"
          v-model="subject"
          label="What is amended"
          :error-messages="errors['subject'] ?? []"
        />
        <v-textarea
          v-model="note"
          :label="isReleased ? 'The amendment, and why' : 'Note'"
          :error-messages="errors['text'] ?? []"
        />
        <div>
          <v-btn
            type="submit"
            :loading="isSending"
            :disabled="note.trim() === '' || (isReleased && subject.trim() === '')"
            data-test="write-note"
            >{{ isReleased ? 'Write the amendment' : 'Write it down' }}</v-btn
          >
        </div>
        <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
      </form>
      <BarTried v-if="mayTry" class="write" :loaf="view.loaf" @recorded="showAfter" />
    </section>
    <section class="sheet">
      <h2>At the bench</h2>
      <p class="quiet">
        Superfat as weighed {{ show('share', bench.band.likely) }}; {{ show('share', bench.band.worst) }} to
        {{ show('share', bench.band.best) }} over the fats’ natural span.
      </p>
      <p v-for="finding in bench.findings" :key="finding.code" class="brass">{{ say(finding) }}</p>
      <table class="figures">
        <thead>
          <tr>
            <th>Weighed</th>
            <th class="number">Plan</th>
            <th class="number">Real</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="step in bench.steps.filter(({ kind }) => kind !== 'tick')" :key="step.key">
            <td>
              {{ say(step.name) }}
              <RouterLink
                v-for="lot in lotsOf(step.key)"
                :key="lot.lotId"
                class="small"
                :class="{ must: lot.isRecalled }"
                :to="`/stores/lots/${lot.lotId}/trace`"
                data-test="lot-trace"
                >lot {{ lot.lotNumber }}{{ lot.isRecalled ? ', called back' : '' }}</RouterLink
              >
              <br /><small class="quiet">{{ doneWords(step.key) }}</small>
            </td>
            <td class="number">
              {{ step.kind === 'weigh' ? weighed(step.planned ?? 0) : show('temperature', step.planned ?? 0) }}
            </td>
            <td class="number">
              <b v-if="step.actual !== null">{{
                step.kind === 'weigh' ? weighed(step.actual) : show('temperature', step.actual)
              }}</b>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="barCost" data-test="bar-cost">
        <template v-if="barCost.withoutPrice.length === 0"
          >Its ingredients cost <b>{{ money(barCost.cents) }}</b> a bar.</template
        >
        <template v-else
          >Of a bar’s ingredients {{ money(barCost.cents) }} have a price; none is known of
          {{ barCost.withoutPrice.join(', ') }}.</template
        >
      </p>
    </section>
  </div>
</template>

<style scoped>
.small {
  margin-right: 8px;
  font-size: 0.85rem;
}

ol {
  margin: 12px 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  gap: 14px;
  padding: 7px 0;
  border-top: 1px solid rgb(var(--v-theme-hairline));
}

.when {
  flex: none;
  width: 96px;
  font-weight: 600;
}

.amended {
  background: rgb(var(--v-theme-surface-variant), 0.5);
}

.write {
  margin-top: 20px;
}

img {
  max-width: 220px;
  border-radius: 4px;
}

@media print {
  .story {
    grid-template-columns: 1fr 1fr;
    font-size: 0.8rem;
  }

  li {
    padding: 3px 0;
  }
}
</style>
