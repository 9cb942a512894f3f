<script setup lang="ts">
import { finishWords } from '@/parts/finishWords'
import QuantityField from '@/parts/QuantityField.vue'
import { useLoafEvents } from '@/parts/recordLoafEvent'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import { useFinishTimes } from '@/parts/useFinishTimes'
import { formatDay } from '@vendange/core/calendar'
import type { Finish } from '@vendange/core/cutting'
import { cutWindow } from '@vendange/core/cutting'
import type { FinishWork } from '@vendange/core/loaf'
import { finishWork, shareMinutes } from '@vendange/core/loaf'
import { counted } from '@vendange/words'
import { useKeptFields } from '@/parts/useKeptFields'
import { computed, ref } from 'vue'

/** All that waits to be stamped or bevelled, one kind of work after the other, and how long it takes. */
const season = useSeason()
const { timeOf } = useFinishTimes()
const { record, trouble, isSending } = useLoafEvents()
const minutesRange = { min: 0, max: 1440 }

const waiting = computed(() =>
  finishWork(
    season.loaves.map(({ id, designId, state }) => {
      const design = season.design(designId)
      const recipe = season.recipe(design?.recipeId)
      return {
        id,
        state,
        bevelled: design?.bevelled ?? false,
        stamped: design?.stamped ?? false,
        stampUntilDay: state.pouredDay && recipe ? cutWindow(state.pouredDay, recipe).stampUntilDay : undefined,
      }
    }),
    season.today,
    timeOf,
  ),
)
const sumOf = (works: readonly FinishWork[], of: 'bars' | 'allMin'): number =>
  works.reduce((sum, work) => sum + work[of], 0)
const batches = computed(() =>
  [...new Set(waiting.value.map(({ finish }) => finish))].map((finish) => {
    const works = waiting.value.filter((work) => work.finish === finish)
    return { finish, works, bars: sumOf(works, 'bars'), allMin: sumOf(works, 'allMin') }
  }),
)
const heading = computed(
  () => `To finish today: ${sumOf(waiting.value, 'bars')} bars, about ${sumOf(waiting.value, 'allMin')} min`,
)
/** What is to be said of the time that is left for one. */
function untilWords({ untilDay }: FinishWork): string {
  if (untilDay === undefined) return ''
  return untilDay < season.today
    ? `was soft until ${formatDay(untilDay, season.today)}: try one bar first`
    : `while soft, until ${formatDay(untilDay, season.today)}`
}

const took = ref<Partial<Record<Finish, number | null>>>({})
const kept = useKeptFields('finish-today', { took })
async function logAll(finish: Finish, works: readonly FinishWork[]): Promise<void> {
  const minutes = shareMinutes(works, took.value[finish] ?? 0)
  for (const [at, { loafId, bars }] of works.entries()) {
    const loaf = season.loaf(loafId)
    if (!loaf) continue
    const event = { type: 'finished', day: season.today, finish, bars, removedG: null } as const
    if (!(await record(loaf, { ...event, minutes: minutes[at] ?? 0 }))) return
  }
  took.value = { ...took.value, [finish]: null }
  kept.sent()
}
</script>

<template>
  <section v-if="batches.length > 0" class="sheet stack mb-6" data-test="finish-today">
    <h2>{{ heading }}</h2>
    <div v-for="{ finish, works, bars, allMin } in batches" :key="finish" class="stack">
      <div class="row head">
        <h3>{{ finishWords[finish] }}: {{ counted(bars, 'bar') }}, about {{ allMin }} min</h3>
        <form class="row" @submit.prevent="logAll(finish, works)">
          <QuantityField
            :model-value="took[finish] ?? null"
            class="took"
            kind="number"
            optional
            :range="minutesRange"
            label="All took, min"
            @update:model-value="took[finish] = $event"
          />
          <v-btn
            type="submit"
            :disabled="took[finish] === undefined || took[finish] === null"
            :loading="isSending"
            :data-test="`log-all-${finish}`"
            >Log them all</v-btn
          >
        </form>
      </div>
      <table class="figures">
        <tbody>
          <tr v-for="work in works" :key="work.loafId" data-test="finish-work">
            <td class="face">
              <SoapFace
                :name="season.loaf(work.loafId)?.name ?? ''"
                :soap="season.design(season.loaf(work.loafId)?.designId)"
                :width="48"
                :height="34"
              />
            </td>
            <td>
              <RouterLink class="plain serif" :to="`/cut/${work.loafId}`">{{
                season.loaf(work.loafId)?.name
              }}</RouterLink>
            </td>
            <td>{{ season.loaf(work.loafId)?.lotCode }}</td>
            <td>{{ untilWords(work) }}</td>
            <td class="number">{{ counted(work.bars, 'bar') }}</td>
            <td class="number">
              {{ work.allMin }} min <span class="quiet">({{ work.isLearned ? 'learned here' : 'estimate' }})</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.took {
  width: 130px;
}
</style>
