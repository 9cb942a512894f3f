<script setup lang="ts">
import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import { mdiClose } from '@mdi/js'
import type { NewOrder } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { totalOfOrder } from '@vendange/core/plan'
import { computed } from 'vue'
import { noTax } from './useQuote'

/** What an accepted order comes to: its price, what was added to it, what is paid. */
const charges = defineModel<NewOrder['charges']>({ required: true })
const props = defineProps<{ priceCents: number | null; depositCents: number; paidDay: string | null }>()
const season = useSeason()
const { money, show } = useUnits()
const tax = computed(() => season.workshop?.quoting ?? noTax)
const total = computed(() => totalOfOrder({ ...props, charges: charges.value }, tax.value))
</script>

<template>
  <section class="sheet stack" data-test="charges">
    <h2 v-if="priceCents === null">Its price is open</h2>
    <h2 v-else-if="paidDay !== null">It came to {{ money(total.allCents) }}, and is paid</h2>
    <h2 v-else>It comes to {{ money(total.allCents) }}, {{ money(total.openCents) }} still to be paid</h2>
    <table class="figures">
      <tbody>
        <tr>
          <td>Price as quoted</td>
          <td class="number">{{ priceCents === null ? 'open' : money(priceCents) }}</td>
          <td class="no-print" />
        </tr>
        <tr v-for="(charge, at) in charges" :key="`${charge.day}${charge.what}`" data-test="charge">
          <td>{{ charge.what }}, {{ formatDay(charge.day, season.today) }}</td>
          <td class="number">{{ money(charge.cents) }}</td>
          <td class="number no-print">
            <v-btn
              :icon="mdiClose"
              size="small"
              variant="text"
              :aria-label="`Do not charge ${charge.what}`"
              @click="charges = charges.filter((_, index) => index !== at)"
            />
          </td>
        </tr>
        <tr v-if="total.taxCents > 0">
          <td>{{ tax.isTaxIncluded ? 'Of it' : 'On top' }} {{ tax.taxName }} {{ show('share', tax.taxShare, 2) }}</td>
          <td class="number">{{ money(total.taxCents) }}</td>
          <td class="no-print" />
        </tr>
        <tr v-if="depositCents > 0">
          <td>Deposit paid</td>
          <td class="number">−{{ money(depositCents) }}</td>
          <td class="no-print" />
        </tr>
      </tbody>
    </table>
    <p v-if="charges.length === 0" class="quiet">
      What is finished beyond the quote, such as bevelled edges, is put here when it is logged.
    </p>
  </section>
</template>
