<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import TheAnswer from '@/parts/TheAnswer.vue'
import type { BatchSummary } from '@vendange/contract'
import { addDays, formatDay, isDay, relativeDay } from '@vendange/core/calendar'
import { weighInIsDue } from '@vendange/core/cure'
import { daySummaries } from '@vendange/core/season'
import { formatQuantity } from '@vendange/core/units'
import { computed } from 'vue'

const props = defineProps<{ day: string }>()
const season = useSeason()

const summary = computed(() =>
  isDay(props.day)
    ? daySummaries(props.day, 1, season.plan, season.limits.working, season.limits.setupHours)[0]
    : undefined,
)
const releases = computed(() => season.collections.filter((collection) => season.neededDay(collection) === props.day))
const toWeigh = computed(() =>
  props.day === season.today
    ? season.loaves.filter(
        ({ state }) =>
          (state.status === 'curing' || state.status === 'held') && weighInIsDue(state.weighIns, season.today),
      )
    : [],
)
const byIds = (ids: readonly string[] | undefined): readonly BatchSummary[] =>
  season.batches.filter(({ id }) => ids?.includes(id))
const asked = computed(() => [
  {
    title: 'Prepare',
    batches: byIds(summary.value?.prepares),
    hours: (batch: BatchSummary) => batch.demand.prepHours,
    to: (batch: BatchSummary) => `/pour/${batch.id}`,
  },
  {
    title: 'Pour',
    batches: byIds(summary.value?.pours),
    hours: (batch: BatchSummary) => batch.demand.pourHours,
    to: (batch: BatchSummary) => (batch.status === 'poured' ? `/pour/${batch.id}` : `/bench/${batch.id}`),
  },
  {
    title: 'Unmould and cut',
    batches: byIds(summary.value?.cuts),
    hours: (batch: BatchSummary) => batch.demand.cutHours,
    to: () => '/cut',
  },
  { title: 'Cured', batches: byIds(summary.value?.ready), hours: () => 0, to: () => '/release' },
])
const isEmpty = computed(
  () =>
    asked.value.every(({ batches }) => batches.length === 0) &&
    releases.value.length === 0 &&
    toWeigh.value.length === 0,
)
const hours = (value: number): string => formatQuantity('hours', value)
const sentence = computed(() => {
  if (!summary.value) return 'There is no such day.'
  const { hoursPlanned, hoursThere } = summary.value
  const name = `${formatDay(props.day, season.today)}, ${relativeDay(props.day, season.today)}`
  if (hoursThere === 0 && hoursPlanned === 0) return `${name}: a day off.`
  if (hoursPlanned > hoursThere) return `${name}: ${hours(hoursPlanned)} of work, but only ${hours(hoursThere)} there.`
  return hoursPlanned === 0
    ? `${name}: nothing planned; ${hours(hoursThere)} free.`
    : `${name}: ${hours(hoursPlanned)} of work in ${hours(hoursThere)}.`
})
</script>

<template>
  <TheAnswer>
    {{ sentence }}
    <template v-if="summary" #actions>
      <v-btn :to="`/days/${addDays(day, -1)}`" aria-label="The day before">←</v-btn>
      <v-btn :to="`/days/${addDays(day, 1)}`" aria-label="The day after">→</v-btn>
    </template>
  </TheAnswer>
  <div class="stack">
    <section v-for="collection in releases" :key="collection.id" class="sheet">
      <p class="eyebrow">Release</p>
      <RouterLink class="plain serif big" :to="`/plan/${collection.id}`">{{ collection.name }}</RouterLink> at
      {{ collection.releaseLocal.slice(11) }} ({{ collection.releaseZone }})
    </section>
    <template v-for="part in asked" :key="part.title">
      <section v-if="part.batches.length > 0" class="sheet">
        <p class="eyebrow">{{ part.title }}</p>
        <RouterLink v-for="batch in part.batches" :key="batch.id" class="plain line" :to="part.to(batch)">
          <SoapFace :name="batch.name" :colours="season.design(batch.designId)?.colours ?? []" />
          <span class="serif big">{{ batch.name }}</span>
          <span class="quiet"
            >{{ season.mould(batch.mouldId)?.name
            }}<template v-if="part.hours(batch) > 0">, {{ hours(part.hours(batch)) }}</template></span
          >
        </RouterLink>
      </section>
    </template>
    <section v-if="toWeigh.length > 0" class="sheet">
      <p class="eyebrow">Weigh the marked bar</p>
      <RouterLink v-for="loaf in toWeigh" :key="loaf.id" class="plain line" :to="`/cure/${loaf.id}`">
        <SoapFace :name="loaf.name" :colours="season.design(loaf.designId)?.colours ?? []" />
        <span class="serif big">{{ loaf.name }}</span><span class="quiet"
          >{{ loaf.lotCode }}, {{ loaf.state.place }}</span
        >
      </RouterLink>
    </section>
    <p v-if="isEmpty && summary" class="quiet">Nothing stands on this day.</p>
  </div>
</template>

<style scoped>
.line {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 8px 0;
}

.big {
  font-size: 1.15rem;
}
</style>
