<script setup lang="ts">
import { useNewHere } from '@/parts/keyboard'
import { usePours } from '@/parts/pourActions'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import TheAnswer from '@/parts/TheAnswer.vue'
import { formatDay, formatMoment, relativeDay } from '@vendange/core/calendar'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { createCollection } from './newThings'
import { standingClass, standingWords, verdictSentence } from './verdictWords'

const season = useSeason()
const router = useRouter()
const { pourOn } = usePours()

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
</script>

<template>
  <TheAnswer>
    <template v-if="first">{{
      verdictSentence(first.collection.name, first.neededDay, first.verdict, season.today)
    }}</template>
    <template v-else>Nothing is planned yet. Start with a collection and the moment it comes out.</template>
    <template #actions>
      <v-btn v-if="mend?.betterDay" color="primary" variant="flat" @click="pourOn(mend.designId, mend.betterDay)"
        >Pour {{ mend.name }} on {{ formatDay(mend.betterDay, season.today) }}</v-btn
      >
      <v-btn
        :color="mend ? undefined : 'primary'"
        :variant="mend ? 'outlined' : 'flat'"
        data-test="new-collection"
        @click="create"
        >New collection</v-btn
      >
    </template>
  </TheAnswer>

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
        <li v-for="soap in verdict.soaps" :key="soap.designId">
          <SoapFace :name="soap.name" :colours="season.design(soap.designId)?.colours ?? []" :width="64" :height="46" />
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
          :colours="one.colours"
          :width="30"
          :height="22"
        />
        <span>{{ collection.name }}</span><span class="quiet">{{ formatDay(neededDay, season.today) }}</span>
      </RouterLink>
    </div>
  </section>
</template>

<style scoped>
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
