<script setup lang="ts">
import { useErrorOf } from '@/parts/errorOf'
import { changing } from '@/parts/useRows'
import QuantityField from '@/parts/QuantityField.vue'
import type { WorkshopDetails } from '@vendange/contract'
import { breakageRange, centsRange, minutesPerBarRange, priceShareRange } from '@vendange/contract'

/** What quotes reckon with: the workshop's own estimates. */
const pricing = defineModel<WorkshopDetails['pricing']>({ required: true })
const change = changing(pricing)
const errorOf = useErrorOf()
const amounts = [
  ['hourCents', 'An hour of work'],
  ['sharedHourCents', 'Shared costs, an hour'],
  ['packingCentsPerBar', 'Packing a bar'],
  ['bevelCentsPerBar', 'Bevelling a bar, extra'],
  ['stampCents', 'A stamp'],
] as const
const shares = [
  ['shopShare', 'Of it shops pay'],
  ['subscriberShare', 'Of it subscribers pay'],
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
    <div class="fields">
      <QuantityField
        v-model="pricing.barCents"
        kind="money"
        :range="centsRange"
        label="A bar in public, usually"
        :error="errorOf('pricing.barCents')"
      />
      <QuantityField
        v-for="[key, label] in shares"
        :key="key"
        :model-value="pricing[key]"
        kind="share"
        :range="priceShareRange"
        :label="label"
        :error="errorOf(`pricing.${key}`)"
        @update:model-value="change({ [key]: $event })"
      />
    </div>
    <p class="quiet">What ingredients cost stands <RouterLink to="/stores">with each of them</RouterLink>.</p>
  </section>
</template>
