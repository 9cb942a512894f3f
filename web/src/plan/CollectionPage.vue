<script setup lang="ts">
import { api } from '@/parts/api'
import ConflictPanel from '@/parts/ConflictPanel.vue'
import FailedLoaf from '@/parts/FailedLoaf.vue'
import { useNewHere } from '@/parts/keyboard'
import { usePours } from '@/parts/pourActions'
import SaveState from '@/parts/SaveState.vue'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import { deleteWithUndo } from '@/parts/deleteWithUndo'
import PageHeadline from '@/parts/PageHeadline.vue'
import { useSavedForm } from '@/parts/useSavedForm'
import { mdiClose, mdiPlus } from '@mdi/js'
import type { NewCollection } from '@vendange/contract'
import { audiences, channelNames, collectionSchema, collectionStates, endpoints } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { computed } from 'vue'
import LookingBack from './LookingBack.vue'
import { useRouter } from 'vue-router'
import BringBack from './BringBack.vue'
import LineUpChecks from './LineUpChecks.vue'
import { createDesign } from './newThings'
import QuantityField from '@/parts/QuantityField.vue'
import { standingClass, standingWords, stateWords, verdictSentence } from './verdictWords'
import YieldCell from './YieldCell.vue'

const props = defineProps<{ id: string }>()
const season = useSeason()
const router = useRouter()
const { pourOn } = usePours()

const collection = computed(() => season.collection(props.id))
const verdict = computed(() => collection.value && season.verdict(collection.value))
const neededDay = computed(() => collection.value && season.neededDay(collection.value))
const ownDesigns = computed(() =>
  season.designs.filter(({ collectionId, isRemoved }) => collectionId === props.id && !isRemoved),
)
const mend = computed(() => verdict.value?.soaps.find(({ betterDay }) => betterDay !== undefined))
const zones = Intl.supportedValuesOf('timeZone')

const { values, errors, errorOf, status, theirDetails, settle } = useSavedForm({
  schema: collectionSchema,
  source: () => collection.value,
  save: (body: NewCollection & { version: number }) =>
    api(endpoints.collections.update, { params: { id: props.id }, body }),
  label: () => collection.value?.name ?? 'collection',
})
const labels = {
  name: 'Name',
  theme: 'Brief',
  palette: 'Palette',
  releaseLocal: 'Release',
  releaseZone: 'Zone',
  early: 'Early moments',
  channels: 'Channels',
  promises: 'Promises',
  state: 'State',
}
const isPastRelease = computed(
  () =>
    collection.value !== undefined &&
    !['released', 'looked_back'].includes(collection.value.state) &&
    season.neededDay(collection.value) < season.today,
)
const states = collectionStates.map((value) => ({ value, title: stateWords[value] }))
const promises = computed(() => season.claims)
const barsRange = { min: 0, max: 5000 }
const wantedByChannels = computed(() => (collection.value?.channels ?? []).reduce((sum, { bars }) => sum + bars, 0))
const yielded = computed(() =>
  season.lineUp(props.id).reduce((sum, soap) => sum + (season.yieldOf(soap)?.bars ?? 0), 0),
)

async function addSoap(): Promise<void> {
  const design = await createDesign(props.id)
  if (design) await router.push(`/soaps/${design.id}`)
}
useNewHere('New soap in this collection', addSoap)

const openLoavesOf = (designId: string) =>
  season.loaves.filter((loaf) => loaf.designId === designId && !['released', 'failed'].includes(loaf.state.status))

async function takeCollectionAway(): Promise<void> {
  if (collection.value && (await deleteWithUndo(endpoints.collections, collection.value))) await router.push('/plan')
}
</script>

<template>
  <template v-if="collection && verdict && neededDay && values">
    <PageHeadline>
      {{ verdictSentence(collection.name, neededDay, verdict, season.today) }}
      <template #actions>
        <v-btn
          v-if="mend?.betterDay"
          color="primary"
          variant="flat"
          @click="pourOn(mend.designId, mend.betterDay, mend.betterCutDay)"
          >Pour {{ mend.name }} on {{ formatDay(mend.betterDay, season.today) }}</v-btn
        >
        <v-btn
          :color="mend ? undefined : 'primary'"
          :variant="mend ? 'outlined' : 'flat'"
          data-test="new-soap"
          @click="addSoap"
          >New soap</v-btn
        >
      </template>
    </PageHeadline>
    <ConflictPanel v-if="theirDetails" :mine="values" :theirs="theirDetails" :labels="labels" @settle="settle" />

    <div class="columns wide-left">
      <section class="sheet">
        <h2>The line-up</h2>
        <table class="figures">
          <thead>
            <tr>
              <th colspan="2">Soap</th>
              <th>Where it stands</th>
              <th class="number">Bars</th>
              <th><span class="d-sr-only">To do</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="soap in verdict.soaps" :key="soap.designId + soap.name" data-test="soap">
              <td>
                <SoapFace :name="soap.name" :soap="season.design(soap.designId)" :width="60" :height="44" />
              </td>
              <td>
                <RouterLink class="plain serif" :to="`/soaps/${soap.designId}`">{{ soap.name }}</RouterLink><br />
                <small class="quiet">{{
                  [
                    season.design(soap.designId)?.technique,
                    season.design(soap.designId)?.scent?.name ?? 'no scent',
                    season.mould(season.design(soap.designId)?.mouldId)?.name,
                  ]
                    .filter(Boolean)
                    .join(' · ')
                }}</small>
              </td>
              <td :class="standingClass[soap.standing]">{{ standingWords(soap, season.today) }}</td>
              <td class="number"><YieldCell :design-id="soap.designId" :batch-id="soap.batchId" /></td>
              <td class="number">
                <v-btn
                  v-if="soap.standing === 'to_plan' && soap.pourDay"
                  size="small"
                  @click="pourOn(soap.designId, soap.pourDay, soap.cutDay)"
                  >Put on {{ formatDay(soap.pourDay, season.today) }}</v-btn
                >
                <FailedLoaf :loaves="openLoavesOf(soap.designId)" />
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="wantedByChannels > 0" class="mt-3" :class="{ must: yielded < wantedByChannels }">
          {{ yielded }} bars from these moulds for {{ wantedByChannels }} that the channels want{{
            yielded < wantedByChannels ? `: ${wantedByChannels - yielded} are missing.` : '.'
          }}
        </p>
        <LineUpChecks :collection="collection" class="mt-3" />
        <BringBack :collection-id="id" class="mt-3" />
        <p v-if="verdict.soaps.length === 0" class="quiet mt-2">
          No soaps yet. A collection has three to eight, for example a plain one, a layered one and a swirl.
        </p>
      </section>

      <section class="sheet stack">
        <p v-if="isPastRelease" class="must" role="alert">
          That moment is past. If it is still to come out, give it a new one.
        </p>
        <div class="row head">
          <h2>The collection</h2>
          <SaveState :status="status" :errors="errors" />
        </div>
        <v-text-field v-model="values.name" label="Name" :error-messages="errorOf('name') ?? []" />
        <v-textarea
          v-model="values.theme"
          label="Theme"
          hint="And a short brief"
          :error-messages="errorOf('theme') ?? []"
        />
        <div class="fields">
          <v-text-field
            v-model="values.releaseLocal"
            class="wide"
            type="datetime-local"
            label="Release"
            :error-messages="errorOf('releaseLocal') ?? []"
          />
          <v-autocomplete
            v-model="values.releaseZone"
            class="wide"
            :items="zones"
            label="Time zone of the release"
            :error-messages="errorOf('releaseZone') ?? []"
          />
        </div>
        <div class="fields">
          <v-select v-model="values.state" :items="states" label="State" />
          <v-select v-model="values.promises" :items="promises" label="Promises" multiple chips />
        </div>
        <fieldset>
          <legend class="eyebrow">May buy earlier</legend>
          <div v-for="(moment, index) in values.early" :key="index" class="row swatch">
            <v-select v-model="moment.audience" :items="audiences" :label="`Who ${index + 1}`" />
            <v-text-field
              v-model="moment.local"
              type="datetime-local"
              :label="`From ${index + 1}`"
              :error-messages="errorOf(`early[${index}].local`) ?? []"
            />
            <v-btn
              :icon="mdiClose"
              size="small"
              variant="text"
              :aria-label="`Take early moment ${index + 1} away`"
              @click="values.early.splice(index, 1)"
            />
          </div>
          <v-btn
            size="small"
            :prepend-icon="mdiPlus"
            @click="values.early.push({ audience: 'Subscribers', local: `${values.releaseLocal.slice(0, 10)}T00:00` })"
            >Early moment</v-btn
          >
        </fieldset>
        <fieldset>
          <legend class="eyebrow">Channels</legend>
          <div v-for="(one, index) in values.channels" :key="index" class="row swatch">
            <v-select v-model="one.channel" :items="channelNames" :label="`Channel ${index + 1}`" />
            <QuantityField
              v-model="one.bars"
              kind="count"
              :range="barsRange"
              :label="`Bars wanted ${index + 1}`"
              :error="errorOf(`channels[${index}].bars`)"
            />
            <v-btn
              :icon="mdiClose"
              size="small"
              variant="text"
              :aria-label="`Take channel ${index + 1} away`"
              @click="values.channels.splice(index, 1)"
            />
          </div>
          <v-btn size="small" :prepend-icon="mdiPlus" @click="values.channels.push({ channel: 'Web', bars: 24 })"
            >Channel</v-btn
          >
        </fieldset>
        <fieldset>
          <legend class="eyebrow">Palette</legend>
          <div v-for="(colour, index) in values.palette" :key="index" class="row swatch">
            <input v-model="colour.hex" type="color" :aria-label="`Colour ${index + 1}`" />
            <v-text-field
              v-model="colour.name"
              :label="`Name of colour ${index + 1}`"
              :error-messages="errorOf(`palette[${index}].name`) ?? []"
            />
            <v-btn
              :icon="mdiClose"
              size="small"
              variant="text"
              :aria-label="`Take ${colour.name} away`"
              @click="values.palette.splice(index, 1)"
            />
          </div>
          <v-btn
            size="small"
            :prepend-icon="mdiPlus"
            @click="values.palette.push({ name: `colour ${values.palette.length + 1}`, hex: '#9A7224' })"
            >Colour</v-btn
          >
        </fieldset>
        <div class="row">
          <v-btn size="small" variant="text" color="error" @click="takeCollectionAway">Take the collection away</v-btn>
        </div>
      </section>
    </div>
    <LookingBack v-if="collection" :collection="collection" class="mt-5" :designs="ownDesigns" />
  </template>
  <PageHeadline v-else>There is no such collection.</PageHeadline>
</template>
