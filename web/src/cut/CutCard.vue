<script setup lang="ts">
import { useUnits } from '@/parts/format'
import { keepPhoto } from '@/parts/keepPhoto'
import PhotoField from '@/parts/PhotoField.vue'
import QuantityField from '@/parts/QuantityField.vue'
import { useLoafEvents } from '@/parts/recordLoafEvent'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import type { LoafSummary } from '@vendange/contract'
import { barMassRange, barsRange } from '@vendange/contract'
import { cutOutcome, heaviestBarG } from '@vendange/core/cutting'
import { formatDay, relativeDay } from '@vendange/core/calendar'
import { counted } from '@vendange/words'
import { useKeptFields } from '@/parts/useKeptFields'
import { computed, ref } from 'vue'

const props = defineProps<{ loaf: LoafSummary }>()
const season = useSeason()
const { barMass } = useUnits()
const { record, errors, trouble, isSending } = useLoafEvents()

const bars = ref(props.loaf.barsPlanned)
const ends = ref(2)
const guests = ref(0)
const samples = ref(0)
const firstBarG = ref<number | null>(null)
const isBevelled = ref(false)
const photo = ref<File>()
const unread = ref<Record<string, string | undefined>>({})
const kept = useKeptFields(`cut:${props.loaf.id}`, { bars, ends, guests, samples, firstBarG, isBevelled })
const countRange = { min: 0, max: barsRange.max }
const soap = computed(() => season.design(props.loaf.designId))
const outcome = computed(() => cutOutcome(bars.value, props.loaf.barsPlanned))
const isSound = computed(
  () => firstBarG.value !== null && Object.values(unread.value).every((problem) => problem === undefined),
)

const others = computed(() =>
  [
    { name: 'guest bars', count: guests.value },
    { name: 'samples', count: samples.value },
  ].filter(({ count }) => count > 0),
)
const unmould = () => record(props.loaf, { type: 'unmoulded', day: season.today })

async function cut(): Promise<void> {
  if (firstBarG.value === null) return
  let photographed: Awaited<ReturnType<typeof keepPhoto>> | undefined
  if (photo.value) {
    photographed = await keepPhoto(photo.value)
    if ('failure' in photographed) {
      trouble.value = photographed.failure
      return
    }
  }
  const cutLoaf = await record(props.loaf, {
    type: 'cut',
    day: season.today,
    bars: bars.value,
    ends: ends.value,
    firstBarG: firstBarG.value,
    bevelled: isBevelled.value,
    others: others.value,
  })
  if (!cutLoaf) return
  kept.sent()
  if (!photographed || 'failure' in photographed) return
  const { photoId, photo: unsent } = photographed
  await record(cutLoaf.loaf, { type: 'photographed', day: season.today, photoId }, unsent)
}
</script>

<template>
  <section class="sheet stack" data-test="cut-card">
    <div class="head">
      <SoapFace :name="loaf.name" :soap="soap" :width="84" :height="60" />
      <div>
        <h2>{{ loaf.name }}</h2>
        <p class="quiet">
          Lot <RouterLink :to="`/loaves/${loaf.id}`">{{ loaf.lotCode }}</RouterLink>, {{ loaf.mouldName }}, poured
          {{ formatDay(loaf.state.pouredDay ?? season.today, season.today) }} ({{
            relativeDay(loaf.state.pouredDay ?? season.today, season.today)
          }})
        </p>
      </div>
    </div>
    <p><RouterLink class="alone" :to="`/cut/${loaf.id}`" data-test="plan-cut">Plan the cut</RouterLink></p>
    <template v-if="loaf.state.status === 'in_mould'">
      <p>Firm, and coming away from the liner? Gloves on: fresh soap still bites.</p>
      <div>
        <v-btn color="primary" variant="flat" size="large" :loading="isSending" data-test="unmould" @click="unmould"
          >Unmoulded</v-btn
        >
      </div>
    </template>
    <template v-else>
      <p>
        Hoped for {{ counted(loaf.barsPlanned, 'bar') }}.
        <b :class="outcome < 0 ? 'must' : 'vine'">{{
          outcome === 0 ? 'All there.' : outcome < 0 ? `${-outcome} missing.` : `${outcome} more.`
        }}</b>
      </p>
      <div class="fields">
        <QuantityField
          v-model="bars"
          kind="count"
          :range="countRange"
          label="Bars got"
          :error="errors['bars']"
          @problem="unread['bars'] = $event"
        />
        <QuantityField
          v-model="ends"
          kind="count"
          :range="countRange"
          label="Ends"
          :error="errors['ends']"
          @problem="unread['ends'] = $event"
        />
        <QuantityField v-model="guests" kind="count" :range="countRange" label="Guest bars" />
        <QuantityField v-model="samples" kind="count" :range="countRange" label="Samples" />
        <QuantityField
          v-model="firstBarG"
          kind="mass"
          :range="barMassRange"
          optional
          label="Mass of the first bar"
          :error="errors['firstBarG']"
          :hint="`About ${barMass(heaviestBarG(loaf.state.batterG ?? 0, loaf.barsPlanned))} at most`"
          @problem="unread['firstBarG'] = $event"
        />
      </div>
      <v-checkbox v-model="isBevelled" label="Bevelled" />
      <PhotoField v-model="photo" label="Photograph of the face (optional)" />
      <div>
        <v-btn
          color="primary"
          variant="flat"
          size="large"
          :loading="isSending"
          :disabled="!isSound"
          data-test="log-cut"
          @click="cut"
          >Log the cut</v-btn
        >
      </div>
    </template>
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  gap: 16px;
  align-items: center;
}
</style>
