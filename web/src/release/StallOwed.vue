<script setup lang="ts">
import { useUnits } from '@/parts/format'
import type { StallSaleKept } from '@/parts/outbox/saleQueue'
import { useSeason } from '@/parts/seasonStore'
import { counted } from '@vendange/words'

/** Sales that the workshop did not take: the buyer has the bar or waits for one, and somebody settles it. */
defineProps<{ owed: readonly StallSaleKept[] }>()
const emit = defineEmits<{ settle: [saleId: string] }>()
const season = useSeason()
const { money } = useUnits()
</script>

<template>
  <section class="sheet" data-test="owed">
    <h2>Owed</h2>
    <p class="quiet">The workshop has no such bar any more: another screen sold it first. Settle it with the buyer.</p>
    <table class="figures">
      <thead>
        <tr>
          <th>Soap</th>
          <th>Sold</th>
          <th>Why</th>
          <th><span class="d-sr-only">To do</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="sale in owed" :key="sale.saleId">
          <td>
            <b>{{ season.design(sale.designId)?.name }}</b>
          </td>
          <td>{{ counted(sale.bars, 'bar') }} at {{ money(sale.priceCents) }}</td>
          <td>{{ sale.refusal }}</td>
          <td class="number"><v-btn size="small" @click="emit('settle', sale.saleId)">It is settled</v-btn></td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
