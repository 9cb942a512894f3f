<script setup lang="ts">
import { useUnits } from '@/parts/format'
import SoapFace from '@/parts/SoapFace.vue'
import type { SavedOrder } from '@vendange/contract'
import type { QuoteOption } from '@vendange/core/plan'
import type { DeliveryDate } from '@vendange/core/season'
import { counted } from '@vendange/words'

/** The ways to make an order, side by side. */
const chosen = defineModel<number>({ required: true })
defineProps<{
  order: SavedOrder
  options: readonly QuoteOption[]
  promises: readonly DeliveryDate[]
  /** Whether days are still looked for. */
  isLooking: boolean
  /** A day of the season's problem in words. */
  on: (day: number) => string
}>()
const { barMass, thickness, money, say } = useUnits()
</script>

<template>
  <section class="sheet" data-test="quote">
    <div class="row head">
      <h2>Ways to make it</h2>
      <SoapFace
        :name="order.client"
        :soap="{ name: order.client, colours: order.colours.map(({ hex }) => ({ hex, share: 1 })) }"
        :width="64"
        :height="42"
      />
    </div>
    <v-radio-group v-model="chosen" hide-details>
      <table class="figures">
        <thead>
          <tr>
            <th class="no-print"></th>
            <th>Loaves and bars</th>
            <th class="number">A bar, cured</th>
            <th class="number">Hours</th>
            <th>Ready</th>
            <th class="number">Price</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(one, index) in options" :key="index" data-test="option">
            <td class="no-print"><v-radio :value="index" :aria-label="say(one.title)" /></td>
            <td>
              <template v-for="part in one.parts" :key="part.mould.id"
                ><b>{{ part.loaves }} × {{ part.mould.name }}</b
                >, cut {{ thickness(part.barThicknessMm) }}<br
              /></template>
              <small class="quiet"
                >{{ counted(one.bars, 'bar') }}, {{ one.spareBars }} spare;
                {{ one.batches.length === 1 ? 'one pour' : `${one.batches.length} pours` }}</small
              >
            </td>
            <td class="number" :class="{ must: one.barCuredG < order.labelMassG }">
              {{ barMass(one.barCuredG) }}
            </td>
            <td class="number">{{ one.hours }}</td>
            <td>
              <template v-if="promises[index]?.asPlanned">{{ on(promises[index]!.asPlanned!.due) }}</template>
              <template v-else-if="isLooking">…</template>
              <template v-else>no room</template>
            </td>
            <td class="number">{{ one.unpriced.length === 0 ? money(one.priceCents) : 'open' }}</td>
          </tr>
        </tbody>
      </table>
    </v-radio-group>
  </section>
</template>
