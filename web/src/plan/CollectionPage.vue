<script setup lang="ts">
import ChoiceField from '@/parts/ChoiceField.vue'
import MomentField from '@/parts/MomentField.vue'
import { api } from '@/parts/api'
import ConflictPanel from '@/parts/ConflictPanel.vue'
import FindingList from '@/parts/FindingList.vue'
import { useNewHere } from '@/parts/keyboard'
import { usePours } from '@/parts/pourActions'
import SaveState from '@/parts/SaveState.vue'
import { useSeason } from '@/parts/seasonStore'
import { isOut } from '@vendange/core/season'
import { deleteWithUndo } from '@/parts/deleteWithUndo'
import PageHeadline from '@/parts/PageHeadline.vue'
import { useSavedForm } from '@/parts/useSavedForm'
import type { NewCollection } from '@vendange/contract'
import { collectionSchema, collectionStates, endpoints } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import ChannelRows from './ChannelRows.vue'
import EarlyMoments from './EarlyMoments.vue'
import LineUp from './LineUp.vue'
import LookingBack from './LookingBack.vue'
import { createDesign } from './newThings'
import PaletteRows from './PaletteRows.vue'
import { stateWords, verdictSentence } from './verdictWords'

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
  () => collection.value !== undefined && !isOut(collection.value) && season.neededDay(collection.value) < season.today,
)
const states = collectionStates.map((value) => ({ value, title: stateWords[value] }))
const promises = computed(() => season.claims)

async function addSoap(): Promise<void> {
  const design = await createDesign(props.id)
  if (design) await router.push(`/soaps/${design.id}`)
}
useNewHere('New soap in this collection', addSoap)

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
          @click="pourOn(mend, mend.betterDay, mend.betterCutDay)"
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
    <FindingList :findings="verdict.soaps.flatMap(({ whyNoDay }) => whyNoDay)" class="why" data-test="why-no-day" />
    <ConflictPanel v-if="theirDetails" :mine="values" :theirs="theirDetails" :labels="labels" @settle="settle" />

    <div class="columns wide-left">
      <LineUp :collection="collection" />

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
          <MomentField v-model="values.releaseLocal" class="wide" label="Release" :error="errorOf('releaseLocal')" />
          <ChoiceField
            v-model="values.releaseZone"
            class="wide"
            :items="zones"
            label="Time zone of the release"
            :error="errorOf('releaseZone')"
          />
        </div>
        <div class="fields">
          <v-select v-model="values.state" :items="states" label="State" />
          <v-select v-model="values.promises" :items="promises" label="Promises" multiple chips />
        </div>
        <EarlyMoments v-model="values.early" :release-local="values.releaseLocal" />
        <ChannelRows v-model="values.channels" />
        <PaletteRows v-model="values.palette" />
        <div class="row">
          <v-btn size="small" variant="text" color="error" @click="takeCollectionAway">Take the collection away</v-btn>
        </div>
      </section>
    </div>
    <LookingBack v-if="collection" :collection="collection" class="mt-5" :designs="ownDesigns" />
  </template>
  <PageHeadline v-else>There is no such collection.</PageHeadline>
</template>

<style scoped>
.why {
  margin-bottom: 18px;
}
</style>
