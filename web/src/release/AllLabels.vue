<script setup lang="ts">
import QuantityField from '@/parts/QuantityField.vue'
import { useSeason } from '@/parts/seasonStore'
import { mdiPrinterOutline } from '@mdi/js'
import type { LoafSummary } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { labelStocks, usualStock } from '@vendange/core/release'
import { counted } from '@vendange/words'
import { computed, ref } from 'vue'
import { useLabelStocks } from './useLabelStocks'
import { usePrinting } from './usePrinting'

/** The labels of several loaves at once: one for each bar released, from the first free place of a used sheet. */
const props = defineProps<{ loaves: readonly LoafSummary[] }>()
const season = useSeason()
const stocks = useLabelStocks()
const stock = ref(usualStock(season.workshop?.lengthUnit ?? 'mm', 'labels').key)
const first = ref(1)
const bars = computed(() => props.loaves.reduce((sum, { state }) => sum + state.releasedBars, 0))
const firstRange = computed(() => {
  const { columns, rows } = labelStocks.find(({ key }) => key === stock.value) ?? { columns: 1, rows: 1 }
  return { min: 1, max: columns * rows }
})
const { share, trouble, print } = usePrinting()
const printAll = () =>
  print((job) => {
    const loaves = props.loaves.map(({ id }) => id).join()
    const asked = new URLSearchParams({ loaves, stock: stock.value, first: String(first.value), job })
    return `${endpoints.release.allLabels.path}?${asked.toString()}`
  }, `labels-${season.today}.pdf`)
</script>

<template>
  <section class="sheet stack" data-test="labels-of-all">
    <h2>Labels for {{ counted(bars, 'bar') }} of {{ counted(loaves.length, 'loaf', 'loaves') }}</h2>
    <div class="fields">
      <v-select v-model="stock" :items="stocks" label="Sheet" class="wide" />
      <QuantityField v-model="first" kind="count" :range="firstRange" label="First free place of the sheet" />
    </div>
    <div>
      <v-btn
        :prepend-icon="mdiPrinterOutline"
        color="primary"
        variant="flat"
        :loading="share !== undefined"
        data-test="print-all-labels"
        @click="printAll"
        >All of them as one PDF</v-btn
      >
    </div>
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
  </section>
</template>
