<script setup lang="ts">
import { runChange } from '@/parts/runChange'
import { api } from '@/parts/api'
import FindingList from '@/parts/FindingList.vue'
import { useNewHere } from '@/parts/keyboard'
import { usePours } from '@/parts/pourActions'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import PageHeadline from '@/parts/PageHeadline.vue'
import { endpoints } from '@vendange/contract'
import { formatDay, formatMoment, isDay, relativeDay } from '@vendange/core/calendar'
import { computed, defineAsyncComponent, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import SeasonBoard from './board/SeasonBoard.vue'
import TrialStrip from './board/TrialStrip.vue'
import { useBoardDrag } from './board/useBoardDrag'
import { createCollection, createOrder } from './newThings'
import { standingClass, standingWords, verdictSentence } from './verdictWords'

const PlannerPanel = defineAsyncComponent(() => import('./board/PlannerPanel.vue'))

const season = useSeason()
const router = useRouter()
const { pourOn } = usePours()
const drag = useBoardDrag()
const { standing, untold } = drag

const judged = computed(() =>
  season.collections
    .map((collection) => ({ collection, neededDay: season.neededDay(collection), verdict: season.verdict(collection) }))
    .sort((a, b) => a.neededDay.localeCompare(b.neededDay)),
)
const coming = computed(() => judged.value.filter(({ neededDay }) => neededDay >= season.today))
const past = computed(() => judged.value.filter(({ neededDay }) => neededDay < season.today).reverse())
// What needs a hand first: a collection in trouble, else the next one with something to pour.
const first = computed(
  () =>
    coming.value.find(({ verdict }) => !verdict.possible) ??
    coming.value.find(({ verdict }) => verdict.nextPour) ??
    coming.value[0],
)
const mend = computed(() => first.value?.verdict.soaps.find(({ betterDay }) => betterDay !== undefined))

async function create(): Promise<void> {
  const collection = await createCollection()
  if (collection) await router.push(`/plan/${collection.id}`)
}
useNewHere('New collection', create)

async function createAnOrder(): Promise<void> {
  const order = await createOrder()
  if (order) await router.push(`/orders/${order.id}`)
}

// The plan that is looked for, and the run it belongs to: a new run starts afresh.
const planning = ref<{ readonly way: 'free' | 'few'; readonly run: number }>()
let runs = 0
const plan = (way: 'free' | 'few'): void => {
  planning.value = { way, run: (runs += 1) }
}
// Another page may ask for it, as when a loaf failed.
if (useRoute().query['mend'] !== undefined) plan('few')

const lostDay = ref('')
const isLosing = ref(false)
/** A day is lost: it has no hours from now on, and what stood on it is planned anew with the fewest changes. */
async function loseDay(): Promise<void> {
  const { workshop } = season
  if (!workshop || !isDay(lostDay.value)) return
  const exceptions = workshop.exceptions.filter(({ day }) => day !== lostDay.value)
  const body = { ...workshop, exceptions: [...exceptions, { day: lostDay.value, hours: 0, reason: 'Lost' }] }
  const saved = await runChange(() => api(endpoints.updateWorkshop, { body }))
  if (!saved) return
  isLosing.value = false
  plan('few')
}
const openOrders = computed(() =>
  season.orders
    .filter(({ state, collectionId }) => collectionId === null && (state === 'asked' || state === 'quoted'))
    .sort((a, b) => a.dueDay.localeCompare(b.dueDay)),
)
const on = (day: string): string => formatDay(day, season.today)
</script>

<template>
  <PageHeadline>
    <template v-if="first">{{
      verdictSentence(first.collection.name, first.neededDay, first.verdict, season.today)
    }}</template>
    <template v-else>Nothing is planned yet. Start with a collection and the moment it comes out.</template>
    <template #actions>
      <v-btn
        v-if="mend?.betterDay"
        color="primary"
        variant="flat"
        @click="pourOn(mend.designId, mend.betterDay, mend.betterCutDay)"
        >Pour {{ mend.name }} on {{ formatDay(mend.betterDay, season.today) }}</v-btn
      >
      <v-btn
        :color="mend ? undefined : 'primary'"
        :variant="mend ? 'outlined' : 'flat'"
        data-test="new-collection"
        @click="create"
        >New collection</v-btn
      >
      <v-btn data-test="new-order" @click="createAnOrder">New order</v-btn>
    </template>
  </PageHeadline>

  <template v-if="season.batches.length > 0 || season.designs.length > 0">
    <div class="row tools no-print">
      <v-btn size="small" data-test="plan-free" @click="plan('free')">Plan it for me</v-btn>
      <v-btn size="small" data-test="plan-few" @click="plan('few')">Mend it with the fewest changes</v-btn>
      <v-btn size="small" data-test="lose-day" @click="isLosing = !isLosing">A day is lost</v-btn>
      <template v-if="isLosing">
        <v-text-field v-model="lostDay" type="date" label="Which day" class="date" data-test="lost-day" />
        <v-btn
          size="small"
          color="primary"
          variant="flat"
          :disabled="!isDay(lostDay)"
          data-test="lose-it"
          @click="loseDay"
          >No work on it; plan anew</v-btn
        >
      </template>
      <span class="grow" />
      <v-btn size="small" variant="text" to="/calendar">Calendar feed and busy times</v-btn>
    </div>
    <PlannerPanel v-if="planning" :key="planning.run" :way="planning.way" class="below" @close="planning = undefined" />
    <FindingList :findings="standing" class="below" data-test="standing-rules" />
    <p v-if="untold > 0" class="must below">
      And {{ untold }} more rules are broken. Let the plan be mended with the fewest changes.
    </p>
    <SeasonBoard :drag="drag" class="below" />
    <TrialStrip :drag="drag" />
  </template>

  <section v-if="openOrders.length > 0" class="below asked">
    <p class="eyebrow">Orders asked for</p>
    <div class="row">
      <RouterLink v-for="order in openOrders" :key="order.id" class="plain sheet ask" :to="`/orders/${order.id}`">
        <SoapFace
          :name="order.client"
          :soap="{ name: order.client, colours: order.colours.map(({ hex }) => ({ hex, share: 1 })) }"
          :width="46"
          :height="34"
        />
        <span
          ><b class="serif">{{ order.client }}</b
          ><br /><small class="quiet">{{ order.bars }} bars by {{ on(order.dueDay) }}</small></span
        >
      </RouterLink>
    </div>
  </section>

  <section v-if="season.collections.length === 0" class="sheet stack start">
    <h2>How a season begins here</h2>
    <ol>
      <li>Say how the <RouterLink to="/workshop">workshop</RouterLink> works: makers, units, days and hours.</li>
      <li>Draw your <RouterLink to="/stores">moulds</RouterLink> by their inner size, say 250 × 80 × 70 mm.</li>
      <li>
        Write a <RouterLink to="/formulate">recipe</RouterLink> by share, say 45 % olive, 30 % coconut, 25 % shea.
      </li>
      <li>Make a collection with its release moment, and put its soaps on the calendar.</li>
    </ol>
  </section>

  <div class="boards">
    <section
      v-for="{ collection, neededDay, verdict } in coming"
      :key="collection.id"
      class="sheet"
      data-test="collection"
    >
      <header>
        <h2>
          <RouterLink class="plain" :to="`/plan/${collection.id}`">{{ collection.name }}</RouterLink>
        </h2>
        <p class="quiet">
          {{ formatMoment(collection.releaseLocal, collection.releaseZone) }},
          {{ relativeDay(neededDay, season.today) }}
        </p>
      </header>
      <ul>
        <li v-for="soap in verdict.soaps" :key="soap.designId + soap.name">
          <SoapFace :name="soap.name" :soap="season.design(soap.designId)" :width="64" :height="46" />
          <div class="soap">
            <RouterLink class="plain serif" :to="`/soaps/${soap.designId}`">{{ soap.name }}</RouterLink>
            <span :class="standingClass[soap.standing]">{{ standingWords(soap, season.today) }}</span>
          </div>
          <span class="bars"
            ><b>{{ season.design(soap.designId)?.barsWanted }}</b> bars</span
          >
        </li>
        <li v-if="verdict.soaps.length === 0" class="quiet">No soaps yet.</li>
      </ul>
    </section>
  </div>

  <section v-if="past.length > 0" class="past">
    <p class="eyebrow">Came out before</p>
    <div class="row">
      <RouterLink
        v-for="{ collection, neededDay } in past"
        :key="collection.id"
        class="plain pastone"
        :to="`/plan/${collection.id}`"
      >
        <SoapFace
          v-for="one in season.lineUp(collection.id)"
          :key="one.id"
          :name="one.name"
          :soap="one"
          :width="30"
          :height="22"
        />
        <span>{{ collection.name }}</span><span class="quiet">{{ formatDay(neededDay, season.today) }}</span>
      </RouterLink>
    </div>
  </section>
</template>

<style scoped>
.tools {
  margin: -8px 0 12px;
}

.grow {
  flex: 1;
}

.date {
  max-width: 170px;
}

.below {
  margin-bottom: 18px;
}

.asked {
  break-inside: avoid;
}

.ask {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 10px 16px 10px 10px;
}

.boards {
  columns: 2 420px;
  column-gap: 22px;
}

.boards .sheet {
  break-inside: avoid;
  margin-bottom: 22px;
}

header {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: baseline;
  gap: 2px 12px;
  margin-bottom: 8px;
  font-size: 0.88rem;
}

ul {
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 9px 0;
  border-top: 1px solid rgb(var(--v-theme-hairline));
}

.start li {
  display: list-item;
  margin-left: 20px;
  border: 0;
  padding: 4px 0;
}

.soap {
  display: flex;
  flex: 1;
  flex-direction: column;
  min-width: 0;
  font-size: 0.9rem;
  font-weight: 500;
}

.soap .serif {
  font-size: 1.1rem;
}

.bars {
  white-space: nowrap;
}

.pastone {
  display: flex;
  align-items: center;
  gap: 6px;
  margin-right: 18px;
  padding: 8px 0;
}
</style>
