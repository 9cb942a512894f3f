<script setup lang="ts">
import { runChange } from '@/parts/runChange'
import { api } from '@/parts/api'
import ConflictPanel from '@/parts/ConflictPanel.vue'
import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import { deleteWithUndo } from '@/parts/deleteWithUndo'
import PageHeadline from '@/parts/PageHeadline.vue'
import { useUndo } from '@/parts/undoStore'
import { useSavedForm } from '@/parts/useSavedForm'
import type { NewOrder } from '@vendange/contract'
import { endpoints, orderSchema } from '@vendange/contract'
import { addDays, formatDay } from '@vendange/core/calendar'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import OrderCharges from './OrderCharges.vue'
import OrderFields from './OrderFields.vue'
import QuoteDetails from './QuoteDetails.vue'
import QuoteOptions from './QuoteOptions.vue'
import { useQuote } from './useQuote'

const props = defineProps<{ id: string }>()
const season = useSeason()
const router = useRouter()
const { money } = useUnits()

const order = computed(() => season.order(props.id))
const { options, promises, isLooking } = useQuote(() => order.value)
const chosen = ref(0)
watch(options, () => (chosen.value = 0))
const option = computed(() => options.value[chosen.value])
const promise = computed(() => promises.value[chosen.value])

const { values, errors, status, theirDetails, settle } = useSavedForm({
  schema: orderSchema,
  source: () => order.value,
  save: (body: NewOrder & { version: number }) => api(endpoints.orders.update, { params: { id: props.id }, body }),
  label: () => order.value?.client ?? 'order',
})
const labels = {
  client: 'Client',
  bars: 'Bars',
  labelMassG: 'Label mass, g',
  dueDay: 'Due',
  scent: 'Scent',
  colours: 'Colours',
  packing: 'Packing',
  notes: 'Notes',
  charges: 'Charges',
}

const day = (number: number): string => addDays(season.today, number)
const on = (number: number): string => formatDay(day(number), season.today)

const sentence = computed(() => {
  const now = order.value
  if (!now) return ''
  const due = formatDay(now.dueDay, season.today)
  if (now.collectionId !== null) return `${now.client}: accepted, ${now.bars} bars by ${due}.`
  if (!season.recipe(now.recipeId)) return `${now.client} wants ${now.bars} bars by ${due}. Choose a recipe to quote.`
  if (!option.value) return `${now.client} wants ${now.bars} bars, but no mould can make them at that mass.`
  const found = promise.value
  if (!found) return `${now.client} wants ${now.bars} bars by ${due}. Looking for days …`
  if (!found.asPlanned && !found.withMoves) return `${now.client}: there is no room for ${now.bars} bars this season.`
  const first = found.asPlanned?.due ?? Infinity
  const sooner = found.withMoves?.due ?? Infinity
  const price = `for ${money(option.value.priceCents)}`
  if (Number.isFinite(first) && day(first) <= now.dueDay)
    return `Yes: ${now.bars} bars can be ready on ${on(first)}, ${price}. ${now.client} wants them by ${due}.`
  if (Number.isFinite(sooner) && day(sooner) <= now.dueDay)
    return `Only if something moves: ${now.bars} bars by ${on(sooner)}, ${price}.`
  return `Not by ${due}: the earliest honest day for ${now.bars} bars is ${on(Math.min(first, sooner))}, ${price}.`
})

async function accept(withMoves: boolean): Promise<void> {
  const now = order.value
  const quoted = option.value
  const promised = withMoves ? promise.value?.withMoves : promise.value?.asPlanned
  if (!now || !quoted) return
  if (!promised) return useUndo().tell('The quote is being worked out anew. Look at it, then accept it.')
  if (withMoves) {
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
      body: { version: now.version, priceCents: quoted.priceCents, batches },
    }),
  )
  if (accepted?.collectionId) await router.push(`/plan/${accepted.collectionId}`)
}

async function takeOrderAway(): Promise<void> {
  const now = order.value
  if (now && (await deleteWithUndo(endpoints.orders, { ...now, name: now.client }))) await router.push('/plan')
}
const printQuote = (): void => window.print()
</script>

<template>
  <template v-if="order && values">
    <p class="quiet crumb plain no-print"><RouterLink to="/plan">Plan</RouterLink> › Order</p>
    <PageHeadline>
      {{ sentence }}
      <template #actions>
        <v-btn v-if="order.collectionId" color="primary" variant="flat" :to="`/plan/${order.collectionId}`"
          >See its pours</v-btn
        >
        <template v-else-if="option">
          <v-btn v-if="promise?.asPlanned" color="primary" variant="flat" data-test="accept" @click="accept(false)"
            >Accept for {{ on(promise.asPlanned.due) }}</v-btn
          >
          <v-btn v-if="promise?.withMoves" data-test="accept-moving" @click="accept(true)"
            >Move and accept for {{ on(promise.withMoves.due) }}</v-btn
          >
          <v-btn data-test="print-quote" @click="printQuote">Print the quote</v-btn>
        </template>
      </template>
    </PageHeadline>
    <ConflictPanel v-if="theirDetails" :mine="values" :theirs="theirDetails" :labels="labels" @settle="settle" />

    <div class="columns quoting">
      <OrderFields v-model="values" :status="status" :errors="errors" @remove="takeOrderAway" />

      <div class="stack">
        <OrderCharges
          v-if="order.collectionId !== null"
          v-model="values.charges"
          :price-cents="order.priceCents ?? 0"
          :deposit-cents="order.depositCents"
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
