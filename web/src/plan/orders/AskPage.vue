<script setup lang="ts">
import ChoiceButtons from '@/parts/ChoiceButtons.vue'
import DateField from '@/parts/DateField.vue'
import FindingList from '@/parts/FindingList.vue'
import { useUnits } from '@/parts/format'
import PageHeadline from '@/parts/PageHeadline.vue'
import QuantityField from '@/parts/QuantityField.vue'
import { useSeason } from '@/parts/seasonStore'
import { useKeptFields } from '@/parts/useKeptFields'
import { barsRange, labelMassRange } from '@vendange/contract'
import { addDays, formatDay } from '@vendange/core/calendar'
import { counted } from '@vendange/words'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { createOrder, orderToAsk, usualStampDays } from '../newThings'
import { useQuote } from './useQuote'

/** A client on the telephone: four answers, and what can be said to them at once. */
const season = useSeason()
const router = useRouter()
const { money, barMass, thickness } = useUnits()

const start = orderToAsk()
const bars = ref(start.bars)
const dueDay = ref(start.dueDay)
const labelMassG = ref(start.labelMassG)
const edges = ref<'cut' | 'bevelled' | 'stamped' | 'both'>('cut')
const kept = useKeptFields('a-client-asks', { bars, dueDay, labelMassG, edges })
const edgeChoices = [
  { value: 'cut', words: 'As cut' },
  { value: 'bevelled', words: 'Bevelled' },
  { value: 'stamped', words: 'Stamped' },
  { value: 'both', words: 'Bevelled and stamped' },
] as const
const unread = ref<Record<string, string | undefined>>({})

const wish = computed(() => ({
  ...start,
  bars: bars.value,
  dueDay: dueDay.value,
  labelMassG: labelMassG.value,
  bevelled: edges.value === 'bevelled' || edges.value === 'both',
  stampLeadDays: edges.value === 'stamped' || edges.value === 'both' ? usualStampDays : null,
}))
/** Asked once the hand rests: each figure of a number need not be answered. */
const restMs = 250
const asked = shallowRef(wish.value)
let timer: ReturnType<typeof setTimeout> | undefined
watch(wish, (now) => {
  clearTimeout(timer)
  timer = setTimeout(() => (asked.value = now), restMs)
})
onBeforeUnmount(() => clearTimeout(timer))

const isSound = computed(() => Object.values(unread.value).every((problem) => problem === undefined))
const { options, promises, isLooking, whyNoRoom } = useQuote(() => asked.value)
const day = (number: number): string => addDays(season.today, number)
const on = (number: number): string => formatDay(day(number), season.today)
/** The first day that a way is there for, with nothing moved or with others moved. */
const firstDue = (at: number): number | undefined => {
  const promise = promises.value[at]
  return promise?.asPlanned?.due ?? promise?.withMoves?.due
}
const best = computed(() => options.value[0])
const due = computed(() => firstDue(0))
const noRoom = computed(() => (best.value && promises.value[0] && due.value === undefined ? whyNoRoom(best.value) : []))
const recipeName = computed(() => season.recipe(start.recipeId)?.name)

const sentence = computed(() => {
  const wanted = counted(asked.value.bars, 'bar')
  if (recipeName.value === undefined) return 'Write a recipe first: without one no price can be said.'
  if (!best.value) return `No mould here makes ${wanted} of ${barMass(asked.value.labelMassG)}.`
  const price = best.value.unpriced.length === 0 ? `${money(best.value.priceCents)}, ` : ''
  if (!promises.value[0]) return `${price}${wanted}: looking for days …`
  if (due.value === undefined) return `There is no room for ${wanted} this season.`
  const ready = `ready on ${on(due.value)}`
  const moved = promises.value[0].asPlanned ? '' : ', if other pours move'
  return day(due.value) <= asked.value.dueDay
    ? `Yes: ${price}${wanted} ${ready}${moved}.`
    : `${price}${wanted} ${ready}${moved}: not by ${formatDay(asked.value.dueDay, season.today)}.`
})

const isKeeping = ref(false)
async function keep(): Promise<void> {
  isKeeping.value = true
  const order = await createOrder(wish.value)
  isKeeping.value = false
  if (!order) return
  kept.sent()
  await router.push(`/orders/${order.id}`)
}
</script>

<template>
  <PageHeadline>{{ sentence }}</PageHeadline>
  <div class="columns two">
    <section class="sheet stack" data-test="ask">
      <h2>A client asks</h2>
      <div class="fields">
        <QuantityField v-model="bars" kind="count" :range="barsRange" label="Bars" @problem="unread['bars'] = $event" />
        <DateField v-model="dueDay" label="Wanted by" />
        <QuantityField
          v-model="labelMassG"
          kind="mass"
          :range="labelMassRange"
          label="Mass of a bar"
          @problem="unread['mass'] = $event"
        />
      </div>
      <ChoiceButtons v-model="edges" :choices="edgeChoices" label="Edges and stamp" />
      <p class="quiet">
        In {{ recipeName }}, without scent and colour.
        <template v-if="wish.stampLeadDays !== null"
          >A new stamp is there in {{ usualStampDays }} days (estimate).</template
        >
        Scent, colours and packing follow on the order.
      </p>
      <v-btn
        color="primary"
        variant="flat"
        size="x-large"
        block
        :loading="isKeeping"
        :disabled="!isSound"
        data-test="keep-order"
        @click="keep"
        >Keep it as an order</v-btn
      >
    </section>
    <section v-if="options.length > 0" class="sheet" data-test="ways">
      <h2>Ways to make it</h2>
      <FindingList :findings="noRoom" />
      <ul class="bare">
        <li v-for="(one, at) in options" :key="at" data-test="way">
          <p>
            <template v-for="part in one.parts" :key="part.mould.id"
              ><b>{{ part.loaves }} × {{ part.mould.name }}</b
              >, cut {{ thickness(part.barThicknessMm) }}<br
            /></template>
            <span class="quiet"
              >{{ counted(one.bars, 'bar') }} of {{ barMass(one.barCuredG) }}, {{ one.hours }} h of work</span
            >
          </p>
          <p class="figures">
            <b>{{ one.unpriced.length === 0 ? money(one.priceCents) : 'open' }}</b><br />
            <span class="quiet">{{
              firstDue(at) !== undefined ? on(firstDue(at)!) : promises[at] || !isLooking ? 'no room' : '…'
            }}</span>
          </p>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
li {
  display: flex;
  gap: 16px;
  justify-content: space-between;
  padding: 10px 0;
  border-top: 1px solid rgb(var(--v-theme-hairline));
}

.figures {
  flex: none;
  text-align: right;
}
</style>
