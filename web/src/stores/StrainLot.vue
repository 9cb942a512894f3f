<script setup lang="ts">
import { api } from '@/parts/api'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import { runChange } from '@/parts/runChange'
import { useSeason } from '@/parts/seasonStore'
import type { LotView } from '@vendange/contract'
import { amountRange, endpoints } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { ref } from 'vue'
import { useStores } from './storesStore'

/** An infusion that steeps: what is in it, and what came out. */
const props = defineProps<{ lot: LotView & { readonly infusion: NonNullable<LotView['infusion']> } }>()
const stores = useStores()
const season = useSeason()
const { show } = useUnits()
const unread = ref<string>()
const yieldG = ref(props.lot.receivedAmount)

async function strain(): Promise<void> {
  const { id, version } = props.lot
  const strained = await runChange(() =>
    api(endpoints.infusions.strain, { params: { id }, body: { yieldG: yieldG.value, version } }),
  )
  if (strained) await stores.load()
}
</script>

<template>
  <div class="row" data-test="steeping">
    <p>
      {{ show('mass', lot.infusion.herbG) }} of {{ lot.infusion.herb.toLowerCase() }} in
      {{ show('mass', lot.infusion.oilG) }}, since {{ formatDay(lot.infusion.startedDay, season.today) }}.
    </p>
    <template v-if="!lot.infusion.isStrained">
      <QuantityField
        v-model="yieldG"
        class="yield"
        kind="mass"
        :range="amountRange"
        label="Came out"
        @problem="unread = $event"
      />
      <v-btn size="small" data-test="strain" :disabled="unread !== undefined" @click="strain">It is strained</v-btn>
    </template>
  </div>
</template>

<style scoped>
.yield {
  max-width: 180px;
}
</style>
