<script setup lang="ts">
import { useUnits } from '@/parts/format'
import FindingList from '@/parts/FindingList.vue'
import { useNewHere } from '@/parts/keyboard'
import PageHeadline from '@/parts/PageHeadline.vue'
import { usePours } from '@/parts/pourActions'
import { usePromises } from '@/parts/promiseStore'
import { useSeason } from '@/parts/seasonStore'
import { usePhone } from '@/parts/usePhone'
import { formatDay } from '@vendange/core/calendar'
import { counted } from '@vendange/words'
import { computed, defineAsyncComponent } from 'vue'
import { useRouter } from 'vue-router'
import SeasonBoard from './board/SeasonBoard.vue'
import TrialStrip from './board/TrialStrip.vue'
import { useBoardDrag } from './board/useBoardDrag'
import CollectionSheet from './CollectionSheet.vue'
import { useJudgedCollections } from './judgedCollections'
import { createCollection, createOrder } from './newThings'
import OrdersAsked from './OrdersAsked.vue'
import PastCollections from './PastCollections.vue'
import PlanTools from './PlanTools.vue'
import { verdictSentence } from './verdictWords'

const BoardByDay = defineAsyncComponent(() => import('./board/BoardByDay.vue'))

const { show } = useUnits()
const isPhone = usePhone()

const season = useSeason()
const router = useRouter()
const { pourOn } = usePours()
const promises = usePromises()
const drag = useBoardDrag()
const { standing, untold } = drag
const { coming, past, first } = useJudgedCollections()
const whyNoDay = computed(() => first.value?.verdict.soaps.flatMap((soap) => soap.whyNoDay) ?? [])
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
        @click="pourOn(mend, mend.betterDay, mend.betterCutDay)"
        >Pour {{ mend.name }} on {{ formatDay(mend.betterDay, season.today) }}</v-btn
      >
      <v-btn
        :color="mend ? undefined : 'primary'"
        :variant="mend ? 'outlined' : 'flat'"
        data-test="new-collection"
        @click="create"
        >New collection</v-btn
      >
      <v-btn to="/ask" data-test="client-asks">A client asks</v-btn>
      <v-btn v-if="!isPhone" data-test="new-order" @click="createAnOrder">New order</v-btn>
    </template>
  </PageHeadline>

  <p v-if="season.view && season.view.damaged > 0" class="must below" data-test="told-damaged">
    Some records could not be read any more: <RouterLink to="/workshop">see which</RouterLink>.
  </p>
  <p v-if="season.owedSales.length > 0" class="must below" data-test="told-owed">
    {{ counted(season.owedSales.length, 'sale') }} found no bar and the buyer paid:
    <RouterLink to="/release">settle it</RouterLink>.
  </p>
  <template v-if="season.batches.length > 0 || season.designs.length > 0">
    <PlanTools v-if="!isPhone" />
    <FindingList :findings="promises.atRisk" class="below" data-test="late-promises" />
    <FindingList :findings="whyNoDay" class="below" data-test="why-no-day" />
    <FindingList :findings="standing" class="below" data-test="standing-rules" />
    <p v-if="untold > 0" class="must below">
      And {{ untold }} more rules are broken. Let the plan be mended with the fewest changes.
    </p>
    <BoardByDay v-if="isPhone" :drag="drag" class="below" />
    <SeasonBoard v-else :drag="drag" class="below" />
    <PlanTools v-if="isPhone" />
    <TrialStrip :drag="drag" />
  </template>

  <OrdersAsked />

  <section v-if="season.collections.length === 0" class="sheet stack start">
    <h2>How a season begins here</h2>
    <ol>
      <li>Say how the <RouterLink to="/workshop">workshop</RouterLink> works: makers, units, days and hours.</li>
      <li>
        Draw your <RouterLink to="/stores">moulds</RouterLink> by their inner size, say
        {{ [250, 80, 70].map((mm) => show('length', mm)).join(' × ') }}.
      </li>
      <li>
        Write a <RouterLink to="/formulate">recipe</RouterLink> by share, say 45 % olive, 30 % coconut, 25 % shea.
      </li>
      <li>Make a collection with its release moment, and put its soaps on the calendar.</li>
    </ol>
  </section>

  <div class="boards">
    <CollectionSheet v-for="judged in coming" :key="judged.collection.id" :judged="judged" />
  </div>

  <PastCollections :past="past" />
</template>

<style scoped>
.below {
  margin-bottom: 18px;
}

@media (max-width: 599px) {
  .below {
    margin-inline: -6px;
  }
}

.boards {
  columns: 2 min(420px, 100%);
  column-gap: 22px;
}

.boards > * {
  break-inside: avoid;
  margin-bottom: 22px;
}

.start li {
  margin-left: 20px;
  padding: 4px 0;
}
</style>
