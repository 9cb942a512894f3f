<script setup lang="ts">
import DateField from '@/parts/DateField.vue'
import { api } from '@/parts/api'
import BatchWeights from '@/parts/BatchWeights.vue'
import ConflictPanel from '@/parts/ConflictPanel.vue'
import FindingList from '@/parts/FindingList.vue'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import SaveState from '@/parts/SaveState.vue'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import { deleteWithUndo } from '@/parts/deleteWithUndo'
import PageHeadline from '@/parts/PageHeadline.vue'
import { useSavedForm } from '@/parts/useSavedForm'
import type { NewDesign } from '@vendange/contract'
import { barsRange, designSchema, endpoints, labelMassRange, mouldCountRange } from '@vendange/contract'
import type { PourPart } from '@vendange/core/batch'
import { withFollowedShares } from '@vendange/core/batch'
import { counted } from '@vendange/words'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import BarCost from './BarCost.vue'
import ColourPots from './ColourPots.vue'
import HowMany from './HowMany.vue'
import LastTime from './LastTime.vue'
import MakeGood from './MakeGood.vue'
import MoreMoulds from './MoreMoulds.vue'
import PiecesOfSoap from './PiecesOfSoap.vue'
import PoursOfSoap from './PoursOfSoap.vue'
import SalesResults from './SalesResults.vue'
import PartsTable from '@/parts/PartsTable.vue'
import ScentFields from './ScentFields.vue'
import ScheduleBox from './ScheduleBox.vue'
import YieldRemedies from './YieldRemedies.vue'

const props = defineProps<{ id: string }>()
const season = useSeason()
const router = useRouter()
const { show, barMass, thickness } = useUnits()

const design = computed(() => season.design(props.id))
const collection = computed(() => season.collection(design.value?.collectionId))
const given = computed(() => design.value && season.yieldOf(design.value))
/** One of its pours, the first: as all of them where it is poured at once. */
const scaled = computed(() => given.value?.pours[0])
const pours = computed(() => season.batchesOf(props.id))
/** Those of them that make a part of it. */
const parts = computed(() => pours.value.flatMap(({ part }) => part ?? []))

const { values, errors, errorOf, status, theirDetails, settle } = useSavedForm({
  schema: designSchema,
  source: () => design.value,
  save: (body: NewDesign & { version: number }) =>
    api(endpoints.designs.update, { params: { id: props.id }, body: { ...body, colours: coloursOf(body) } }),
  label: () => design.value?.name ?? 'soap',
})
/** Its pots as they are saved: with the shares that they come to in its first pour. */
function coloursOf(changed: NewDesign): NewDesign['colours'] {
  const weighed = design.value && season.yieldOf({ ...design.value, ...changed })?.pours[0]?.weights.pots
  return weighed ? [...withFollowedShares(changed.colours, weighed)] : changed.colours
}
const labels = {
  name: 'Name',
  technique: 'Technique',
  scent: 'Scent',
  colours: 'Pots',
  pourPlan: 'Pour plan',
  recipeId: 'Recipe',
  mouldId: 'Mould',
  mouldCount: 'Loaves',
  moreMoulds: 'Other moulds',
  displacedMl: 'Displaced',
  pieces: 'Pieces',
  topMl: 'Kept back for the top',
  barsWanted: 'Bars wanted',
  labelMassG: 'Mass on the label',
  bevelled: 'Bevelled',
  stamped: 'Stamped',
  barCents: 'Price of a bar',
  notesForNextTime: 'Notes for next time',
  lessons: 'Lessons',
  results: 'Sales',
}
const insideWords = computed(() => {
  const moves = values.value?.pourPlan.length ?? 0
  if (moves === 0) return 'Not designed yet: shown as a level layer of each pot.'
  return `Poured in ${moves === 1 ? 'one move' : `${moves} moves`}; this is the face that was chosen for it.`
})
const partNames = computed(() =>
  design.value
    ? [design.value.mouldId, ...design.value.moreMoulds.map(({ mouldId }) => mouldId)].map(
        (id) => season.mould(id)?.name ?? '',
      )
    : [],
)
const scaledTo = computed(() => {
  const [first] = parts.value
  if (first) return parts.value.length > 1 ? `The first of ${parts.value.length} pours` : partWords(first)
  const now = design.value
  return now ? `Scaled to ${season.mouldWords({ ...now, mouldId: now.mouldId ?? '' })}` : ''
})
const partWords = (part: PourPart): string =>
  `${season.mouldWords(part)}, ${counted(part.barsWanted, 'bar')}${
    season.mould(part.mouldId)?.shape === 'cavities' ? '' : ` cut at ${thickness(part.barThicknessMm)}`
  }`
const sentence = computed(() => {
  const now = design.value
  if (!now) return ''
  if (!given.value) return `${now.name} needs a recipe and a mould before anything can be weighed.`
  const { barCuredG, pours } = given.value
  const made = season.countOf(now)
  const bars = made.cut + made.toCome
  const barsOver = bars - now.barsWanted
  const of = pours.length > 1 ? ` in ${pours.length} pours` : ''
  const count =
    barsOver === 0
      ? `the ${counted(bars, 'bar')} wanted${of}`
      : barsOver > 0
        ? `${counted(bars, 'bar')}${of}, ${barsOver} more than wanted`
        : `${counted(bars, 'bar')}${of}, ${-barsOver} fewer than wanted`
  const lost = made.failedLoaves > 0 ? `; ${counted(made.failedLoaves, 'loaf', 'loaves')} failed` : ''
  const cut = made.cut > 0 ? `, ${made.cut} of them cut` : ''
  if (cut + lost !== '') return `${now.name}: ${count}${cut}${lost}.`
  return `${now.name} gives ${count}, about ${barMass(barCuredG)} each when cured.`
})

async function takeSoapAway(): Promise<void> {
  if (design.value && (await deleteWithUndo(endpoints.designs, design.value)))
    await router.push(`/plan/${design.value.collectionId}`)
}
</script>

<template>
  <template v-if="design && values">
    <p class="quiet crumb plain">
      <RouterLink :to="`/plan/${design.collectionId}`">{{ collection?.name }}</RouterLink> ›
    </p>
    <PageHeadline>
      {{ sentence }}
      <template #actions><SoapFace :name="values.name" :soap="values" :width="150" :height="96" /></template>
    </PageHeadline>
    <ConflictPanel v-if="theirDetails" :mine="values" :theirs="theirDetails" :labels="labels" @settle="settle" />

    <div class="columns">
      <section class="sheet stack">
        <div class="row head">
          <h2>The soap</h2>
          <SaveState :status="status" :errors="errors" />
        </div>
        <div class="fields">
          <v-text-field v-model="values.name" label="Name" :error-messages="errorOf('name') ?? []" />
          <v-text-field v-model="values.technique" label="Technique" :error-messages="errorOf('technique') ?? []" />
          <v-select
            v-model="values.recipeId"
            :items="season.recipes"
            item-title="name"
            item-value="id"
            label="Recipe"
            :error-messages="errorOf('recipeId') ?? []"
          />
          <v-select
            v-model="values.mouldId"
            :items="season.moulds"
            item-title="name"
            item-value="id"
            label="Mould"
            data-test="mould"
            :error-messages="errorOf('mouldId') ?? []"
          />
          <QuantityField
            v-model="values.mouldCount"
            kind="count"
            :range="mouldCountRange"
            label="Loaves"
            :error="errorOf('mouldCount')"
          />
          <QuantityField
            v-model="values.barsWanted"
            kind="count"
            :range="barsRange"
            label="Bars wanted"
            :error="errorOf('barsWanted')"
          />
          <QuantityField
            v-model="values.labelMassG"
            kind="mass"
            :range="labelMassRange"
            label="Mass on the label"
            :error="errorOf('labelMassG')"
          />
        </div>

        <MoreMoulds v-model="values" />
        <PiecesOfSoap v-model="values" />

        <ScentFields v-model="values.scent" />

        <fieldset>
          <legend class="eyebrow">Pots, bottom first</legend>
          <ColourPots v-model="values.colours" :palette="collection?.palette ?? []" :pots="scaled?.weights.pots" />
        </fieldset>
        <fieldset>
          <legend class="eyebrow">Finish and limits</legend>
          <div class="fields">
            <v-checkbox v-model="values.bevelled" label="Bevelled edges" />
            <v-checkbox v-model="values.stamped" label="Stamped" />
            <DateField
              v-model="values.earliestDay"
              optional
              label="Not before"
              hint="When a stamp or an ingredient is there"
              :error="errorOf('earliestDay')"
            />
          </div>
        </fieldset>
        <fieldset>
          <legend class="eyebrow">Looking back</legend>
          <v-textarea
            v-model="values.notesForNextTime"
            label="Notes for next time, one a line"
            :error-messages="errorOf('notesForNextTime') ?? []"
          />
          <SalesResults v-model="values.results" class="mt-3" />
        </fieldset>
        <div class="row">
          <v-btn size="small" variant="text" color="error" @click="takeSoapAway">Take the soap away</v-btn>
        </div>
      </section>

      <div class="stack">
        <LastTime
          v-if="values.broughtFromId"
          v-model:lessons="values.lessons"
          :brought-from-id="values.broughtFromId"
        />
        <HowMany v-model="values.barsWanted" :design="design" />
        <MakeGood :design="design" />
        <PoursOfSoap v-if="pours.length > 1" :design="design" />
        <ScheduleBox v-else :design="design" />
        <section class="sheet inside">
          <SoapFace :name="values.name" :soap="values" :width="210" :height="147" />
          <div class="stack">
            <h2>The inside</h2>
            <p>{{ insideWords }}</p>
            <v-btn :to="`/soaps/${id}/inside`" variant="flat" color="primary" data-test="design-inside"
              >Design the inside</v-btn
            >
          </div>
        </section>
        <section v-if="scaled" class="sheet">
          <h2>{{ scaledTo }}</h2>
          <ul v-if="parts.length > 1" class="lead parts" data-test="pour-parts">
            <li v-for="(part, at) in parts" :key="at">{{ partWords(part) }}</li>
          </ul>
          <PartsTable v-if="scaled.parts.length > 1" :scaled="scaled" :names="partNames" class="mb-3" />
          <p v-else class="quiet lead">
            {{ scaled.barsPerLoaf }} bars a loaf with {{ show('length', scaled.restMm) }} left over;
            {{ barMass(scaled.barWetG) }} a bar when cut, about {{ barMass(scaled.barCuredG) }} cured (estimate:
            {{ show('share', season.workshop?.cureLoss ?? 0) }} lost in the cure).
          </p>
          <FindingList :findings="scaled.findings" class="mb-3" />
          <YieldRemedies
            v-if="parts.length === 0 && scaled.barsOver < 0"
            v-model="values"
            :design-id="id"
            class="mb-3"
          />
          <BatchWeights :scaled="scaled" :scent-name="design.scent?.name" />
        </section>
        <BarCost v-model="values.barCents" :design="design" :error="errorOf('barCents')" />
      </div>
    </div>
  </template>
  <PageHeadline v-else>There is no such soap.</PageHeadline>
</template>

<style scoped>
.inside {
  display: flex;
  flex-wrap: wrap;
  gap: 18px;
}

.inside .stack {
  flex: 1 1 180px;
  align-content: start;
  justify-items: start;
}

.parts {
  padding: 0;
  list-style: none;
}

.lead {
  margin: 4px 0 12px;
  font-size: 0.92rem;
}
</style>
