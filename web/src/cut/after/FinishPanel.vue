<script setup lang="ts">
import { finishedWords, finishWords } from '@/parts/finishWords'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import { useLoafEvents } from '@/parts/recordLoafEvent'
import { useSeason } from '@/parts/seasonStore'
import { useFinishTimes } from '@/parts/useFinishTimes'
import type { LoafSummary, SavedMould } from '@vendange/contract'
import { barsRange } from '@vendange/contract'
import type { EdgeGroup, Finish, TakingOff } from '@vendange/core/cutting'
import { barMassNow } from '@vendange/core/cure'
import {
  barSidesOf,
  bevelLegRange,
  cutAt,
  edgeGroups,
  finishes,
  finishingOf,
  planedFacesRange,
  planedRange,
} from '@vendange/core/cutting'
import { finishedBars } from '@vendange/core/loaf'
import { bevellingCents } from '@vendange/core/plan'
import { counted } from '@vendange/words'
import { useKeptFields } from '@/parts/useKeptFields'
import { computed, ref, watch } from 'vue'

/** Planing, paring, bevelling, stamping, polishing: how long it takes, what comes off, what it costs more. */
const props = defineProps<{ loaf: LoafSummary; mould: SavedMould }>()
const season = useSeason()
const { show, fineMass, barMass, money } = useUnits()
const { timeOf } = useFinishTimes()
const { record, errors, trouble, isSending } = useLoafEvents()
const edgeWords: Readonly<Record<EdgeGroup, string>> = {
  widthMm: 'Edges along the width',
  heightMm: 'Edges along the height',
  thicknessMm: 'Edges along the thickness',
}
const finish = ref<Finish>('bevelled')
/** Bars that this work is still to be done with. */
const left = computed(() => (props.loaf.state.cut?.bars ?? 0) - finishedBars(props.loaf.state, finish.value))
const bars = ref(props.loaf.state.cut?.bars ?? 1)
watch(left, (now) => (bars.value = now > 0 ? now : (props.loaf.state.cut?.bars ?? 1)), { immediate: true })
const legMm = ref(4)
const edges = ref<EdgeGroup[]>([...edgeGroups])
const planedMm = ref(1)
const faces = ref(2)
const across = ref<EdgeGroup>('thicknessMm')
const acrossWords: Readonly<Record<EdgeGroup, string>> = {
  thicknessMm: 'Large faces',
  widthMm: 'Left and right',
  heightMm: 'Top and bottom',
}
const minutes = ref<number | null>(null)
const removedG = ref<number | null>(null)
const minutesRange = { min: 0, max: 1440 }
const massRange = { min: 0, max: 20_000 }
const time = computed(() => timeOf(finish.value, bars.value))
const planed = computed(() => ({ planedMm: planedMm.value, faces: faces.value, across: across.value }))
const takingOff = computed<TakingOff | undefined>(() => {
  if (finish.value === 'bevelled') return { finish: 'bevelled', legMm: legMm.value, edges: edges.value }
  return finish.value === 'planed' ? { finish: 'planed', ...planed.value } : undefined
})
const asCut = computed(() => cutAt(props.mould, props.loaf.barThicknessMm))
/** What a bar weighs by now: it is finished wet, or when it has cured. */
const barNow = computed(() => {
  const { cut, weighIns } = props.loaf.state
  return cut && barMassNow({ cut, weighIns }, barSidesOf(asCut.value), season.workshop?.cureLoss ?? 0, season.today)
})
const reckoned = computed(
  () =>
    takingOff.value &&
    finishingOf(asCut.value, props.loaf.state, { ...takingOff.value, bars: bars.value }, barNow.value?.massG),
)
const isOff = computed(
  () => removedG.value !== null && reckoned.value !== undefined && reckoned.value.isFarOff(removedG.value),
)
const order = computed(() => {
  const collectionId = season.design(props.loaf.designId)?.collectionId
  return season.orders.find((one) => one.collectionId !== null && one.collectionId === collectionId)
})
const charge = computed(() => {
  const { pricing } = season.workshop ?? {}
  if (!pricing || finish.value !== 'bevelled') return ''
  if (order.value?.bevelled) return `The price of ${order.value.client}’s order has it already.`
  const more = money(bevellingCents(bars.value, pricing))
  return order.value ? `${more} go on ${order.value.client}’s order.` : `On an order it would be ${more} more.`
})
const kept = useKeptFields(`finish:${props.loaf.id}`, {
  finish,
  legMm,
  edges,
  planedMm,
  faces,
  across,
  minutes,
  removedG,
})
async function log(): Promise<void> {
  const event = {
    type: 'finished',
    day: season.today,
    finish: finish.value,
    bars: bars.value,
    minutes: minutes.value ?? 0,
    removedG: removedG.value,
    ...(finish.value === 'planed' ? { planed: planed.value } : {}),
  } as const
  if (!(await record(props.loaf, event))) return
  minutes.value = null
  removedG.value = null
  kept.sent()
}
</script>

<template>
  <section class="sheet stack">
    <h2>Finish</h2>
    <p v-if="left <= 0" data-test="finish-words">
      <span class="vine">{{ finishedWords[finish] }}: all {{ counted(loaf.state.cut?.bars ?? 0, 'bar') }}.</span>
      {{ order?.bevelled ? charge : '' }}
    </p>
    <p v-else data-test="finish-words">
      {{ finishWords[finish] }} of {{ counted(bars, 'bar') }}: about {{ time.allMin }} min ({{
        time.eachMin.toFixed(1)
      }}
      a bar, {{ time.isLearned ? 'learned here' : 'an estimate' }}).
      <template v-if="reckoned">
        {{ fineMass(reckoned.eachG) }} come off each bar of {{ barMass(barNow?.massG ?? 0)
        }}{{ barNow?.isWeighed ? '' : ' (estimate)' }}, {{ show('mass', reckoned.allG) }} in all. {{ charge }}
      </template>
    </p>
    <div class="fields">
      <v-select
        v-model="finish"
        :items="finishes.map((value) => ({ value, title: finishWords[value] }))"
        label="Work"
        class="wide"
        data-test="finish"
      />
      <QuantityField v-model="bars" kind="count" :range="barsRange" label="Bars" :error="errors['bars']" />
      <QuantityField
        v-if="finish === 'bevelled'"
        v-model="legMm"
        kind="length"
        :range="bevelLegRange"
        label="Leg of the bevel"
      />
      <template v-if="finish === 'planed'">
        <QuantityField v-model="planedMm" kind="length" :range="planedRange" label="Planed off a face" />
        <v-select
          v-model="across"
          :items="edgeGroups.map((value) => ({ value, title: acrossWords[value] }))"
          label="Which faces"
          data-test="planed-across"
        />
        <QuantityField v-model="faces" kind="count" :range="planedFacesRange" label="Faces of a bar" />
      </template>
      <QuantityField v-model="minutes" kind="number" optional :range="minutesRange" label="It took, min" />
      <QuantityField v-model="removedG" kind="mass" optional :range="massRange" label="Came off" hint="By the scale" />
    </div>
    <div v-if="finish === 'bevelled'" class="row">
      <v-checkbox v-for="group in edgeGroups" :key="group" v-model="edges" :value="group" :label="edgeWords[group]" />
    </div>
    <p v-if="takingOff && !reckoned" class="must">
      {{ finish === 'bevelled' ? 'Two bevels would meet: take a shorter leg.' : 'Nothing of the bar would be left.' }}
    </p>
    <p v-if="isOff" class="must" data-test="finish-off">
      The scale says much else than the {{ show('mass', reckoned?.allG ?? 0) }} reckoned. Sizes or count may be others.
    </p>
    <div>
      <v-btn :disabled="minutes === null" :loading="isSending" data-test="log-finish" @click="log">Log it</v-btn>
    </div>
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
  </section>
</template>
