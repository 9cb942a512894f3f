<script setup lang="ts">
import { api } from '@/parts/api'
import { useOwnScreen } from '@/parts/ownScreen'
import PageHeadline from '@/parts/PageHeadline.vue'
import QuantityField from '@/parts/QuantityField.vue'
import { runChange } from '@/parts/runChange'
import { useKeptFields } from '@/parts/useKeptFields'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import { channelBarsRange, endpoints } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { proposeGivingOut } from '@vendange/core/release'
import { counted } from '@vendange/words'
import { computed, ref } from 'vue'
import BoxTable from './BoxTable.vue'
import { useWishes } from './useWishes'

interface PackingList {
  readonly to: string
  /** Where it goes, and what is wished. */
  readonly beside: string
  readonly lines: readonly string[]
}

/** All bars of a collection or an order on one page: who wants them, what is there, and who gets what, by one press. */
const props = defineProps<{ id: string }>()
const season = useSeason()
const screen = useOwnScreen()

const { collection, order, soaps, ordered, given, wishes } = useWishes(() => props.id)
/** Many boxes stand below each other, a few takers beside each other. */
const hasBoxes = computed(() => (order.value?.recipients.length ?? 0) > 0)
const soapNames = computed(() =>
  soaps.value.map(({ designId, design, free }) => ({ designId, name: design.name, free })),
)
const proposed = computed(() => proposeGivingOut(soaps.value, wishes.value))

/** What was changed by hand, by wish and soap. */
const changed = ref<Readonly<Record<string, number>>>({})
const kept = useKeptFields(`give-out:${props.id}`, { changed })
const placeOf = (key: string, designId: string): string => `${key}:${designId}`
const giftOf = (key: string, designId: string): number =>
  changed.value[placeOf(key, designId)] ??
  proposed.value.find((gift) => gift.key === key && gift.designId === designId)?.bars ??
  0
const rows = computed(() =>
  soaps.value.map((soap) => {
    const given = wishes.value.reduce((sum, { key }) => sum + giftOf(key, soap.designId), 0)
    return { ...soap, given, isTooMuch: given > soap.free }
  }),
)
const total = computed(() => rows.value.reduce((sum, { given }) => sum + given, 0))
const totalOf = (key: string): number => soaps.value.reduce((sum, { designId }) => sum + giftOf(key, designId), 0)
const wanted = computed(() => wishes.value.reduce((sum, wish) => sum + Math.max(0, wish.wanted - wish.aside), 0))
const free = computed(() => soaps.value.reduce((sum, soap) => sum + soap.free, 0))

/** "126 bars of Regatta: 18 of 270210-1, …". */
const lineOfLots = (
  soap: string,
  bars: number,
  lots: readonly { readonly bars: number; readonly lotCode: string }[],
): string => `${counted(bars, 'bar')} of ${soap}: ${lots.map((lot) => `${lot.bars} of ${lot.lotCode}`).join(', ')}`
/** What has just been given to whom, of which lots. */
const justGiven = ref<readonly PackingList[]>([])
/** What of an order waits to be packed: it stands here until it is sent. */
const packing = computed<readonly PackingList[]>(() =>
  order.value
    ? ordered.value.flatMap(({ who }) => {
        const own = given.value.filter((one) => one.who === who && one.aside > 0)
        const box = order.value?.recipients.find((one) => one.who === who)
        const beside = [box?.address ?? order.value?.contact ?? '', box?.wish ?? ''].filter((text) => text !== '')
        const lines = [...new Set(own.map(({ soap }) => soap))].map((soap) => {
          const lots = own.filter((one) => one.soap === soap).sort((a, b) => a.lotCode.localeCompare(b.lotCode))
          const bars = lots.reduce((sum, { aside }) => sum + aside, 0)
          return lineOfLots(
            soap,
            bars,
            lots.map(({ aside, lotCode }) => ({ bars: aside, lotCode })),
          )
        })
        return lines.length > 0 ? [{ to: who, beside: beside.join('; '), lines }] : []
      })
    : justGiven.value,
)
const isSending = ref(false)
async function give(): Promise<void> {
  const gifts = wishes.value.flatMap((wish) =>
    soaps.value.flatMap(({ designId, design }) => {
      const bars = giftOf(wish.key, designId)
      return bars > 0 ? [{ wish, name: design.name, designId, bars }] : []
    }),
  )
  isSending.value = true
  const taken = await runChange(() =>
    api(endpoints.release.giveOut, {
      body: {
        gifts: gifts.map(({ wish: { channel, who, orderId }, designId, bars }) => ({
          designId,
          bars,
          channel,
          who: who === '' ? (collection.value?.name ?? '') : who,
          orderId,
        })),
      },
    }),
  )
  isSending.value = false
  if (!taken) return
  changed.value = {}
  kept.sent()
  const to = ({ channel, who }: (typeof gifts)[number]['wish']): string => (who === '' ? channel : who)
  justGiven.value = [...new Set(gifts.map(({ wish }) => to(wish)))].map((name) => ({
    to: name,
    beside: '',
    lines: gifts.flatMap((gift, at) =>
      to(gift.wish) === name ? [lineOfLots(gift.name, gift.bars, taken[at]?.lots ?? [])] : [],
    ),
  }))
}

const sentence = computed(() => {
  const { value: of } = collection
  if (!of) return 'There is no such collection.'
  const there = counted(free.value, 'bar is', 'bars are')
  if (wishes.value.every((wish) => wish.wanted === 0))
    return `${of.name}: ${there} free. Nobody has said yet who wants how many: type who gets them.`
  if (wanted.value === 0) return `${of.name}: all that was wanted is set aside.`
  if (free.value === 0) return `${of.name}: ${counted(wanted.value, 'bar')} wanted, and none is free to give yet.`
  const short = wanted.value > free.value ? `, ${wanted.value - free.value} fewer than wanted` : ''
  return `${of.name}: ${there} there to give${short}.`
})
const printList = (): void => window.print()
</script>

<template>
  <PageHeadline>
    {{ sentence }}
    <template v-if="collection && order === undefined" #actions>
      <v-btn :to="`/plan/${id}`">To its channels</v-btn>
    </template>
  </PageHeadline>
  <section v-if="packing.length > 0" class="sheet stack mb-4" data-test="packing">
    <div class="row head">
      <h2>To pack, {{ formatDay(season.today, season.today) }}</h2>
      <v-btn class="no-print" @click="printList">Print it</v-btn>
    </div>
    <div v-for="list in packing" :key="list.to">
      <h3>{{ list.to }}</h3>
      <p v-if="list.beside !== ''" class="quiet beside">{{ list.beside }}</p>
      <ul class="bare">
        <li v-for="line in list.lines" :key="line">☐ {{ line }}</li>
      </ul>
    </div>
  </section>
  <section v-if="collection" class="sheet no-print">
    <BoxTable
      v-if="hasBoxes"
      :boxes="wishes"
      :soaps="soapNames"
      :gift-of="giftOf"
      @change="(key, designId, bars) => (changed = { ...changed, [placeOf(key, designId)]: bars })"
    />
    <table v-else class="figures" data-test="giving">
      <thead>
        <tr>
          <th colspan="2">Soap</th>
          <th class="number">Free</th>
          <th>Who gets them</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.designId" data-test="giving-soap">
          <td class="face"><SoapFace :name="row.design.name" :soap="row.design" :width="56" :height="40" /></td>
          <td class="serif">
            {{ row.design.name }}<br v-if="row.isTooMuch" /><small v-if="row.isTooMuch" class="must"
              >{{ row.given - row.free }} more than are free</small
            >
          </td>
          <td class="number">
            <b>{{ row.free }}</b>
          </td>
          <td>
            <div class="takers">
              <QuantityField
                v-for="wish in wishes"
                :key="wish.key"
                :model-value="giftOf(wish.key, row.designId)"
                kind="count"
                :range="channelBarsRange"
                :label="wish.who || wish.channel"
                class="bars"
                @update:model-value="changed = { ...changed, [placeOf(wish.key, row.designId)]: $event }"
              />
            </div>
          </td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <td colspan="2">Wanted, and aside already</td>
          <td />
          <td>
            <div class="takers">
              <span v-for="wish in wishes" :key="wish.key" class="bars" :data-test="`wish-${wish.key}`">
                <small class="quiet">{{ wish.who || wish.channel }}</small><br />
                {{ totalOf(wish.key) + wish.aside }}{{ wish.wanted > 0 ? ` of ${wish.wanted}` : '' }}
              </span>
            </div>
          </td>
        </tr>
      </tfoot>
    </table>
    <div class="row mt-3">
      <v-btn
        v-if="screen.may(endpoints.release.giveOut)"
        color="primary"
        variant="flat"
        size="large"
        :disabled="total === 0 || rows.some(({ isTooMuch }) => isTooMuch)"
        :loading="isSending"
        data-test="give-all"
        @click="give"
        >Give {{ counted(total, 'bar') }} out</v-btn
      >
      <span v-if="total === 0" class="quiet">{{ free === 0 ? 'No bar of it is free.' : 'Nobody gets one yet.' }}</span>
      <span class="quiet">Orders first, then who buys early, then the channels; the oldest bars first.</span>
    </div>
  </section>
</template>

<style scoped>
.beside {
  white-space: pre-line;
}

.takers {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}

.bars {
  flex: 0 1 150px;
  min-width: 110px;
}

tfoot td {
  font-weight: 600;
}
</style>
