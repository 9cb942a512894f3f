<script setup lang="ts">
import { api, problemOf } from '@/parts/api'
import FileButton from '@/parts/FileButton.vue'
import QuantityField from '@/parts/QuantityField.vue'
import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import { useFresh } from '@/parts/useFresh'
import { formatInstant, instantOf } from '@vendange/core/calendar'
import type { NewSale, NewShopOffer, ShopOffer } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { barsToOffer, channelOfMoment } from '@vendange/core/loaf'
import { parseSalesCsv } from '@vendange/core/release/csv'
import { counted } from '@vendange/words'
import { useKeptFields } from '@/parts/useKeptFields'
import { computed, ref, shallowRef } from 'vue'

/** The web drop: into the shop, sold there, and the sales back; a table of sales from elsewhere too. */
const season = useSeason()
const { money, currency, say } = useUnits()
const offers = shallowRef<readonly ShopOffer[]>([])
const words = ref('')
const trouble = ref<string>()
/** Lines of the last report that were not taken, each with why; so many are told. */
const notTaken = ref<string[]>([])
const mostTold = 5
async function loadOffers(): Promise<void> {
  offers.value = await api(endpoints.shop.offers)
}
async function doing(work: () => Promise<string>): Promise<void> {
  trouble.value = undefined
  notTaken.value = []
  try {
    const done = await work()
    await loadOffers()
    words.value = done
  } catch (error) {
    trouble.value = problemOf(error).detail
    await loadOffers().catch(() => undefined)
  }
}
useFresh(() => loadOffers().catch((error: unknown) => (trouble.value = problemOf(error).detail)))

/** Web bars that were set aside, less what the shop has of them already. */
const toOffer = computed(() => {
  const ids = [...new Set(season.loaves.map(({ designId }) => designId))]
  return ids.flatMap((designId) => {
    const bars = barsToOffer(
      season.loaves.filter((loaf) => loaf.designId === designId),
      offers.value.find((one) => one.designId === designId),
    )
    const design = season.design(designId)
    return bars > 0 && design ? [{ designId, name: design.name, bars }] : []
  })
})
/** What the maker asks for a bar; what is in the field is only where to begin. */
const typedCents = ref<number | null>(null)
useKeptFields('shop', { typedCents })
/** Until one is typed, each soap is offered at its own price. */
const priceCents = computed({
  get: () => typedCents.value ?? season.workshop?.pricing.barCents ?? 0,
  set: (cents) => (typedCents.value = cents),
})
const priceRange = { min: 0, max: 100_000 }
/** From when a soap is sold to whom: as its collection says. What an order left over waits for no release. */
function openingOf(designId: string): Pick<NewShopOffer, 'dropId' | 'opensAt' | 'moments'> {
  const collection = season.collection(season.design(designId)?.collectionId ?? '')
  if (!collection || season.orders.some(({ collectionId }) => collectionId === collection.id)) return {}
  const instant = (local: string): string => instantOf(local, collection.releaseZone)
  return {
    dropId: collection.id,
    opensAt: instant(collection.releaseLocal),
    moments: collection.early
      .filter((moment) => channelOfMoment(moment) === 'Web')
      .map(({ audience, local, bars }) => ({ audience, opensAt: instant(local), bars: bars ?? null })),
  }
}
const drop = () =>
  doing(async () => {
    for (const one of toOffer.value)
      await api(endpoints.shop.offer, {
        body: {
          ...one,
          ...openingOf(one.designId),
          priceCents: typedCents.value ?? season.barCentsOf(one.designId),
        },
      })
    return 'The drop is in the shop.'
  })
const sellOut = () =>
  doing(async () => {
    for (const { designId } of offers.value)
      for (let offer = offerOf(designId); offer; offer = offerOf(designId)) {
        const moment = offer.isOpen ? undefined : offer.moments.find(({ isOpen }) => isOpen)
        const inMoment = moment ? (moment.bars ?? offer.offered) - moment.sold : 0
        const bars = Math.min(2, offer.offered - offer.sold, offer.isOpen ? 2 : inMoment)
        if (bars <= 0) break
        await api(endpoints.shop.buy, {
          params: { designId },
          body: {
            bars,
            buyer: `Made-up buyer ${offer.sold + 1}`,
            ...(moment ? { audience: moment.audience } : {}),
          },
        })
        await loadOffers()
      }
    const left = offers.value.reduce((sum, { offered, sold }) => sum + offered - sold, 0)
    return left === 0 ? 'Made-up buyers bought all of it.' : `${counted(left, 'bar')} left: not open to all yet.`
  })
const offerOf = (designId: string): ShopOffer | undefined => offers.value.find((one) => one.designId === designId)
/** Early moments of what is in the shop, each once. */
const moments = computed(() => {
  const all = offers.value.flatMap(({ dropId, moments: of, isOpen }) =>
    isOpen ? [] : of.map((moment) => ({ key: `${dropId} ${moment.audience}`, ...moment })),
  )
  return [...new Map(all.map((one) => [one.key, one])).values()]
})
const momentState = ({ isOpen, bars, sold, opensAt }: (typeof moments.value)[number]): string => {
  const zone = season.workshop?.timeZone ?? 'UTC'
  if (bars !== null && sold >= bars) return `${sold} of ${bars} sold: closed`
  if (!isOpen) return `opens ${formatInstant(opensAt, zone)}`
  return bars === null ? `${sold} sold` : `${sold} of ${bars} sold`
}
async function take(sales: readonly NewSale[]): Promise<string> {
  const { taken, known, beforeRelease, refused } = await api(endpoints.release.takeSales, {
    body: { sales: [...sales] },
  })
  await season.load()
  notTaken.value = refused.slice(0, mostTold).map(({ saleId, detail }) => `${saleId || 'A line'}: ${detail}`)
  if (refused.length > mostTold) notTaken.value.push(`and ${counted(refused.length - mostTold, 'more line')}.`)
  const early =
    beforeRelease > 0 ? ` ${beforeRelease} of them before their collection is out; that stands in the record.` : ''
  const left = refused.length > 0 ? ` ${counted(refused.length, 'line')} not taken:` : ''
  return `${counted(taken, 'sale')} taken over${known > 0 ? `, ${known} known already` : ''}.${early}${left}`
}
const takeOver = () =>
  doing(async () => {
    const sales = await api(endpoints.shop.sales, { params: { after: '0' } })
    return take(
      sales.map(({ saleId, day, designId, bars, buyer, priceCents }) => ({
        saleId,
        day,
        designId,
        bars,
        buyer,
        priceCents,
        lotCode: '',
        channel: 'Web' as const,
      })),
    )
  })
async function readTable(file: File): Promise<void> {
  const read = parseSalesCsv(await file.text())
  if (!read.ok) {
    trouble.value = read.problems.slice(0, 5).map(say).join(' ')
    return
  }
  const unknown = read.sales.find(({ soap }) => !season.designs.some(({ name }) => name === soap))
  if (unknown) {
    trouble.value = `There is no soap “${unknown.soap}” here.`
    return
  }
  await doing(() =>
    take(
      read.sales.map(({ soap, ...sale }) => ({
        ...sale,
        designId: season.designs.find(({ name }) => name === soap)?.id ?? '',
      })),
    ),
  )
}
</script>

<template>
  <section class="sheet stack" data-test="shop">
    <h2>The web drop <span class="quiet">in the simulated shop</span></h2>
    <p v-for="offer in offers" :key="offer.designId" data-test="offer">
      {{ offer.name }}: <b>{{ offer.sold }} of {{ offer.offered }}</b> sold at
      {{ money(offer.priceCents) }}
    </p>
    <p v-for="moment in moments" :key="moment.key" class="quiet" data-test="shop-moment">
      {{ moment.audience }}: {{ momentState(moment) }}
    </p>
    <p v-if="offers.length === 0" class="quiet">Set bars aside for the web first; then they go into the shop.</p>
    <div class="row">
      <QuantityField
        v-model="priceCents"
        class="price"
        kind="money"
        :range="priceRange"
        :label="`Price of a bar, ${currency}`"
      />
      <v-btn :disabled="toOffer.length === 0" data-test="drop" @click="drop">Put the drop in the shop</v-btn>
      <v-btn variant="text" :disabled="offers.length === 0" data-test="sell-out" @click="sellOut"
        >Let it sell out</v-btn
      >
      <v-btn variant="text" :disabled="offers.length === 0" data-test="take-sales" @click="takeOver"
        >Take the sales over</v-btn
      >
      <FileButton label="Sales as a table" accept=".csv,text/csv" test="sales-file" variant="text" @file="readTable" />
    </div>
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
    <p v-else class="quiet" role="status">{{ words }}</p>
    <ul v-if="notTaken.length > 0" class="must" data-test="not-taken">
      <li v-for="line in notTaken" :key="line">{{ line }}</li>
    </ul>
  </section>
</template>

<style scoped>
.price {
  min-width: 200px;
}
</style>
