<script setup lang="ts">
import DateField from '@/parts/DateField.vue'
import FindingList from '@/parts/FindingList.vue'
import { usePours } from '@/parts/pourActions'
import { useSeason } from '@/parts/seasonStore'
import type { BatchSummary, SavedDesign } from '@vendange/contract'
import { formatDay, isDay } from '@vendange/core/calendar'
import { isRefused } from '@vendange/core/findings'
import { daysWhenPouredOn, pourDayFindings, slackDays } from '@vendange/core/season'
import { counted } from '@vendange/words'
import { computed, ref } from 'vue'
import { dayCount } from './verdictWords'

/** The pours of a soap that is poured in several: each moved, pinned and taken off by itself. */
const props = defineProps<{ design: SavedDesign }>()
const season = useSeason()
const { move, takeOff, setPinned } = usePours()

const on = (day: string): string => formatDay(day, season.today)
const needed = computed(() => {
  const collection = season.collection(props.design.collectionId)
  return collection && season.neededDay(collection)
})
const standing: Readonly<Record<BatchSummary['status'], string>> = {
  planned: 'planned',
  in_work: 'at the bench',
  poured: 'poured',
}
const rows = computed(() =>
  season.batchesOf(props.design.id).map((batch) => {
    const slack = needed.value === undefined ? undefined : slackDays(batch.days, needed.value)
    return {
      batch,
      isLate: slack !== undefined && slack < 0,
      words:
        slack === undefined
          ? ''
          : slack < 0
            ? `${dayCount(slack)} late`
            : slack === 0
              ? 'just in time'
              : `${dayCount(slack)} to spare`,
    }
  }),
)

/** The pour that is being moved, and where to. */
const moving = ref<{ readonly id: string; readonly day: string }>()
const trial = computed(() => {
  const { id, day } = moving.value ?? {}
  if (id === undefined || day === undefined || !isDay(day)) return undefined
  return {
    days: daysWhenPouredOn(season.open, id, day),
    findings: pourDayFindings(season.open, id, day, season.mouldNames),
  }
})
async function moveThere(batch: BatchSummary): Promise<void> {
  if (!moving.value) return
  await move(batch, moving.value.day, trial.value?.days?.cutDay)
  moving.value = undefined
}
</script>

<template>
  <section class="sheet stack" data-test="pours">
    <h2>Its {{ counted(rows.length, 'pour') }}</h2>
    <ol class="bare">
      <li v-for="{ batch, isLate, words } in rows" :key="batch.id" data-test="pour-of-soap">
        <p>
          <RouterLink class="plain serif" :to="`/pour/${batch.id}`">{{ batch.name }}</RouterLink>:
          {{ season.mouldWords(batch) }}, {{ counted(batch.bars, 'bar') }}
        </p>
        <p>
          {{ batch.status === 'poured' ? 'Poured' : 'Pour' }} on <b>{{ on(batch.days.pourDay) }}</b>, cut on
          {{ on(batch.days.cutDay) }}, cured on {{ on(batch.days.readyDay) }};
          <span :class="isLate ? 'must' : 'quiet'">{{ words || standing[batch.status] }}</span>
        </p>
        <div v-if="batch.status === 'planned'" class="row">
          <template v-if="moving?.id === batch.id">
            <DateField
              :model-value="moving.day"
              label="Pour on"
              class="date"
              @update:model-value="moving = { id: batch.id, day: $event ?? '' }"
            />
            <v-btn
              color="primary"
              variant="flat"
              :disabled="!trial || isRefused(trial.findings)"
              @click="moveThere(batch)"
              >Move it here</v-btn
            >
            <v-btn variant="text" @click="moving = undefined">Leave it</v-btn>
          </template>
          <template v-else>
            <v-btn size="small" data-test="move-pour" @click="moving = { id: batch.id, day: batch.days.pourDay }"
              >Move</v-btn
            >
            <v-btn size="small" @click="setPinned(batch, !batch.isPinned)">{{
              batch.isPinned ? 'Let it go' : 'Pin'
            }}</v-btn>
            <v-btn size="small" variant="text" @click="takeOff(batch)">Take it off</v-btn>
          </template>
        </div>
        <FindingList v-if="moving?.id === batch.id && trial" :findings="trial.findings" />
      </li>
    </ol>
  </section>
</template>

<style scoped>
li + li {
  margin-top: 14px;
  padding-top: 14px;
  border-top: 1px solid rgb(var(--v-theme-hairline));
}

li .row {
  margin-top: 8px;
}

.date {
  min-width: 185px;
  max-width: 200px;
}
</style>
