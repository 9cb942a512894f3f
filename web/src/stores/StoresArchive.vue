<script setup lang="ts">
import { api } from '@/parts/api'
import { runChange } from '@/parts/runChange'
import { endpoints } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { computed } from 'vue'
import { useStores } from './storesStore'
import { useAmounts } from './useAmounts'
import { useSeason } from '@/parts/seasonStore'

/** What was in use and is no longer kept: where it went can be asked for always, and it can come back. */
const stores = useStores()
const season = useSeason()
const amount = useAmounts()
const archived = computed(() => stores.view?.archived ?? { ingredients: [], lots: [] })
const count = computed(() => archived.value.ingredients.length + archived.value.lots.length)
interface Versioned {
  readonly id: string
  readonly version: number
}
const bringBackLot = ({ id, version }: Versioned) =>
  runChange(() => api(endpoints.lots.restore, { params: { id }, body: { version } }))
const bringBackIngredient = ({ id, version }: Versioned) =>
  runChange(() => api(endpoints.ingredients.restore, { params: { id }, body: { version } }))
</script>

<template>
  <details v-if="count > 0" class="sheet" data-test="archived">
    <summary>{{ count === 1 ? 'One thing' : `${count} things` }} archived</summary>
    <ul class="list">
      <li v-for="one in archived.ingredients" :key="one.id" class="row">
        <span>{{ one.name }}, with its lots</span>
        <v-btn size="small" :aria-label="`Bring ${one.name} back`" @click="bringBackIngredient(one)">Bring back</v-btn>
      </li>
      <li v-for="lot in archived.lots" :key="lot.id" class="row">
        <span
          >{{ lot.ingredientName }}, lot {{ lot.lotNumber || 'without a number' }}, came on
          {{ formatDay(lot.receivedDay, season.today) }}, {{ amount(lot.kind, lot.usedAmount) }} used</span
        >
        <RouterLink :to="`/stores/lots/${lot.id}/trace`">Where it went</RouterLink>
        <v-btn size="small" :aria-label="`Bring lot ${lot.lotNumber} back`" @click="bringBackLot(lot)"
          >Bring back</v-btn
        >
      </li>
    </ul>
  </details>
</template>

<style scoped>
.list {
  list-style: none;
  padding: 0;
}
</style>
