<script setup lang="ts">
import type { ScaledBatch } from '@vendange/core/batch'
import { useUnits } from './format'

defineProps<{ scaled: ScaledBatch; scentName?: string | undefined }>()
const { show, weighed } = useUnits()
</script>

<template>
  <table class="figures" data-test="weights">
    <tbody>
      <tr v-for="{ fat, massG } in scaled.weights.fats" :key="fat.key">
        <td>{{ fat.name }}</td>
        <td class="number">{{ weighed(massG) }}</td>
      </tr>
      <tr class="sum">
        <td>Fats</td>
        <td class="number" data-test="fats">{{ weighed(scaled.weights.fatsG) }}</td>
      </tr>
      <tr>
        <td>Water</td>
        <td class="number" data-test="water">{{ weighed(scaled.weights.waterG) }}</td>
      </tr>
      <tr class="lye">
        <td>Sodium hydroxide</td>
        <td class="number" data-test="naoh">{{ weighed(scaled.weights.naohG) }}</td>
      </tr>
      <tr v-if="scaled.weights.kohG > 0" class="lye">
        <td>Potassium hydroxide</td>
        <td class="number" data-test="koh">{{ weighed(scaled.weights.kohG) }}</td>
      </tr>
      <tr v-for="part in [...scaled.weights.liquids, ...scaled.weights.additives]" :key="part.name">
        <td>{{ part.name }}</td>
        <td class="number">{{ weighed(part.massG) }}</td>
      </tr>
      <tr v-if="scaled.weights.scentG > 0">
        <td>{{ scentName ?? 'Scent' }}</td>
        <td class="number">{{ weighed(scaled.weights.scentG) }}</td>
      </tr>
      <tr class="sum">
        <td>Batter, {{ scaled.densityGMl.toFixed(3) }} g/ml</td>
        <td class="number" data-test="batter">{{ weighed(scaled.weights.batterG) }}</td>
      </tr>
    </tbody>
  </table>
  <p class="quiet note">
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
