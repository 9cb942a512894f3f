<script setup lang="ts">
import type { ScaledBatch, WeightRow } from '@vendange/core/batch'
import { weightRows, wettingOf } from '@vendange/core/batch'
import { weightRowMass, weightRowName } from '@vendange/words'
import { computed } from 'vue'
import { useUnits } from './format'

/** All that is weighed for a batch: its lines add up to the batter. */
const props = defineProps<{ scaled: ScaledBatch; scentName?: string | undefined }>()
const { reading, show, weighed, fineMass } = useUnits()
const rows = computed(() => weightRows(props.scaled.weights))
const rowsOf = (part: WeightRow['part']): readonly WeightRow[] => rows.value.filter((row) => row.part === part)
const rowsBesideFats = computed(() => rows.value.filter(({ part }) => part !== 'fat'))
const wettingFatG = computed(() => wettingOf(props.scaled.weights).fatG)
const isAlkali = ({ part }: WeightRow): boolean => part === 'naoh' || part === 'koh'
</script>

<template>
  <table class="figures" data-test="weights">
    <tbody>
      <tr v-for="row in rowsOf('fat')" :key="row.name">
        <td>{{ row.name }}</td>
        <td class="number">{{ weighed(row.massG) }}</td>
      </tr>
      <tr class="sum">
        <td>Fats</td>
        <td class="number" data-test="fats">{{ weighed(scaled.weights.fatsG) }}</td>
      </tr>
      <tr v-for="(row, index) in rowsBesideFats" :key="index" :class="{ lye: isAlkali(row) }">
        <td>{{ row.part === 'scent' && scentName ? scentName : weightRowName(row) }}</td>
        <td class="number" :data-test="row.part">
          {{ weightRowMass(row, reading) }}
        </td>
      </tr>
      <tr class="sum">
        <td>Batter, {{ show('density', scaled.densityGMl) }}</td>
        <td class="number" data-test="batter">{{ weighed(scaled.weights.batterG) }}</td>
      </tr>
    </tbody>
  </table>
  <p class="quiet note">
    <template v-if="wettingFatG > 0">Of the fats {{ fineMass(wettingFatG) }} are kept back for wetting. </template>
    Fats rounded to the scale, lye from the rounded fats. Superfat {{ show('share', scaled.band.likely) }}; between
    {{ show('share', scaled.band.worst) }} and {{ show('share', scaled.band.best) }} over the fats’ natural span.
  </p>
</template>

<style scoped>
.sum td {
  font-weight: 700;
}

.lye td {
  font-weight: 700;
  color: rgb(var(--v-theme-must));
}

.note {
  margin-top: 8px;
  font-size: 0.85rem;
}
</style>
