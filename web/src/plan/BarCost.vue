<script setup lang="ts">
import { useUnits } from '@/parts/format'
import MissingPrices from '@/parts/MissingPrices.vue'
import QuantityField from '@/parts/QuantityField.vue'
import { useSeason } from '@/parts/seasonStore'
import type { SavedDesign } from '@vendange/contract'
import { priceRange } from '@vendange/contract'
import { hourCostCents } from '@vendange/core/plan'
import { leverWords, priceSourceWords, soldWords } from '@vendange/words'
import { computed } from 'vue'
import { useSoapCost } from './useSoapCost'

/** What a bar costs while it is designed, what it brings by each channel, and what would change that most. */
const props = defineProps<{ design: SavedDesign; error: string | undefined }>()
/** Its own price in public; null: as the workshop's bars usually cost. */
const own = defineModel<number | null>({ required: true })
const season = useSeason()
const { money, show, whole } = useUnits()
const { prices, cost, channels, barCents } = useSoapCost(() => props.design)

const unpriced = computed(() =>
  (cost.value?.ingredients ?? []).flatMap(({ kind, ref, name, cents }) =>
    cents === undefined ? [{ kind, ref, name }] : [],
  ),
)
const priced = computed(() => (cost.value?.ingredients ?? []).filter(({ cents }) => cents !== undefined))
/** Cents to a tenth: of a bar's ingredients most are less than one. */
const fine = (cents: number): string => (cents < 10 ? `${show('number', cents, 1)}\u00a0c` : money(Math.round(cents)))
const hourCents = computed(() => (season.workshop ? hourCostCents(season.workshop.pricing) : 0))
const best = computed(() => [...channels.value].sort((a, b) => b.profitCents - a.profitCents)[0])
const headline = computed(() => {
  if (!cost.value) return ''
  const all = `A bar costs ${money(Math.round(cost.value.costCents))}`
  if (unpriced.value.length > 0) return `${all} and what has no price yet`
  const { profitCents = 0, channel = 'Web' } = best.value ?? {}
  return profitCents >= 0
    ? `${all} and brings ${money(Math.round(profitCents))} more ${soldWords[channel]}`
    : `${all}: more than it brings anywhere`
})
</script>

<template>
  <section v-if="cost && prices.length > 0" class="sheet stack" data-test="bar-cost">
    <h2>{{ headline }}</h2>
    <table class="figures">
      <tbody>
        <tr v-for="one in priced" :key="`${one.kind}${one.name}`">
          <td>
            {{ one.name }}
            <small v-if="one.source && one.source !== 'lots'" class="quiet">{{ priceSourceWords[one.source] }}</small>
          </td>
          <td class="number">{{ fine(one.cents ?? 0) }}</td>
        </tr>
        <tr>
          <td>
            Packing
            <small v-if="cost.packing.source !== 'lots'" class="quiet">{{
              priceSourceWords[cost.packing.source]
            }}</small>
          </td>
          <td class="number">{{ fine(cost.packing.cents) }}</td>
        </tr>
        <tr>
          <td>{{ show('number', cost.minutes, 1) }} min of work, at {{ money(hourCents) }} an hour</td>
          <td class="number">{{ money(Math.round(cost.workCents)) }}</td>
        </tr>
        <tr>
          <td><b>In all</b></td>
          <td class="number">
            <b data-test="bar-costs">{{ money(Math.round(cost.costCents)) }}</b>
          </td>
        </tr>
      </tbody>
    </table>
    <MissingPrices :things="unpriced" />
    <template v-if="unpriced.length === 0">
      <table class="figures">
        <thead>
          <tr>
            <th>Sold</th>
            <th class="number">Price</th>
            <th class="number">Over its costs</th>
            <th class="number">An hour</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in channels" :key="one.channel" :data-test="`earns-${one.channel}`">
            <td>{{ one.channel }}</td>
            <td class="number">{{ money(one.priceCents) }}</td>
            <td class="number" :class="one.profitCents < 0 ? 'must' : 'vine'">
              {{ money(Math.round(one.profitCents)) }}, {{ show('share', one.marginShare, 0) }}
            </td>
            <td class="number">{{ one.hourCents === undefined ? '' : money(Math.round(one.hourCents)) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="cost.levers.length > 0" class="plain" data-test="levers">
        What changes it most, a bar:
        <template v-for="(lever, at) in cost.levers" :key="at"
          ><template v-if="at > 0">; </template>{{ leverWords(lever) }} {{ fine(lever.cents) }}</template
        >.
      </p>
    </template>
    <QuantityField
      v-model="own"
      kind="money"
      optional
      :range="priceRange"
      label="Its own price in public"
      :hint="`Left empty: ${money(barCents)}, as the workshop’s bars`"
      :error="error"
      class="own"
    />
    <p class="quiet small">
      Prices {{ whole.words }} and a piece are those of the stores, the oldest lots first. The hours of a pour are the
      workshop’s own estimate; an hour is reckoned with its part of what all soaps share. Tax is left out of what it
      brings.
    </p>
  </section>
</template>

<style scoped>
.own {
  max-width: 240px;
}

.small {
  font-size: 0.85rem;
}
</style>
