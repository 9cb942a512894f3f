<script setup lang="ts">
import { runChange } from '@/parts/runChange'
import { api } from '@/parts/api'
import { usePromises } from '@/parts/promiseStore'
import ConflictPanel from '@/parts/ConflictPanel.vue'
import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import { deleteWithUndo } from '@/parts/deleteWithUndo'
import FindingList from '@/parts/FindingList.vue'
import PageHeadline from '@/parts/PageHeadline.vue'
import { useUndo } from '@/parts/undoStore'
import { useSavedForm } from '@/parts/useSavedForm'
import type { NewOrder, SavedOrder } from '@vendange/contract'
import { addressOf, endpoints, offerOf, orderSchema } from '@vendange/contract'
import { addDays, formatDay } from '@vendange/core/calendar'
import { clientLines, taxedPrice } from '@vendange/core/plan'
import type { Placement, PlannedMove } from '@vendange/core/season'
import { orderForecasts } from '@vendange/core/season'
import { counted } from '@vendange/words'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import OrderBars from './OrderBars.vue'
import OrderCharges from './OrderCharges.vue'
import OrderFields from './OrderFields.vue'
import QuoteDetails from './QuoteDetails.vue'
import QuoteOptions from './QuoteOptions.vue'
import MakeGood from '../MakeGood.vue'
import { dayCount, listed } from '../verdictWords'
import { noTax, useQuote } from './useQuote'

const props = defineProps<{ id: string }>()
const season = useSeason()
const router = useRouter()
const { money } = useUnits()

const order = computed(() => season.order(props.id))
const { options, promises, isLooking, whyNoRoom } = useQuote(() => order.value)
const chosen = ref(0)
watch(options, () => (chosen.value = 0))
const option = computed(() => options.value[chosen.value])
const promise = computed(() => promises.value[chosen.value])
/** Why it cannot be made this season, where it cannot. */
const noRoom = computed(() => {
  const isWithoutDay = promise.value && !promise.value.asPlanned && !promise.value.withMoves
  return option.value && isWithoutDay ? whyNoRoom(option.value) : []
})
const isPriced = computed(() => option.value?.unpriced.length === 0)
const promisesKept = usePromises()

const { values, errors, status, theirDetails, settle } = useSavedForm({
  schema: orderSchema,
  source: () => order.value,
  save: (body: NewOrder & { version: number }) => api(endpoints.orders.update, { params: { id: props.id }, body }),
  label: () => order.value?.client ?? 'order',
})
const labels = {
  client: 'Client',
  bars: 'Bars',
  labelMassG: 'Mass on the label',
  dueDay: 'Due',
  promisedDay: 'Promised for',
  priceCents: 'Price',
  scent: 'Scent',
  colours: 'Colours',
  packing: 'Packing',
  notes: 'Notes',
  charges: 'Charges',
  recipients: 'Boxes',
  packedDay: 'Packed',
  sentDay: 'Sent',
  paidDay: 'Paid',
}

const day = (number: number): string => addDays(season.today, number)
const on = (number: number): string => formatDay(day(number), season.today)

/** What was promised and what is to be expected, once it is accepted. */
function promisedWords(now: SavedOrder): string {
  const bars = `${now.client}: ${now.bars} ${now.bars === 1 ? 'bar' : 'bars'}`
  if (now.promisedDay === null) return `${bars}, accepted. No day was promised.`
  const promised = formatDay(now.promisedDay, season.today)
  if (now.state === 'delivered') return `${bars}, promised for ${promised} and handed over.`
  const { readyDay, lateDays = 0 } = orderForecasts(season).find(({ order: its }) => its.id === now.id) ?? {}
  if (readyDay === undefined) return `${bars} promised for ${promised}. It has no pour on the calendar.`
  const ready = formatDay(readyDay, season.today)
  if (lateDays > 0)
    return `${bars} promised for ${promised}; as it stands ready on ${ready}, ${dayCount(lateDays)} late.`
  const early = lateDays === 0 ? 'that very day' : `${dayCount(lateDays)} before`
  return `${bars} promised for ${promised}; as it stands ready on ${ready}, ${early}.`
}

const sentence = computed(() => {
  const now = order.value
  if (!now) return ''
  if (now.collectionId !== null) return promisedWords(now)
  const due = formatDay(now.dueDay, season.today)
  if (!season.recipe(now.recipeId))
    return `${now.client} wants ${counted(now.bars, 'bar')} by ${due}. Choose a recipe to quote.`
  if (!option.value) return `${now.client} wants ${counted(now.bars, 'bar')}, but no mould can make them at that mass.`
  const found = promise.value
  if (!found) return `${now.client} wants ${counted(now.bars, 'bar')} by ${due}. Looking for days …`
  if (!found.asPlanned && !found.withMoves)
    return `${now.client}: there is no room for ${counted(now.bars, 'bar')} this season.`
  const first = found.asPlanned?.due ?? Infinity
  const sooner = found.withMoves?.due ?? Infinity
  // A sum that lacks prices is no price.
  const price = isPriced.value ? `, for ${money(option.value.priceCents)}` : ''
  if (Number.isFinite(first) && day(first) <= now.dueDay)
    return `Yes: ${counted(now.bars, 'bar')} can be ready on ${on(first)}${price}. ${now.client} wants them by ${due}.`
  if (Number.isFinite(sooner) && day(sooner) <= now.dueDay)
    return `Only if something moves: ${counted(now.bars, 'bar')} by ${on(sooner)}${price}.`
  return `Not by ${due}: the earliest honest day for ${counted(now.bars, 'bar')} is ${on(Math.min(first, sooner))}${price}.`
})

/** The days of the pours that stand, moved as a promise asks. */
const movesOf = (moved: readonly Placement[]): readonly (PlannedMove & { readonly days: object })[] =>
  moved.map(({ id, pour, cut }) => ({ batchId: id, days: { pourDay: day(pour), cutDay: day(cut) } }))

async function accept(withMoves: boolean): Promise<void> {
  const now = order.value
  const quoted = option.value
  const promised = withMoves ? promise.value?.withMoves : promise.value?.asPlanned
  if (!now || !quoted) return
  if (!promised) return useUndo().tell('The quote is being worked out anew. Look at it, then accept it.')
  if (withMoves) {
    if (!(await promisesKept.mayTake(movesOf(promised.moved)))) return
    const moves = promised.moved.flatMap(({ id, pour, cut }) => {
      const batch = season.batches.find((one) => one.id === id)
      return batch ? [{ batchId: id, pourDay: day(pour), cutDay: day(cut), version: batch.version }] : []
    })
    const moved = await runChange(() => api(endpoints.acceptPlan, { body: { moves, pours: [] } }))
    if (!moved) return
  }
  const days = [...promised.pours].sort((a, b) => a.id.localeCompare(b.id, 'en', { numeric: true }))
  const batches = quoted.batches.flatMap((batch, index) => {
    const at = days[index]
    return at ? [{ ...batch, pourDay: day(at.pour), cutDay: day(at.cut) }] : []
  })
  const accepted = await runChange(() =>
    api(endpoints.orders.accept, {
      params: { id: now.id },
      body: {
        version: now.version,
        priceCents: isPriced.value ? quoted.priceCents : null,
        promisedDay: day(promised.due),
        batches,
      },
    }),
  )
  if (accepted?.collectionId) await router.push(`/plan/${accepted.collectionId}`)
}

async function takeOrderAway(): Promise<void> {
  const now = order.value
  if (now && (await deleteWithUndo(endpoints.orders, { ...now, name: now.client }))) await router.push('/plan')
}
const printSheet = (): void => window.print()

/** The first day that the chosen way can be promised for. */
const readyNumber = computed(() => promise.value?.asPlanned?.due ?? promise.value?.withMoves?.due)
const whyNoQuote = computed(() => {
  if (!isPriced.value)
    return `First say what ${listed(option.value?.unpriced ?? [])} cost, among the workshop’s prices.`
  return readyNumber.value === undefined ? 'There is no day yet to promise it for.' : ''
})
/** Puts the chosen way on paper for the client. */
async function makeQuote(): Promise<void> {
  const now = order.value
  const way = option.value
  if (!now || !way || readyNumber.value === undefined) return
  const body = {
    version: now.version,
    priceCents: way.priceCents,
    readyDay: day(readyNumber.value),
    lines: [...clientLines(way)],
  }
  await runChange(() => api(endpoints.orders.quote, { params: { id: now.id }, body }))
}
const quotePath = computed(() => addressOf(endpoints.orders.quoteSheet, { id: props.id }))
const quotedWords = computed(() => {
  if (!order.value?.quoted) return ''
  const { quoted } = order.value
  const when = (text: string): string => formatDay(text, season.today)
  const price = money(taxedPrice(quoted.priceCents, season.workshop?.quoting ?? noTax).grossCents)
  const isOver = quoted.validUntilDay < season.today
  const isOther = JSON.stringify(quoted.offer) !== JSON.stringify(offerOf(order.value))
  const changed = isOther ? ' The order has changed since.' : ''
  return `On paper since ${when(quoted.day)}: ${price}, ready on ${when(quoted.readyDay)}; ${isOver ? 'was valid until' : 'valid until'} ${when(quoted.validUntilDay)}.${changed}`
})
</script>

<template>
  <template v-if="order && values">
    <p class="quiet crumb plain no-print"><RouterLink to="/plan">Plan</RouterLink> › Order</p>
    <PageHeadline>
      {{ sentence }}
      <template #actions>
        <template v-if="order.collectionId">
          <v-btn color="primary" variant="flat" :to="`/plan/${order.collectionId}`">See its pours</v-btn>
          <v-btn :to="`/give-out/${order.collectionId}`" data-test="to-giving">Give its bars out</v-btn>
        </template>
        <template v-else-if="option">
          <v-btn v-if="promise?.asPlanned" color="primary" variant="flat" data-test="accept" @click="accept(false)"
            >Accept for {{ on(promise.asPlanned.due) }}</v-btn
          >
          <v-btn v-if="promise?.withMoves" data-test="accept-moving" @click="accept(true)"
            >Move and accept for {{ on(promise.withMoves.due) }}</v-btn
          >
          <v-btn :disabled="whyNoQuote !== ''" :title="whyNoQuote" data-test="make-quote" @click="makeQuote"
            >Quote for {{ order.client }}</v-btn
          >
          <v-btn data-test="print-sheet" @click="printSheet">Print my own sheet</v-btn>
        </template>
      </template>
    </PageHeadline>
    <p v-if="quotedWords !== '' && order.collectionId === null" class="quoted" data-test="quoted">
      {{ quotedWords }}
      <v-btn size="small" class="no-print" :href="quotePath" target="_blank" data-test="open-quote"
        >Open it (PDF)</v-btn
      >
    </p>
    <p v-if="option && order.collectionId === null && !isPriced" class="brass quoted" data-test="unpriced">
      The price is open: nobody has said yet what {{ listed(option.unpriced) }}
      {{ option.unpriced.length === 1 ? 'costs' : 'cost' }}.
      <RouterLink to="/workshop" class="no-print">Set prices</RouterLink>
    </p>
    <FindingList v-if="order.collectionId === null" :findings="noRoom" class="no-print no-room" data-test="no-room" />
    <ConflictPanel v-if="theirDetails" :mine="values" :theirs="theirDetails" :labels="labels" @settle="settle" />

    <div class="columns quoting">
      <OrderFields v-model="values" :status="status" :errors="errors" @remove="takeOrderAway" />

      <div class="stack">
        <OrderBars
          v-if="order.collectionId !== null"
          v-model:packed-day="values.packedDay"
          v-model:paid-day="values.paidDay"
          :order="order"
        />
        <MakeGood v-for="soap in season.lineUp(order.collectionId ?? '')" :key="soap.id" :design="soap" />
        <OrderCharges
          v-if="order.collectionId !== null"
          v-model="values.charges"
          :price-cents="order.priceCents"
          :deposit-cents="order.depositCents"
          :paid-day="order.paidDay"
        />
        <template v-else-if="option">
          <QuoteOptions
            v-model="chosen"
            :order="order"
            :options="options"
            :promises="promises"
            :is-looking="isLooking"
            :on="on"
          />
          <QuoteDetails :order="order" :option="option" :promise="promise" :on="on" />
        </template>
      </div>
    </div>
  </template>
  <PageHeadline v-else>There is no such order.</PageHeadline>
</template>

<style scoped>
.no-room {
  margin-bottom: 20px;
}

.quoted {
  margin-bottom: 14px;
}

@media (min-width: 1100px) {
  .quoting {
    grid-template-columns: minmax(0, 0.8fr) minmax(0, 1.2fr);
  }
}

@media print {
  .quoting {
    display: block;
  }
}
</style>
