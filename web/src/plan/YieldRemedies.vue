<script setup lang="ts">
import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import type { NewDesign } from '@vendange/contract'
import type { YieldRemedy } from '@vendange/core/batch'
import { yieldRemedies } from '@vendange/core/batch'
import { computed } from 'vue'

/** What could be done when the moulds do not give the bars wanted. */
const values = defineModel<NewDesign>({ required: true })
const season = useSeason()
const { barMass, weighed, say } = useUnits()

const ways = computed<readonly YieldRemedy[]>(() => {
  const mould = season.mould(values.value.mouldId)
  const source = season.sourceOf(values.value)
  if (!mould || !source || !season.workshop) return []
  return yieldRemedies(
    { ...source.design, recipe: source.recipe, more: source.more ?? [] },
    mould,
    season.moulds,
    season.workshop,
  )
})
const canTake = ({ kind }: YieldRemedy): boolean => kind === 'moulds' || kind === 'other_mould'
function take({ mouldId, mouldCount }: YieldRemedy): void {
  values.value = { ...values.value, mouldId, mouldCount }
}
</script>

<template>
  <table v-if="ways.length > 0" class="figures" data-test="ways-out">
    <thead>
      <tr>
        <th>Ways out</th>
        <th class="number">Bars</th>
        <th class="number">A bar, cured</th>
        <th class="number">Batter</th>
        <th class="number">No bar</th>
        <th><span class="d-sr-only">Do</span></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="way in ways" :key="way.kind + say(way.title)">
        <td>{{ say(way.title) }}</td>
        <td class="number">
          <b>{{ way.bars }}</b>
        </td>
        <td class="number" :class="{ must: !way.reachesLabel }">{{ barMass(way.barCuredG) }}</td>
        <td class="number">{{ weighed(way.batterG) }}</td>
        <td class="number quiet">{{ weighed(way.wasteG) }}</td>
        <td class="number">
          <v-btn v-if="canTake(way)" size="small" variant="text" :data-test="`take-${way.kind}`" @click="take(way)"
            >Take</v-btn
          >
        </td>
      </tr>
    </tbody>
  </table>
</template>
