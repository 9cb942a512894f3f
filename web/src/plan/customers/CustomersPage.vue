<script setup lang="ts">
import { api } from '@/parts/api'
import DateField from '@/parts/DateField.vue'
import FileButton from '@/parts/FileButton.vue'
import { useUnits } from '@/parts/format'
import PageHeadline from '@/parts/PageHeadline.vue'
import { runChange } from '@/parts/runChange'
import { useCustomers } from '@/parts/customers'
import { useKeptFields } from '@/parts/useKeptFields'
import { useSeason } from '@/parts/seasonStore'
import type { NewCustomer } from '@vendange/contract'
import { blankCustomer, endpoints, monthlyBarsRange } from '@vendange/contract'
import { formatMonth } from '@vendange/core/calendar'
import { barsOfBoxes, boxesOf } from '@vendange/core/release'
import { parseSubscribersCsv } from '@vendange/core/release/csv'
import { counted } from '@vendange/words'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { createOrder, orderToAsk } from '../newThings'
import ShopShelf from './ShopShelf.vue'

/** Who gets bars again and again: subscribers a box a month, shops bars to sell on. */
const season = useSeason()
const router = useRouter()
const { say } = useUnits()
const { view, trouble, subscribers, shops } = useCustomers()

const boxes = computed(() => boxesOf(subscribers.value))
const boxBars = computed(() => barsOfBoxes(boxes.value))
const shopBars = computed(() =>
  (view.value?.bars ?? []).reduce((sum, { channel, aside }) => sum + (channel === 'Shops' ? aside : 0), 0),
)

const start = orderToAsk()
const sendDay = ref(start.dueDay)
const kept = useKeptFields('boxes', { sendDay })
const isPlanning = ref(false)
async function planBoxes(): Promise<void> {
  isPlanning.value = true
  const order = await createOrder({
    ...orderToAsk(),
    client: `Boxes of ${formatMonth(sendDay.value)}`,
    bars: boxBars.value,
    dueDay: sendDay.value,
    recipients: boxes.value.map((box) => ({ ...box })),
  })
  isPlanning.value = false
  if (!order) return
  kept.sent()
  await router.push(`/orders/${order.id}`)
}

async function add(kind: NewCustomer['kind']): Promise<void> {
  const name = kind === 'shop' ? 'New shop' : 'New subscriber'
  const made = await runChange(() => api(endpoints.customers.create, { body: { ...blankCustomer, kind, name } }))
  if (made) await router.push(`/customers/${made.id}`)
}

const problems = ref<readonly string[]>([])
const mostTold = 5
async function readList(file: File): Promise<void> {
  const read = parseSubscribersCsv(await file.text(), monthlyBarsRange)
  problems.value = read.ok ? [] : read.problems.slice(0, mostTold).map((problem) => say(problem))
  if (!read.ok) return
  await runChange(() =>
    api(endpoints.customers.takeIn, {
      body: { customers: read.subscribers.map((line) => ({ ...blankCustomer, ...line })) },
    }),
  )
}

const sentence = computed(() => {
  if (!view.value) return trouble.value ?? ''
  const told = [
    ...(boxes.value.length > 0
      ? [
          `${counted(boxes.value.length, 'subscriber is', 'subscribers are')} sent ${counted(boxBars.value, 'bar')} a month`,
        ]
      : []),
    ...(shops.value.length > 0
      ? [
          `${counted(shops.value.length, 'shop has', 'shops have')} ${shopBars.value === 0 ? 'none' : counted(shopBars.value, 'bar')} to sell`,
        ]
      : []),
  ]
  return told.length > 0 ? `${told.join('; ')}.` : 'Nobody is sent bars every month yet, and no shop sells any.'
})
</script>

<template>
  <p class="quiet crumb plain no-print"><RouterLink to="/plan">Plan</RouterLink> › Subscribers and shops</p>
  <PageHeadline>
    {{ sentence }}
    <template #actions>
      <v-btn data-test="add-subscriber" @click="add('subscriber')">Add a subscriber</v-btn>
      <v-btn data-test="add-shop" @click="add('shop')">Add a shop</v-btn>
    </template>
  </PageHeadline>
  <div v-if="view" class="columns two">
    <section class="sheet stack" data-test="subscribers">
      <div class="row head">
        <h2>Subscribers</h2>
        <FileButton label="Take a list in" accept=".csv,text/csv,text/plain" test="subscribers-file" @file="readList" />
      </div>
      <ul v-if="problems.length > 0" class="bare must" role="alert">
        <li v-for="problem in problems" :key="problem">{{ problem }}</li>
      </ul>
      <p v-if="subscribers.length === 0" class="quiet">
        Type them one by one, or take a CSV file in with the columns name and bars, and address, contact and wish where
        they are known. A name that is there already is changed.
      </p>
      <table v-else class="figures">
        <thead>
          <tr>
            <th>Name</th>
            <th class="number">Bars a month</th>
            <th>Wishes</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in subscribers" :key="one.id" data-test="subscriber">
            <td>
              <RouterLink class="plain serif" :to="`/customers/${one.id}`">{{ one.name }}</RouterLink>
            </td>
            <td class="number">{{ one.isPaused ? 'paused' : one.monthlyBars }}</td>
            <td>{{ one.wish }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <div class="stack">
      <section class="sheet stack" data-test="boxes">
        <h2>The boxes of a month</h2>
        <p>
          {{ counted(boxes.length, 'box', 'boxes') }} with {{ counted(boxBars, 'bar') }} become an order: it is quoted
          in days and moulds like any other, and its bars are given out box by box.
        </p>
        <DateField v-model="sendDay" label="To go off on" />
        <div class="row">
          <v-btn
            color="primary"
            variant="flat"
            :disabled="boxes.length === 0 || sendDay <= season.today"
            :loading="isPlanning"
            data-test="plan-boxes"
            @click="planBoxes"
            >Plan the boxes of {{ formatMonth(sendDay) }}</v-btn
          >
          <span v-if="boxes.length === 0" class="quiet">Nobody is sent one yet.</span>
          <span v-else-if="sendDay <= season.today" class="quiet">That day is past.</span>
        </div>
      </section>
      <ShopShelf :shops="shops" :bars="view.bars" />
    </div>
  </div>
</template>
