<script setup lang="ts">
import { api } from '@/parts/api'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import { runChange } from '@/parts/runChange'
import { useKeptFields } from '@/parts/useKeptFields'
import { useSeason } from '@/parts/seasonStore'
import { useUndo } from '@/parts/undoStore'
import type { BarsOfCustomer, SalesTaken, SavedCustomer } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { counted } from '@vendange/words'
import { computed, ref } from 'vue'

/** The shops with what each has of ours: sold there, or on its way back. */
const props = defineProps<{ shops: readonly SavedCustomer[]; bars: readonly BarsOfCustomer[] }>()
const season = useSeason()
const { money } = useUnits()

/** Shops on the list, and those that are not on it any more and have bars yet. */
const rows = computed(() => {
  const held = props.bars.filter(({ channel }) => channel === 'Shops')
  const gone = [...new Set(held.filter(({ aside }) => aside > 0).map(({ who }) => who))].filter(
    (who) => !props.shops.some(({ name }) => name === who),
  )
  return [
    ...props.shops.map((shop) => ({ name: shop.name, shop })),
    ...gone.map((name) => ({ name, shop: undefined })),
  ].map((row) => ({ ...row, soaps: held.filter(({ who }) => who === row.name) }))
})
const termsOf = (shop: SavedCustomer | undefined): string => {
  if (!shop) return 'Not on the list any more.'
  const price = shop.priceCents === null ? '' : `${money(shop.priceCents)} a bar, `
  return `${price}${shop.isSaleOrReturn ? 'sale or return' : 'bought outright'}`
}

const counts = ref<Readonly<Record<string, number>>>({})
const kept = useKeptFields('shops', { counts })
const keyOf = ({ who, designId }: BarsOfCustomer): string => `${who}:${designId}`
const countOf = (one: BarsOfCustomer): number => Math.min(counts.value[keyOf(one)] ?? 0, one.aside)
const isSending = ref(false)
async function report(one: BarsOfCustomer, way: 'sold' | 'back', shop: SavedCustomer | undefined): Promise<void> {
  const { who, designId } = one
  const bars = countOf(one)
  isSending.value = true
  const sale = {
    saleId: `shop ${crypto.randomUUID()}`,
    day: season.today,
    designId,
    lotCode: '',
    channel: 'Shops',
    bars,
    buyer: who,
    priceCents: shop?.priceCents ?? null,
  } as const
  const done = await runChange<unknown>(() =>
    way === 'sold'
      ? api(endpoints.release.takeSales, { body: { sales: [sale] } })
      : api(endpoints.customers.barsBack, { body: { who, designId, bars } }),
  )
  isSending.value = false
  if (done === undefined) return
  // A report that is taken in may still hold a line that is not.
  const [refused] = (done as Partial<SalesTaken>).refused ?? []
  if (refused) return useUndo().tell(refused.detail)
  counts.value = { ...counts.value, [keyOf(one)]: 0 }
  kept.sent()
  useUndo().tell(
    way === 'sold'
      ? `${who} sold ${counted(bars, 'bar')} of ${one.soap}.`
      : `${counted(bars, 'bar')} back from ${who}.`,
  )
}
</script>

<template>
  <section class="sheet stack" data-test="shops">
    <h2>Shops</h2>
    <p v-if="rows.length === 0" class="quiet">A shop is given bars on the page where a collection is given out.</p>
    <div v-for="{ name, shop, soaps } in rows" :key="name" data-test="shop">
      <h3>
        <RouterLink v-if="shop" class="plain" :to="`/customers/${shop.id}`">{{ name }}</RouterLink>
        <template v-else>{{ name }}</template>
      </h3>
      <p class="quiet">{{ termsOf(shop) }}</p>
      <p v-if="soaps.length === 0" class="quiet">It has had no bar yet.</p>
      <ul v-else class="bare">
        <li v-for="one in soaps" :key="one.designId" class="soap" data-test="shop-soap">
          <p>
            <span class="serif">{{ one.soap }}</span>: has <b>{{ one.aside }}</b>, sold {{ one.sold }}
          </p>
          <div v-if="one.aside > 0" class="row">
            <QuantityField
              :model-value="countOf(one)"
              kind="count"
              :range="{ min: 0, max: one.aside }"
              :label="`Bars of ${one.soap}`"
              @update:model-value="counts = { ...counts, [keyOf(one)]: $event }"
            />
            <v-btn size="small" :disabled="countOf(one) === 0 || isSending" @click="report(one, 'sold', shop)"
              >Sold</v-btn
            >
            <v-btn size="small" :disabled="countOf(one) === 0 || isSending" @click="report(one, 'back', shop)"
              >Came back</v-btn
            >
          </div>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.soap {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 8px 16px;
  padding: 8px 0;
  border-top: 1px solid rgb(var(--v-theme-hairline));
}

.soap .row > :first-child {
  min-width: 150px;
}
</style>
