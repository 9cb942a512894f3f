<script setup lang="ts">
import type { StatedPrices } from '@vendange/contract'
import { centsRange, endpoints } from '@vendange/contract'
import { computed, ref } from 'vue'
import { api } from './api'
import { useUnits } from './format'
import QuantityField from './QuantityField.vue'
import { runChange } from './runChange'
import { useKeptFields } from './useKeptFields'

type Thing = Omit<StatedPrices['prices'][number], 'listCents'>

/** What has no price yet, each with a field for it: what is typed goes into the stores, as an estimate. */
const props = defineProps<{ things: readonly Thing[] }>()
const { whole } = useUnits()
const cents = ref<Record<string, number | null>>({})
const kept = useKeptFields('missing-prices', { cents })
const keyOf = ({ kind, ref: key, name }: Thing): string => `${kind}:${key}:${name}`
const typed = computed(() =>
  props.things.flatMap(({ kind, name, ref: key }) => {
    const listCents = cents.value[keyOf({ kind, name, ref: key })] ?? 0
    return listCents > 0 ? [{ kind, name, ref: key, listCents }] : []
  }),
)
async function keep(): Promise<void> {
  if (!(await runChange(() => api(endpoints.statePrices, { body: { prices: typed.value } })))) return
  cents.value = {}
  kept.sent()
}
</script>

<template>
  <form v-if="things.length > 0" class="stack" data-test="missing-prices" @submit.prevent="keep">
    <p class="brass">
      Without a price {{ whole.words }}: no lot and no list in the stores tells it. An estimate will do for now.
    </p>
    <div class="fields">
      <QuantityField
        v-for="thing in things"
        :key="keyOf(thing)"
        :model-value="cents[keyOf(thing)] ?? null"
        kind="price"
        optional
        :range="centsRange"
        :label="thing.name"
        @update:model-value="cents = { ...cents, [keyOf(thing)]: $event }"
      />
    </div>
    <div>
      <v-btn type="submit" size="small" :disabled="typed.length === 0" data-test="keep-prices"
        >Keep {{ typed.length === 1 ? 'this price' : 'these prices' }}</v-btn
      >
    </div>
  </form>
</template>
