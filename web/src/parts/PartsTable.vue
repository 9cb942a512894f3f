<script setup lang="ts">
import type { ScaledBatch } from '@vendange/core/batch'
import { useUnits } from './format'

/** What each kind of mould takes of a batch, and gives. */
defineProps<{ scaled: ScaledBatch; names: readonly string[] }>()
const { barMass, show } = useUnits()
</script>

<template>
  <table class="figures" data-test="parts">
    <thead>
      <tr>
        <th>Mould</th>
        <th class="number">Takes</th>
        <th class="number">Bars</th>
        <th class="number">A bar, cut</th>
        <th class="number">cured (estimate)</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(part, index) in scaled.parts" :key="index">
        <td>{{ part.count === 1 ? '' : `${part.count} × ` }}{{ names[index] }}</td>
        <td class="number">{{ show('volume', part.mouldMl * part.count) }}</td>
        <td class="number">{{ part.barsPerMould * part.count }}</td>
        <td class="number">{{ barMass(part.barWetG) }}</td>
        <td class="number">{{ barMass(part.barCuredG) }}</td>
      </tr>
    </tbody>
  </table>
</template>
