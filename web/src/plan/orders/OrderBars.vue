<script setup lang="ts">
import { api } from '@/parts/api'
import { useOwnScreen } from '@/parts/ownScreen'
import { runChange } from '@/parts/runChange'
import { useFresh } from '@/parts/useFresh'
import { useSeason } from '@/parts/seasonStore'
import { useUndo } from '@/parts/undoStore'
import type { GivenFor, SavedOrder } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { freeBarsOf } from '@vendange/core/loaf'
import { counted } from '@vendange/words'
import { computed, ref, shallowRef } from 'vue'

/** How far an accepted order is: its bars from the pour to the client, and whether it is packed, sent and paid. */
const props = defineProps<{ order: SavedOrder }>()
const season = useSeason()
const screen = useOwnScreen()
const packedDay = defineModel<string | null>('packedDay', { required: true })
const paidDay = defineModel<string | null>('paidDay', { required: true })

const given = shallowRef<readonly GivenFor[]>([])
useFresh(async () => {
  given.value = await api(endpoints.givenForOrder, { params: { id: props.order.id } }).catch(() => given.value)
})
const aside = computed(() => given.value.reduce((all, one) => all + one.aside, 0))
const sent = computed(() => given.value.reduce((all, one) => all + one.sent, 0))

const soaps = computed(() => season.lineUp(props.order.collectionId ?? ''))
const loaves = computed(() => season.loaves.filter(({ designId }) => soaps.value.some(({ id }) => id === designId)))
const counts = computed(() => soaps.value.map(season.countOf))
const sum = (pick: (count: (typeof counts.value)[number]) => number): number =>
  counts.value.reduce((all, count) => all + pick(count), 0)
const rows = computed(() => [
  { name: 'Wanted', bars: props.order.bars },
  { name: 'Still to be poured or cut', bars: sum(({ toCome }) => toCome) },
  { name: 'Cut', bars: sum(({ cut }) => cut) },
  { name: 'Released and free', bars: freeBarsOf(loaves.value.filter(({ state }) => state.status === 'released')) },
  { name: 'Set aside for the client', bars: aside.value },
  { name: 'Sent', bars: sent.value },
])
/** Of the cut bars some break or are spare: what is missing is missing of what was ordered. */
const missing = computed(() => Math.max(0, props.order.bars - sum(({ cut, toCome }) => cut + toCome)))
const headline = computed(() => {
  if (sent.value >= props.order.bars) return 'All its bars are sent'
  if (missing.value > 0) return `${counted(missing.value, 'bar is', 'bars are')} missing`
  if (sent.value + aside.value >= props.order.bars) return 'All its bars are set aside'
  return 'All its bars are there or to come'
})
const on = (day: string): string => formatDay(day, season.today)

const isSending = ref(false)
async function send(): Promise<void> {
  const { id, version } = props.order
  const bars = aside.value
  isSending.value = true
  const done = await runChange(() => api(endpoints.sendOrder, { params: { id }, body: { version } }))
  isSending.value = false
  if (done) useUndo().tell(`${counted(bars, 'bar')} sent. Each bar’s lot tells who has it.`)
}
</script>

<template>
  <section class="sheet stack" data-test="order-bars">
    <h2>{{ headline }}</h2>
    <table class="figures">
      <tbody>
        <tr v-for="row in rows" :key="row.name">
          <td>{{ row.name }}</td>
          <td class="number">{{ row.bars }}</td>
        </tr>
      </tbody>
    </table>
    <ul class="bare steps">
      <li data-test="packed">
        <span>{{ packedDay === null ? 'Not packed yet' : `Packed on ${on(packedDay)}` }}</span>
        <v-btn size="small" class="no-print" @click="packedDay = packedDay === null ? season.today : null">{{
          packedDay === null ? 'It is packed' : 'It is not'
        }}</v-btn>
      </li>
      <li data-test="sent">
        <span>{{ order.sentDay === null ? 'Not sent yet' : `Sent on ${on(order.sentDay)}` }}</span>
        <v-btn
          v-if="aside > 0 && screen.may(endpoints.sendOrder)"
          size="small"
          class="no-print"
          color="primary"
          variant="flat"
          :loading="isSending"
          @click="send"
          >Send {{ counted(aside, 'bar') }}</v-btn
        >
        <small v-else-if="sent < order.bars" class="quiet">Its bars are given out first.</small>
      </li>
      <li data-test="paid">
        <span>{{ paidDay === null ? 'Not paid in full yet' : `Paid on ${on(paidDay)}` }}</span>
        <v-btn size="small" class="no-print" @click="paidDay = paidDay === null ? season.today : null">{{
          paidDay === null ? 'It is paid' : 'It is not'
        }}</v-btn>
      </li>
    </ul>
    <div v-if="order.recipients.length > 0">
      <h3>{{ counted(order.recipients.length, 'box', 'boxes') }}</h3>
      <ul class="bare">
        <li v-for="one in order.recipients" :key="one.who">
          {{ one.who }}, {{ counted(one.bars, 'bar')
          }}<span v-if="one.wish !== ''" class="quiet">, {{ one.wish }}</span>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.steps li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  min-height: 48px;
}
</style>
