<script setup lang="ts">
import { useAwake } from '@/parts/useAwake'
import { useSeason } from '@/parts/seasonStore'
import PageHeadline from '@/parts/PageHeadline.vue'
import type { LoafSummary } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { finishedBars } from '@vendange/core/loaf'
import { computed } from 'vue'
import CutCard from './CutCard.vue'
import FinishToday from './FinishToday.vue'
import { useDueLoaves } from './useCuttingRound'

const season = useSeason()
useAwake()
const waiting = computed(() =>
  season.loaves.filter(({ state }) => state.status === 'in_mould' || state.status === 'unmoulded').reverse(),
)
const due = useDueLoaves()
const recent = computed(() =>
  season.loaves.filter(
    ({ state }) => state.cut !== undefined && (state.status === 'curing' || state.status === 'held'),
  ),
)
function edges({ state }: LoafSummary): string {
  const bevelled = finishedBars(state, 'bevelled')
  if (bevelled === 0) return 'as cut'
  return bevelled === state.cut?.bars ? 'bevelled' : `${bevelled} bevelled`
}
const sentence = computed(() => {
  const [first] = waiting.value
  if (!first) return 'No loaf waits for the knife.'
  if (first.state.status === 'unmoulded') return `${first.name} is out of its mould: cut it and weigh the first bar.`
  const day = season.batches.find(({ id }) => id === first.batchId)?.days.cutDay
  return day === undefined || day <= season.today
    ? `${first.name} can come out of its mould today.`
    : `${first.name} comes out of its mould on ${formatDay(day, season.today)}.`
})
</script>

<template>
  <PageHeadline>
    {{ sentence }}
    <template v-if="due.length > 1" #actions>
      <v-btn color="primary" variant="flat" to="/cut-round" data-test="to-cut-round"
        >Unmould and cut {{ due.length }} in a round</v-btn
      >
    </template>
  </PageHeadline>
  <div class="cards">
    <CutCard v-for="loaf in waiting" :key="loaf.id" :loaf="loaf" />
  </div>
  <FinishToday />
  <section v-if="recent.length > 0" class="sheet">
    <h2>Cut and curing: bars got against bars hoped for</h2>
    <table class="figures">
      <thead>
        <tr>
          <th>Soap</th>
          <th>Lot</th>
          <th>Cut</th>
          <th class="number">Bars got</th>
          <th class="number">Hoped for</th>
          <th class="number">Ends</th>
          <th>Edges</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="loaf in recent" :key="loaf.id">
          <td class="serif">
            <RouterLink class="plain" :to="`/cut/${loaf.id}`">{{ loaf.name }}</RouterLink>
          </td>
          <td>
            <RouterLink class="plain" :to="`/cut/${loaf.id}`">{{ loaf.lotCode }}</RouterLink>
          </td>
          <td>{{ formatDay(loaf.state.cut?.day ?? season.today, season.today) }}</td>
          <td class="number">
            <b :class="{ must: (loaf.state.cut?.bars ?? 0) < loaf.barsPlanned }">{{ loaf.state.cut?.bars }}</b>
          </td>
          <td class="number">{{ loaf.barsPlanned }}</td>
          <td class="number">{{ loaf.state.cut?.ends }}</td>
          <td>{{ edges(loaf) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(440px, 100%), 1fr));
  gap: 20px;
  margin-bottom: 24px;
}
</style>
