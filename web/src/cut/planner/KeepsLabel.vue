<script setup lang="ts">
import { keepsLabelWords } from '@/parts/forecastWords'
import { goalOf, useDryingTerms, useForecaster } from '@/parts/useDrying'
import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import type { LoafSummary } from '@vendange/contract'
import { addDays } from '@vendange/core/calendar'
import type { BarSides } from '@vendange/core/cutting'
import { computed } from 'vue'

/** "Will it still be 120 g?", asked before the knife goes in, and how thick it would have to be. */
const props = defineProps<{ loaf: LoafSummary; bar: BarSides; wetG: number }>()
const emit = defineEmits<{ thickness: [mm: number] }>()
const season = useSeason()
const { show, barMass } = useUnits()
const { since } = useDryingTerms()
/** The room is taken to go on as it was in so many days. An estimate. */
const daysLookedBack = 28

const asked = computed(() => {
  const here = since(addDays(season.today, -daysLookedBack))
  const { loaf, bar, wetG } = props
  return here && wetG > 0 ? { wetG, terms: { ...here, bar: { ...bar } }, goal: goalOf(loaf) } : undefined
})
const { told } = useForecaster(
  () => asked.value,
  (forecaster, { wetG, terms, goal }) => forecaster.atTheCut(wetG, terms, goal),
)
const neededMm = computed(() => Math.ceil((told.value?.needed.thicknessMm ?? 0) * 10) / 10)
const isOff = computed(() => Math.abs(neededMm.value - props.bar.thicknessMm) > 0.2)
</script>

<template>
  <div v-if="told" class="stack" data-test="keeps-label">
    <p>
      {{ keepsLabelWords(told, loaf, barMass) }}
      <template v-if="isOff">
        Cut at {{ show('length', neededMm, 1) }}, {{ barMass(told.needed.wetG) }} wet, nine bars in ten would keep it.
      </template>
    </p>
    <v-btn v-if="isOff" class="cut-so" size="small" data-test="cut-so-thick" @click="emit('thickness', neededMm)">
      Cut at {{ show('length', neededMm, 1) }}
    </v-btn>
  </div>
</template>

<style scoped>
.cut-so {
  justify-self: start;
}
</style>
