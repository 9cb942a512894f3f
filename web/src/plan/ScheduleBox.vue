<script setup lang="ts">
import DateField from '@/parts/DateField.vue'
import FindingList from '@/parts/FindingList.vue'
import { usePours } from '@/parts/pourActions'
import { useSeason } from '@/parts/seasonStore'
import type { SavedDesign } from '@vendange/contract'
import { formatDay, isDay, relativeDay } from '@vendange/core/calendar'
import { isRefused } from '@vendange/core/findings'
import { daysWhenPouredOn, noDayFindings, pourDayFindings, slackDays, suggestPourDay } from '@vendange/core/season'
import { useKeptFields } from '@/parts/useKeptFields'
import { computed, ref } from 'vue'
import { dayCount } from './verdictWords'

const props = defineProps<{ design: SavedDesign }>()
const season = useSeason()
const { pourOn, takeOff } = usePours()

const batch = computed(() => season.batchOf(props.design.id))
const isFixed = computed(() => batch.value !== undefined && batch.value.status !== 'planned')
const seeking = computed(() => season.seeking(props.design))
const neededDay = computed(() => seeking.value?.neededDay)
const suggestion = computed(() => seeking.value && suggestPourDay(season.open, seeking.value.id))
const latest = computed(() => suggestion.value?.latestPourDay)

/** Why there is no free day in time, where there is none. */
const whyNone = computed(() =>
  seeking.value && !isFixed.value && (suggestion.value?.slackDays ?? -1) < 0
    ? noDayFindings(season.open, seeking.value.id, season.mouldNames)
    : [],
)

/** Chosen and not put on the calendar yet. */
const chosenDay = ref<string | null>(null)
const kept = useKeptFields(`pour-day:${props.design.id}`, { chosenDay })
const day = computed({
  get: () => chosenDay.value ?? batch.value?.days.pourDay ?? suggestion.value?.pourDay ?? '',
  set: (chosen) => (chosenDay.value = chosen),
})
async function putOn(): Promise<void> {
  const wanted = day.value
  await pourOn({ designId: props.design.id }, wanted, trial.value?.days.cutDay)
  if (season.batchOf(props.design.id)?.days.pourDay !== wanted) return
  chosenDay.value = null
  kept.sent()
}
const trial = computed(() => {
  if (!seeking.value || neededDay.value === undefined || !isDay(day.value)) return undefined
  const { id } = seeking.value
  const days = isFixed.value ? batch.value?.days : daysWhenPouredOn(season.open, id, day.value)
  if (!days) return undefined
  return {
    days,
    slack: slackDays(days, neededDay.value),
    findings: isFixed.value ? [] : pourDayFindings(season.open, id, day.value, season.mouldNames),
  }
})
/** A wish is told apart from a rule. */
const wishedWords = computed(() => {
  const wished = season.limits.bufferDays
  return (trial.value?.slack ?? 0) < wished ? ` of the ${wished} that you wish for` : ''
})
const on = (text: string): string => formatDay(text, season.today)
</script>

<template>
  <section class="sheet stack" data-test="schedule">
    <h2>On the calendar</h2>
    <p v-if="!seeking" class="quiet">Choose a recipe and a mould; then its days can be counted back.</p>
    <template v-else>
      <dl v-if="trial">
        <div v-if="trial.days.prepDay !== null">
          <dt>Prepare</dt>
          <dd>{{ on(trial.days.prepDay) }}</dd>
        </div>
        <div>
          <dt>Pour</dt>
          <dd data-test="pour-day">{{ on(trial.days.pourDay) }}</dd>
        </div>
        <div>
          <dt>Cut</dt>
          <dd data-test="cut-day">{{ on(trial.days.cutDay) }}</dd>
        </div>
        <div>
          <dt>Cured</dt>
          <dd data-test="ready-day">{{ on(trial.days.readyDay) }}</dd>
        </div>
        <div>
          <dt>Needed</dt>
          <dd>{{ neededDay === undefined ? '' : on(neededDay) }}</dd>
        </div>
      </dl>
      <p v-if="trial" :class="trial.slack < 0 ? 'must' : 'vine'" data-test="slack">
        <b>{{
          trial.slack < 0
            ? `${dayCount(trial.slack)} late.`
            : trial.slack === 0
              ? `Just in time${season.limits.bufferDays > 0 ? `; you wish for ${dayCount(season.limits.bufferDays)} to spare` : ''}.`
              : `In time, with ${dayCount(trial.slack)} to spare${wishedWords}.`
        }}</b>
        <template v-if="latest">
          The last day to pour is {{ on(latest) }}, {{ relativeDay(latest, season.today) }}.</template
        >
      </p>
      <FindingList :findings="whyNone" data-test="why-no-day" />
      <FindingList v-if="trial" :findings="trial.findings" />
      <div v-if="!isFixed" class="row">
        <DateField v-model="day" label="Pour on" class="date" data-test="pour-date" />
        <v-btn
          color="primary"
          variant="flat"
          :disabled="!trial || isRefused(trial.findings) || day === batch?.days.pourDay"
          data-test="put-on"
          @click="putOn"
          >{{ batch ? 'Move it here' : 'Put it on the calendar' }}</v-btn
        >
        <v-btn v-if="suggestion?.pourDay && suggestion.pourDay !== day" @click="day = suggestion.pourDay"
          >Suggest {{ on(suggestion.pourDay) }}</v-btn
        >
      </div>
      <div v-if="batch" class="row">
        <v-btn :to="`/pour/${batch.id}`" size="small">Run sheet</v-btn>
        <v-btn v-if="batch.status === 'planned'" size="small" variant="text" @click="takeOff(batch)"
          >Take it off the calendar</v-btn
        >
        <span v-else class="quiet">{{
          batch.status === 'poured' ? 'Poured; its days are facts now.' : 'The bench has begun.'
        }}</span>
      </div>
    </template>
  </section>
</template>

<style scoped>
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
}

dt {
  font-size: 0.8rem;
  color: rgb(var(--v-theme-quiet));
}

dd {
  font-family: var(--serif);
  font-size: 1rem;
  font-weight: 600;
}

.date {
  min-width: 185px;
  max-width: 200px;
}
</style>
