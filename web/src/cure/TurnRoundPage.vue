<script setup lang="ts">
import PageHeadline from '@/parts/PageHeadline.vue'
import PhotoField from '@/parts/PhotoField.vue'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import { useAwake } from '@/parts/useAwake'
import { useGoOnKey } from '@/parts/useGoOnKey'
import { traysOf } from '@vendange/core/cure'
import { counted } from '@vendange/words'
import { computed, ref, watch } from 'vue'
import PhotosOfCamera from './PhotosOfCamera.vue'
import { useTurningRound } from './useTurningRound'

/** Tray by tray: bars turned by a press, faces photographed where their day has come. */
const season = useSeason()
useAwake()
const { trays, now, stopOf, doneCount, trouble, goOn, photograph, leaveForLater, undo } = useTurningRound()

const stop = computed(() => (now.value ? stopOf(now.value.id) : undefined))
const photo = ref<File>()
const failure = ref<string>()
watch(photo, async (file) => {
  if (!file || !now.value) return
  failure.value = await photograph(now.value, file)
  photo.value = undefined
})
const isGoing = ref(false)
async function press(): Promise<void> {
  if (isGoing.value || !now.value) return
  isGoing.value = true
  try {
    await goOn()
  } finally {
    isGoing.value = false
  }
}
useGoOnKey(press)

const curing = computed(() =>
  season.loaves.filter(({ state }) => state.cut && ['curing', 'held'].includes(state.status)),
)
const trayCount = computed(() => traysOf(now.value?.state.cut?.bars ?? 0, season.workshop?.barsPerTray ?? 1))
const sentence = computed(() => {
  if (trays.value.length === 0) return 'Nothing is to be turned or photographed today.'
  if (!now.value) return 'All is turned.'
  const { name, lotCode, state } = now.value
  const where = state.place === undefined ? '' : `, on ${state.place}`
  const what = stop.value?.isToTurn === false ? 'Photograph' : `Turn ${counted(trayCount.value, 'tray')} of`
  return `${what} ${name}, lot ${lotCode}${where}.`
})
</script>

<template>
  <PageHeadline>
    {{ sentence }}
    <template v-if="!now" #actions>
      <v-btn color="primary" variant="flat" to="/cure">To the cure room</v-btn>
    </template>
  </PageHeadline>
  <div class="columns wide-left">
    <div class="stack">
      <section v-if="now" class="sheet stack" data-test="turn-now">
        <div class="row">
          <SoapFace :name="now.name" :soap="season.design(now.designId)" :width="150" :height="104" />
          <p>
            <b>{{ doneCount + 1 }} of {{ trays.length }}</b
            ><br />
            <span class="quiet"
              >{{ stop?.photoDay === undefined ? '' : 'Photograph it in the same place and light. ' }}Look for orange
              spots, ash and cracks while they are in the hand.</span
            >
          </p>
        </div>
        <PhotoField v-if="stop?.photoDay !== undefined" v-model="photo" :label="`Photograph of day ${stop.photoDay}`" />
        <p v-if="failure ?? trouble" class="must" role="alert">{{ failure ?? trouble }}</p>
        <v-btn
          color="primary"
          variant="flat"
          size="x-large"
          block
          :loading="isGoing"
          data-test="turned"
          @click="press"
          >{{ stop?.isToTurn === false ? 'Go on' : 'Turned' }}</v-btn
        >
        <div class="row">
          <v-btn size="large" data-test="later" @click="leaveForLater()">Later</v-btn>
          <v-btn size="large" :disabled="doneCount === 0" data-test="undo-turning" @click="undo"
            >Take the last back</v-btn
          >
          <v-btn size="large" :to="`/cut/${now.id}`" data-test="fault-of-tray">Something is wrong</v-btn>
        </div>
        <p class="quiet">Space or Enter goes on to the next trays.</p>
      </section>
      <PhotosOfCamera v-if="curing.length > 0" :loaves="curing" :keep="photograph" />
    </div>
    <section v-if="trays.length > 0" class="sheet">
      <h2>The round, by rack</h2>
      <ol class="bare round">
        <li v-for="tray in trays" :key="tray.loaf.id" :class="{ done: tray.isDone }" data-test="round-tray">
          <span>
            <b>{{ tray.loaf.name }}</b><br /><small class="quiet"
              >{{ tray.loaf.lotCode }}, {{ tray.loaf.state.place ?? 'no place yet' }}</small
            >
          </span>
          <span class="number">
            {{ tray.isDone ? 'done' : tray.isLater ? 'later' : '' }}
            <small v-if="stopOf(tray.loaf.id)?.photoDay !== undefined" class="brass">photograph</small>
          </span>
        </li>
      </ol>
    </section>
  </div>
</template>
