<script setup lang="ts">
import DateField from '@/parts/DateField.vue'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import { useLoafEvents } from '@/parts/recordLoafEvent'
import { useAwake } from '@/parts/useAwake'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import PageHeadline from '@/parts/PageHeadline.vue'
import { addressOf, barMassRange, endpoints } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { cureProgress, hasLevelledOff, inOrder, lossSoFar } from '@vendange/core/cure'
import { useKeptFields } from '@/parts/useKeptFields'
import { computed, defineAsyncComponent, ref } from 'vue'
import BarOnScale from './BarOnScale.vue'
import CurePhotos from './CurePhotos.vue'
import { useForecast } from './useForecast'

const MassChart = defineAsyncComponent(() => import('./MassChart.vue'))

const props = defineProps<{ id: string }>()
const season = useSeason()
useAwake()
const { show, fineMass } = useUnits()
const { record, errors, trouble, isSending } = useLoafEvents()

const loaf = computed(() => season.loaf(props.id))
const cut = computed(() => loaf.value?.state.cut)
const progress = computed(
  () => cut.value && loaf.value && cureProgress(cut.value.day, loaf.value.cureDays, season.today),
)
const weighIns = computed(() => inOrder(loaf.value?.state.weighIns ?? []))
const last = computed(() => weighIns.value.at(-1))
const loss = computed(() => lossSoFar(weighIns.value))
const levelled = computed(() => hasLevelledOff(weighIns.value))
const isOpen = computed(() => loaf.value?.state.status === 'curing' || loaf.value?.state.status === 'held')

const { forecast, forecastWords } = useForecast(() => loaf.value)

const isSure = ref(false)
const barG = ref<number | null>(null)
const day = ref(season.today)
const place = ref('')
const unread = ref<string>()

const sentence = computed(() => {
  if (!loaf.value) return 'There is no such loaf.'
  if (!progress.value || !cut.value) return `${loaf.value.name} is not cut yet.`
  const { dayNumber, ofDays, readyDay, isOver } = progress.value
  return isOver
    ? `${loaf.value.name} is through its cure of ${ofDays} days.`
    : `${loaf.value.name} is on day ${dayNumber} of ${ofDays}; cured on ${formatDay(readyDay, season.today)}.`
})

const kept = useKeptFields(`cure:${props.id}`, { isSure, barG, day, place })
async function weigh(): Promise<void> {
  if (!loaf.value || barG.value === null) return
  if (await record(loaf.value, { type: 'weighed', day: day.value, barG: barG.value, isSure: isSure.value })) {
    barG.value = null
    kept.sent()
  }
  isSure.value = false
}
async function move(): Promise<void> {
  if (loaf.value && (await record(loaf.value, { type: 'moved', day: season.today, place: place.value }))) {
    place.value = ''
    kept.sent()
  }
}
</script>

<template>
  <PageHeadline>
    {{ sentence }}
    <template v-if="loaf" #actions>
      <SoapFace :name="loaf.name" :soap="season.design(loaf.designId)" :width="96" :height="64" />
      <v-btn v-if="progress?.isOver && isOpen" color="primary" variant="flat" :to="`/release/${id}`"
        >To the release desk</v-btn
      >
    </template>
  </PageHeadline>
  <div v-if="loaf && cut" class="columns wide-left">
    <section class="sheet">
      <h2>The marked bar, by day of the cure</h2>
      <MassChart
        :weigh-ins="weighIns"
        :cut-day="cut.day"
        :cure-days="loaf.cureDays"
        :label-mass-g="loaf.labelMassG"
        :forecast="forecast"
      />
      <p class="mt-3" data-test="forecast">{{ forecastWords }}</p>
      <p class="mt-3">
        <template v-if="loss !== undefined && last">
          {{ fineMass(last.massG) }} on {{ formatDay(last.day, season.today) }}: it has lost
          <b>{{ show('share', loss) }}</b>.
          <span :class="levelled ? 'vine' : 'quiet'">{{
            levelled === undefined
              ? 'Too few weighings to say whether it has levelled off.'
              : levelled
                ? 'It has levelled off: less than 0.5 % in 7 days.'
                : 'It has not levelled off: 0.5 % or more in 7 days.'
          }}</span>
        </template>
        <span v-else class="quiet">One weighing so far, at the cut.</span>
      </p>
    </section>
    <div class="stack">
      <section v-if="isOpen" class="sheet stack">
        <h2>Weigh the marked bar</h2>
        <BarOnScale :expected-g="last?.massG ?? null" @take="barG = $event" />
        <form class="fields" @submit.prevent="weigh">
          <QuantityField
            v-model="barG"
            kind="mass"
            :range="barMassRange"
            optional
            label="The bar weighs"
            :error="errors['barG']"
            @problem="unread = $event"
          />
          <DateField v-model="day" label="On" :error="errors['day']" />
          <div class="wide">
            <v-btn
              type="submit"
              color="primary"
              variant="flat"
              :loading="isSending"
              :disabled="barG === null || unread !== undefined"
              data-test="weigh"
              >Record the weight</v-btn
            >
          </div>
        </form>
        <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
        <v-checkbox v-if="errors['barG']" v-model="isSure" label="I am sure" data-test="is-sure" />
      </section>
      <section v-if="isOpen" class="sheet stack">
        <h2>{{ loaf.state.place ? `Stands on ${loaf.state.place}` : 'On which rack?' }}</h2>
        <form class="row" @submit.prevent="move">
          <v-text-field v-model="place" label="Rack and shelf" :error-messages="errors['place'] ?? []" />
          <v-btn type="submit" data-test="move" :disabled="place.trim() === ''">Put it there</v-btn>
        </form>
        <p>
          <a class="alone" :href="addressOf(endpoints.room.trayCards, { id })" target="_blank" data-test="tray-cards"
            >Cards for its trays</a
          >
        </p>
      </section>
      <CurePhotos v-if="isOpen" :loaf="loaf" :cut-day="cut.day" />
      <section class="sheet">
        <h2>Weighings</h2>
        <table class="figures">
          <tbody>
            <tr v-for="weighIn in weighIns" :key="weighIn.day">
              <td>{{ formatDay(weighIn.day, season.today) }}</td>
              <td class="number">{{ fineMass(weighIn.massG) }}</td>
            </tr>
          </tbody>
        </table>
        <p class="mt-3">
          <RouterLink class="alone" :to="`/loaves/${id}`">The whole story of lot {{ loaf.lotCode }}</RouterLink>
        </p>
      </section>
    </div>
  </div>
</template>
