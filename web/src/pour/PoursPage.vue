<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import PageHeadline from '@/parts/PageHeadline.vue'
import { daysBetween, formatDay, relativeDay } from '@vendange/core/calendar'
import { computed } from 'vue'

const season = useSeason()
const open = computed(() => season.batches.filter(({ status }) => status !== 'poured'))
const poured = computed(() => season.batches.filter(({ status }) => status === 'poured').reverse())
const next = computed(() => open.value.find(({ status }) => status === 'in_work') ?? open.value[0])
/** "tomorrow", or the day itself. */
const on = (day: string): string =>
  daysBetween(season.today, day) === 1 ? 'tomorrow' : `on ${formatDay(day, season.today)}`
const sentence = computed(() => {
  const batch = next.value
  if (!batch) return 'No pour is on the calendar.'
  if (batch.status === 'in_work') return `${batch.name} is on the bench. Go on where you stopped.`
  if (batch.days.pourDay < season.today)
    return `${batch.name} was to be poured on ${formatDay(batch.days.pourDay, season.today)}. Pour it now or move it.`
  if (batch.days.pourDay === season.today) return `Today you pour ${batch.name}.`
  if (batch.days.prepDay === season.today) return `Prepare ${batch.name} today; it is poured ${on(batch.days.pourDay)}.`
  return `Nothing to pour today. ${batch.name} is next, on ${formatDay(batch.days.pourDay, season.today)}, ${relativeDay(batch.days.pourDay, season.today)}.`
})
</script>

<template>
  <PageHeadline>
    {{ sentence }}
    <template #actions>
      <v-btn v-if="next" color="primary" variant="flat" :to="`/bench/${next.id}`">To the bench: {{ next.name }}</v-btn>
      <v-btn v-else color="primary" variant="flat" to="/plan">Plan a pour</v-btn>
    </template>
  </PageHeadline>
  <section v-if="open.length > 0" class="sheet">
    <h2>To pour</h2>
    <table class="figures">
      <thead>
        <tr>
          <th colspan="2">Soap</th>
          <th>Prepare</th>
          <th>Pour</th>
          <th>Mould</th>
          <th><span class="d-sr-only">To do</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="batch in open" :key="batch.id" data-test="to-pour">
          <td class="face"><SoapFace :name="batch.name" :soap="season.design(batch.designId)" /></td>
          <td>
            <RouterLink class="plain serif" :to="`/soaps/${batch.designId}`">{{ batch.name }}</RouterLink>
          </td>
          <td>{{ batch.days.prepDay === null ? '' : formatDay(batch.days.prepDay, season.today) }}</td>
          <td>
            <b>{{ formatDay(batch.days.pourDay, season.today) }}</b>,
            {{ relativeDay(batch.days.pourDay, season.today) }}
          </td>
          <td>
            {{ season.mouldWords(batch) }}
          </td>
          <td class="number">
            <v-btn size="small" :to="`/pour/${batch.id}`">Run sheet</v-btn>
            <v-btn size="small" class="ml-2" :to="`/bench/${batch.id}`">Bench</v-btn>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
  <section v-if="poured.length > 0" class="sheet mt-5">
    <h2>Poured lately</h2>
    <table class="figures">
      <tbody>
        <tr v-for="batch in poured" :key="batch.id">
          <td class="face"><SoapFace :name="batch.name" :soap="season.design(batch.designId)" /></td>
          <td class="serif">{{ batch.name }}</td>
          <td>poured {{ formatDay(batch.days.pourDay, season.today) }}</td>
          <td class="number"><v-btn size="small" :to="`/pour/${batch.id}`">Record</v-btn></td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
