<script setup lang="ts">
import ChoiceField from '@/parts/ChoiceField.vue'
import { useUnits } from '@/parts/format'
import { useErrorOf } from '@/parts/errorOf'
import { changing, fieldOf, useRows } from '@/parts/useRows'
import QuantityField from '@/parts/QuantityField.vue'
import { useSeason } from '@/parts/seasonStore'
import { mdiClose, mdiPlus } from '@mdi/js'
import type { WorkshopDetails } from '@vendange/contract'
import { breakageRange, centsRange, minutesPerBarRange } from '@vendange/contract'
import { computed } from 'vue'

const { whole } = useUnits()

/** What quotes reckon with: the workshop's own estimates. */
const pricing = defineModel<WorkshopDetails['pricing']>({ required: true })
const change = changing(pricing)
const prices = fieldOf(pricing, 'ingredients')
const { set, add, remove } = useRows(prices)
const errorOf = useErrorOf()
const season = useSeason()
const keys = computed(() => [
  { value: 'naoh', title: 'Sodium hydroxide' },
  { value: 'scent', title: 'Scents' },
  { value: 'colourant', title: 'Colourants' },
  ...season.fats.map(({ key, name }) => ({ value: key, title: name })),
])
/** The first that has no price yet. */
function addPrice(): void {
  const priced = new Set(prices.value.map(({ key }) => key))
  const open = keys.value.find(({ value }) => !priced.has(value)) ?? keys.value[0]
  if (open) add({ key: open.value, centsPerKg: 800 })
}
const amounts = [
  ['hourCents', 'An hour of work'],
  ['packingCentsPerBar', 'Packing a bar'],
  ['bevelCentsPerBar', 'Bevelling a bar, extra'],
  ['stampCents', 'A stamp'],
] as const
</script>

<template>
  <section class="sheet stack">
    <h2>What a quote reckons with (estimates)</h2>
    <div class="fields">
      <QuantityField
        v-for="[key, label] in amounts"
        :key="key"
        v-model="pricing[key]"
        kind="money"
        :range="centsRange"
        :label="label"
        :error="errorOf(`pricing.${key}`)"
      />
      <QuantityField
        :model-value="pricing.breakageShare"
        kind="share"
        :range="breakageRange"
        label="Bars lost to breakage"
        :error="errorOf('pricing.breakageShare')"
        @update:model-value="change({ breakageShare: $event })"
      />
      <QuantityField
        :model-value="pricing.bevelMinutesPerBar"
        kind="number"
        :range="minutesPerBarRange"
        label="Minutes to bevel a bar"
        :error="errorOf('pricing.bevelMinutesPerBar')"
        @update:model-value="change({ bevelMinutesPerBar: $event })"
      />
      <QuantityField
        :model-value="pricing.stampMinutesPerBar"
        kind="number"
        :range="minutesPerBarRange"
        label="Minutes to stamp a bar"
        :error="errorOf('pricing.stampMinutesPerBar')"
        @update:model-value="change({ stampMinutesPerBar: $event })"
      />
    </div>
    <p class="eyebrow">Prices {{ whole.words }}</p>
    <div v-for="(price, index) in prices" :key="index" class="row price">
      <ChoiceField
        :model-value="price.key"
        :items="keys"
        :label="`Ingredient ${index + 1}`"
        @update:model-value="set(index, { key: $event })"
      />
      <QuantityField
        :model-value="price.centsPerKg"
        kind="price"
        :range="centsRange"
        :label="`Price ${index + 1}`"
        :error="errorOf(`pricing.ingredients[${index}].centsPerKg`)"
        @update:model-value="set(index, { centsPerKg: $event })"
      />
      <v-btn
        :icon="mdiClose"
        size="small"
        variant="text"
        :aria-label="`Take price ${index + 1} away`"
        @click="remove(index)"
      />
    </div>
    <div>
      <v-btn size="small" :prepend-icon="mdiPlus" @click="addPrice">Price</v-btn>
    </div>
  </section>
</template>

<style scoped>
.price {
  flex-wrap: nowrap;
}

.price > :nth-child(2) {
  flex: none;
  width: 132px;
}

@media (max-width: 599px) {
  .price {
    flex-wrap: wrap;
    padding-bottom: 12px;
  }

  .price > :first-child {
    flex: 1 0 100%;
  }

  .price > :nth-child(2) {
    flex: 1;
  }
}
</style>
