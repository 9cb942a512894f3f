<script setup lang="ts">
import { useErrorOf } from '@/parts/errorOf'
import RemovableRow from '@/parts/RemovableRow.vue'
import { useRows } from '@/parts/useRows'
import QuantityField from '@/parts/QuantityField.vue'
import { mdiPlus } from '@mdi/js'
import type { NewDesign } from '@vendange/contract'
import { channelNames } from '@vendange/contract'

/** How a soap sold after its release, channel by channel. */
const results = defineModel<NewDesign['results']>({ required: true })
const rows = useRows(results)
const errorOf = useErrorOf()
const barsRange = { min: 0, max: 5000 }
const daysRange = { min: 1, max: 400 }
function add(): void {
  const free = channelNames.find((channel) => !results.value.some((result) => result.channel === channel))
  rows.add({ channel: free ?? 'Web', offered: 12, sold: 0, days: 7 })
}
</script>

<template>
  <div>
    <RemovableRow
      v-for="(result, index) in results"
      :key="index"
      class="result"
      :what="`channel ${index + 1}`"
      @remove="rows.remove(index)"
    >
      <v-select
        :model-value="result.channel"
        :items="channelNames"
        :label="`Channel ${index + 1}`"
        @update:model-value="rows.set(index, { channel: $event })"
      />
      <QuantityField
        :model-value="result.offered"
        kind="count"
        :range="barsRange"
        :label="`Offered ${index + 1}`"
        :error="errorOf(`results[${index}].offered`)"
        @update:model-value="rows.set(index, { offered: $event })"
      />
      <QuantityField
        :model-value="result.sold"
        kind="count"
        :range="barsRange"
        :label="`Sold ${index + 1}`"
        :error="errorOf(`results[${index}].sold`)"
        @update:model-value="rows.set(index, { sold: $event })"
      />
      <QuantityField
        :model-value="result.days"
        kind="days"
        :range="daysRange"
        :label="`In days ${index + 1}`"
        :error="errorOf(`results[${index}].days`)"
        @update:model-value="rows.set(index, { days: $event })"
      />
    </RemovableRow>
    <v-btn size="small" :prepend-icon="mdiPlus" @click="add">What a channel sold</v-btn>
  </div>
</template>

<style scoped>
.result {
  margin: 8px 0;
}
</style>
