<script setup lang="ts">
import FindingList from '@/parts/FindingList.vue'
import { useUnits } from '@/parts/format'
import MissingPrices from '@/parts/MissingPrices.vue'
import { useSeason } from '@/parts/seasonStore'
import type { SavedOrder } from '@vendange/contract'
import type { QuoteOption } from '@vendange/core/plan'
import { hourCostCents, quoteEarnings, taxedPrice } from '@vendange/core/plan'
import { counted, pricePartWords, priceSourceWords } from '@vendange/words'
import type { DeliveryDate } from '@vendange/core/season'
import { computed } from 'vue'
import { noTax } from './useQuote'

/** One way to make an order: its days, bars, ingredients and price. */
const props = defineProps<{
  order: SavedOrder
  option: QuoteOption
  promise: DeliveryDate | undefined
  /** A day of the season's problem in words. */
  on: (day: number) => string
}>()
const season = useSeason()
const { barMass, weighed, money, say, show } = useUnits()
const tax = computed(() => season.workshop?.quoting ?? noTax)
const price = computed(() => taxedPrice(props.option.priceCents, tax.value))
const earnings = computed(() => quoteEarnings(props.option, tax.value))
const hourCents = computed(() => (season.workshop ? hourCostCents(season.workshop.pricing) : 0))
const unpriced = computed(() =>
  props.option.ingredients.flatMap(({ kind, ref, name, cents }) => (cents === undefined ? [{ kind, ref, name }] : [])),
)
const moves = computed(() =>
  (props.promise?.withMoves?.moved ?? [])
    .map(({ id, pour }) => `${season.batches.find((batch) => batch.id === id)?.name ?? ''} moves to ${props.on(pour)}`)
    .join(', '),
)
const pourDays = computed(() => {
  const days = (props.promise?.asPlanned?.pours ?? []).map(({ pour }) => pour).sort((a, b) => a - b)
  return [...new Set(days)].map(props.on)
})
</script>

<template>
  <section class="sheet stack">
    <h2>{{ say(option.title) }}</h2>
    <p v-if="promise?.asPlanned" data-test="promise">
      Nothing else moves: ready on <b>{{ on(promise.asPlanned.due) }}</b>, pours on {{ pourDays.join(', ') }}.
    </p>
    <p v-if="promise?.withMoves" class="brass" data-test="promise-moving">
      Ready on <b>{{ on(promise.withMoves.due) }}</b> if {{ moves }}.
    </p>
    <p class="quiet">
      <template v-for="part in option.parts" :key="part.mould.id"
        >{{ part.mould.name }}: {{ part.barsPerLoaf }} bars a loaf, {{ barMass(part.barWetG) }} each when cut, about
        {{ barMass(part.barCuredG) }} cured (estimate). </template
      >The label says {{ barMass(order.labelMassG) }}; {{ counted(option.spareBars, 'bar') }} to spare for breakage.
    </p>
    <FindingList :findings="option.findings" />
    <div class="two">
      <table class="figures">
        <thead>
          <tr>
            <th>Ingredients</th>
            <th class="number">Mass</th>
            <th class="number">Cost</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="part in option.ingredients" :key="part.name">
            <td>{{ part.name }}</td>
            <td class="number">{{ weighed(part.massG) }}</td>
            <td class="number">
              {{ part.cents === undefined ? 'no price' : money(part.cents)
              }}<small v-if="part.source && part.source !== 'lots'" class="quiet"
                ><br />{{ priceSourceWords[part.source] }}</small
              >
            </td>
          </tr>
        </tbody>
      </table>
      <table class="figures">
        <thead>
          <tr>
            <th>Price</th>
            <th class="number">{{ option.hours }} h of work</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="part in option.priceParts" :key="part.of">
            <td>{{ pricePartWords[part.of] }}</td>
            <td class="number">{{ money(part.cents) }}</td>
          </tr>
          <tr>
            <td>
              <b>{{ option.unpriced.length === 0 ? 'In all' : 'So far' }}</b>
            </td>
            <td class="number">
              <b data-test="price">{{ money(option.priceCents) }}</b>
            </td>
          </tr>
          <tr v-if="price.taxCents > 0 && !tax.isTaxIncluded">
            <td>On top {{ tax.taxName }} {{ show('share', tax.taxShare, 2) }}</td>
            <td class="number">{{ money(price.taxCents) }}</td>
          </tr>
          <tr v-if="option.unpriced.length === 0" data-test="left-for-work">
            <td>
              Left for the work<template v-if="earnings.leftAnHourCents !== undefined"
                >, {{ money(earnings.leftAnHourCents) }} an hour</template
              >
            </td>
            <td class="number">{{ money(earnings.leftCents) }}</td>
          </tr>
          <tr v-if="option.unpriced.length === 0" data-test="floor-price">
            <td>
              Floor: less pays the work below {{ money(hourCents) }} an hour; margin
              {{ show('share', earnings.marginShare, 0) }}
            </td>
            <td class="number">{{ money(earnings.floorCents) }}</td>
          </tr>
          <tr v-if="order.depositCents > 0">
            <td>Deposit paid</td>
            <td class="number">{{ money(order.depositCents) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <MissingPrices :things="unpriced" />
    <p class="quiet small">
      Prices are what the lots cost, the oldest first and with their carriage, unless a line says otherwise. Hours and
      breakage are the workshop’s own estimates. This page is the maker’s own: the client’s quote shows none of it.
    </p>
  </section>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1.2fr 1fr;
  gap: 26px;
  align-items: start;
}

.small {
  font-size: 0.85rem;
}
</style>
