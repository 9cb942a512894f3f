<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import { formatDay, formatMoment, relativeDay } from '@vendange/core/calendar'
import { computed } from 'vue'
import type { JudgedCollection } from './judgedCollections'
import { standingClass, standingWords } from './verdictWords'
import YieldCell from './YieldCell.vue'

/** A collection that is still to come: when, and how each of its soaps stands. */
const props = defineProps<{ judged: JudgedCollection }>()
const season = useSeason()
/** The workshop's own day on which everybody may buy. */
const releaseDay = computed(() => season.neededDay({ ...props.judged.collection, early: [] }))
</script>

<template>
  <section class="sheet" data-test="collection">
    <header>
      <h2>
        <RouterLink class="plain" :to="`/plan/${judged.collection.id}`">{{ judged.collection.name }}</RouterLink>
      </h2>
      <p class="quiet">
        {{ formatMoment(judged.collection.releaseLocal, judged.collection.releaseZone) }},
        {{ relativeDay(releaseDay, season.today) }}
        <template v-if="judged.neededDay !== releaseDay"
          >; the first may buy on {{ formatDay(judged.neededDay, season.today) }},
          {{ relativeDay(judged.neededDay, season.today) }}</template
        >
      </p>
    </header>
    <ul>
      <li v-for="soap in judged.verdict.soaps" :key="soap.designId + soap.name">
        <SoapFace :name="soap.name" :soap="season.design(soap.designId)" :width="64" :height="46" />
        <div class="soap">
          <RouterLink class="plain serif" :to="`/soaps/${soap.designId}`">{{ soap.name }}</RouterLink>
          <span :class="standingClass[soap.standing]">{{ standingWords(soap, season.today) }}</span>
        </div>
        <span class="bars"><YieldCell :design-id="soap.designId" :batch-id="soap.batchId" /> bars</span>
      </li>
      <li v-if="judged.verdict.soaps.length === 0" class="quiet">No soaps yet.</li>
    </ul>
  </section>
</template>

<style scoped>
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
</style>
