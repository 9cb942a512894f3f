<script setup lang="ts">
import { useUnits } from '@/parts/format'
import PageHeadline from '@/parts/PageHeadline.vue'
import QuantityField from '@/parts/QuantityField.vue'
import { useSaleQueue } from '@/parts/outbox/saleQueue'
import { useLoafEvents } from '@/parts/recordLoafEvent'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import { useAwake } from '@/parts/useAwake'
import { useKeptFields } from '@/parts/useKeptFields'
import { homeComings, stallLines, takingsCents } from '@vendange/core/release'
import { counted } from '@vendange/words'
import { computed, ref } from 'vue'
import OwedSales from './OwedSales.vue'
import StallBasket from './StallBasket.vue'

/** A market day: what was packed, tapped as it is sold, kept on this device while there is no network. */
const season = useSeason()
const queue = useSaleQueue()
const { record, trouble, isSending } = useLoafEvents()
useAwake()
const { money, currency } = useUnits()

/** Bars in the basket by soap. */
const basket = ref<Readonly<Record<string, number>>>({})
const prices = ref<Record<string, number>>({})
useKeptFields('stall', { prices })
const priceRange = { min: 0, max: 100_000 }
const priceOf = (designId: string): number => prices.value[designId] ?? season.barCentsOf(designId)
const inBasket = computed(() =>
  Object.entries(basket.value).map(([designId, bars]) => ({ designId, bars, priceCents: priceOf(designId) })),
)
const waiting = computed(() => queue.kept.filter(({ refusal }) => refusal === undefined))
/** What the workshop could not even keep as owed waits on the device until somebody settles it. */
const notTaken = computed(() => queue.kept.filter(({ refusal }) => refusal !== undefined))
const lines = computed(() =>
  stallLines(season.loaves, [...waiting.value, ...inBasket.value]).flatMap((line) => {
    const design = season.design(line.designId)
    return design ? [{ ...line, design }] : []
  }),
)
const barsLeft = computed(() => lines.value.reduce((sum, { left }) => sum + Math.max(0, left), 0))
const soldToday = computed(() => lines.value.reduce((sum, { sold }) => sum + sold, 0))

function put(designId: string, by: number): void {
  const bars = (basket.value[designId] ?? 0) + by
  const { [designId]: _, ...others } = basket.value
  basket.value = bars > 0 ? { ...others, [designId]: bars } : others
}

/** The sales of the last buyer, while they can still be taken back. */
const last = ref<readonly string[]>([])
const canUndo = computed(() => last.value.length > 0 && waiting.value.some(({ saleId }) => last.value.includes(saleId)))
async function sell(paid: 'cash' | 'card' | 'sample'): Promise<void> {
  // Bar by bar: where another screen sold the last one, the others are written down all the same.
  const sales = inBasket.value.flatMap(({ bars, ...line }) =>
    Array.from({ length: bars }, () => ({
      ...line,
      priceCents: paid === 'sample' ? 0 : line.priceCents,
      bars: 1,
      saleId: crypto.randomUUID(),
      day: season.today,
      lotCode: '',
      channel: 'Stalls' as const,
      buyer: paid === 'sample' ? 'A sample, given' : `Stall, ${paid}`,
    })),
  )
  await queue.add(
    sales,
    ({ designId, priceCents, buyer }) =>
      `${season.design(designId)?.name ?? ''}, a bar at ${money(priceCents)}, ${buyer}`,
  )
  last.value = sales.map(({ saleId }) => saleId)
  basket.value = {}
}
/** What was not sold goes back among the bars that are free; sales first, they change what there is. */
const home = computed(() => homeComings(season.loaves))
const isGoingHome = ref(false)
async function bringHome(): Promise<void> {
  const reason = 'Came home from the market'
  for (const { loafId, version, bars } of home.value)
    await record({ id: loafId, version }, { type: 'given_back', day: season.today, bars, channel: 'Stalls', reason })
  isGoingHome.value = false
}
async function undo(): Promise<void> {
  await queue.drop(last.value)
  last.value = []
}
</script>

<template>
  <PageHeadline>
    <template v-if="lines.length === 0">Nothing is packed for a stall. Set bars aside for stalls first.</template>
    <template v-else
      >{{ counted(barsLeft, 'bar') }} to sell, {{ soldToday }} sold.
      <template v-if="season.owedSales.length > 0"
        >{{ counted(season.owedSales.length, 'sale') }} to settle.</template
      ></template
    >
    <template v-if="lines.length === 0" #actions>
      <v-btn color="primary" variant="flat" to="/release">To the release</v-btn>
    </template>
  </PageHeadline>

  <OwedSales class="below" />
  <p v-if="notTaken.length > 0" class="must below">
    {{ counted(notTaken.length, 'sale was', 'sales were') }} not taken: <RouterLink to="/waiting">see why</RouterLink>.
  </p>
  <p v-if="waiting.length > 0" class="quiet below" role="status" data-test="stall-waiting">
    {{ counted(waiting.length, 'bar sold waits', 'bars sold wait') }} on this device{{
      queue.isReached ? '' : ': the workshop is not reached'
    }}.
  </p>

  <ul class="soaps">
    <li v-for="{ design, designId, packed, left } in lines" :key="designId" class="sheet soap" data-test="stall-soap">
      <button class="tap" :disabled="left <= 0" :aria-label="`Sell a bar of ${design.name}`" @click="put(designId, 1)">
        <SoapFace :name="design.name" :soap="design" :width="96" :height="70" />
        <span>
          <b class="serif">{{ design.name }}</b><br />
          <span :class="left < 0 ? 'must' : 'quiet'">{{
            left > 0
              ? `${left} of ${packed} left`
              : left < 0
                ? `${-left} more than was packed`
                : basket[designId]
                  ? 'The last one is in the basket'
                  : 'Sold out'
          }}</span>
        </span>
      </button>
      <div class="row">
        <QuantityField
          :model-value="priceOf(designId)"
          kind="money"
          :range="priceRange"
          :label="`Price, ${currency}`"
          @update:model-value="prices = { ...prices, [designId]: $event }"
        />
        <template v-if="basket[designId]">
          <v-btn class="big" :aria-label="`One ${design.name} less`" @click="put(designId, -1)">−</v-btn>
          <b class="count">{{ basket[designId] }}</b>
        </template>
      </div>
    </li>
  </ul>

  <section v-if="home.length > 0 && inBasket.length === 0" class="sheet home" data-test="home">
    <template v-if="isGoingHome">
      <p>{{ counted(barsLeft, 'bar comes', 'bars come') }} home: they are free for others again.</p>
      <div class="row">
        <v-btn
          color="primary"
          variant="flat"
          size="x-large"
          :loading="isSending"
          :disabled="waiting.length > 0"
          data-test="bring-home"
          @click="bringHome"
          >Put them back</v-btn
        >
        <v-btn size="x-large" @click="isGoingHome = false">Not yet</v-btn>
      </div>
      <p v-if="waiting.length > 0" class="quiet">First the sales that wait here have to be sent.</p>
    </template>
    <v-btn v-else size="x-large" data-test="going-home" @click="isGoingHome = true">The market is over</v-btn>
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
  </section>

  <StallBasket
    v-if="inBasket.length > 0 || canUndo"
    :total="money(takingsCents(inBasket))"
    :bars="inBasket.reduce((sum, { bars }) => sum + bars, 0)"
    :can-undo="canUndo"
    @sell="sell"
    @undo="undo"
  />
</template>

<style scoped>
.below {
  margin-bottom: 16px;
}

.home {
  margin-bottom: 150px;
}

.soaps {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(280px, 100%), 1fr));
  gap: 14px;
  padding-bottom: 20px;
  list-style: none;
}

.tap {
  display: flex;
  gap: 14px;
  align-items: center;
  width: 100%;
  min-height: 84px;
  text-align: left;
  cursor: pointer;
}

.tap:disabled {
  cursor: default;
  opacity: 0.6;
}

.tap b {
  font-size: 1.2rem;
}

.soap .row {
  flex-wrap: nowrap;
  margin-top: 10px;
}

.big {
  min-width: 56px;
  min-height: 56px;
  font-size: 1.4rem;
}

.count {
  min-width: 1.6em;
  font-size: 1.5rem;
  text-align: center;
}
</style>
