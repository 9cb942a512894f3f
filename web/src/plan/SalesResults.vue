<script setup lang="ts">
import QuantityField from '@/parts/QuantityField.vue'
import { mdiClose, mdiPlus } from '@mdi/js'
import type { NewDesign } from '@vendange/contract'
import { channelNames } from '@vendange/contract'

/** How a soap sold after its release, channel by channel. */
const results = defineModel<NewDesign['results']>({ required: true })
defineProps<{ errorOf: (path: string) => string | undefined }>()
const barsRange = { min: 0, max: 5000 }
const daysRange = { min: 1, max: 400 }
function add(): void {
  const free = channelNames.find((channel) => !results.value.some((result) => result.channel === channel))
  results.value.push({ channel: free ?? 'Web', offered: 12, sold: 0, days: 7 })
}
</script>

<template>
  <div>
    <div v-for="(result, index) in results" :key="index" class="row result">
      <v-select v-model="result.channel" :items="channelNames" :label="`Channel ${index + 1}`" />
      <QuantityField
        v-model="result.offered"
        kind="count"
        :range="barsRange"
        :label="`Offered ${index + 1}`"
        :error="errorOf(`results[${index}].offered`)"
      />
      <QuantityField
        v-model="result.sold"
        kind="count"
        :range="barsRange"
        :label="`Sold ${index + 1}`"
        :error="errorOf(`results[${index}].sold`)"
      />
      <QuantityField
        v-model="result.days"
        kind="days"
        :range="daysRange"
        :label="`In days ${index + 1}`"
        :error="errorOf(`results[${index}].days`)"
      />
      <v-btn
        :icon="mdiClose"
        size="small"
        variant="text"
        :aria-label="`Take channel ${index + 1} away`"
        @click="results.splice(index, 1)"
      />
    </div>
    <v-btn size="small" :prepend-icon="mdiPlus" @click="add">What a channel sold</v-btn>
  </div>
</template>

<style scoped>
.result {
  flex-wrap: nowrap;
  margin: 8px 0;
}
</style>
