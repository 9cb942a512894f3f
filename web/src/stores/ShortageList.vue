<script setup lang="ts">
import { runChange } from '@/parts/runChange'
import { api } from '@/parts/api'
import { useSeason } from '@/parts/seasonStore'
import { endpoints } from '@vendange/contract'
import { addDays, formatDay } from '@vendange/core/calendar'
import type { StoresLine } from '@vendange/core/stores'
import { useStores } from './storesStore'
import { useAmounts } from './useAmounts'

/** What is short, in the order in which it has to be ordered. */
defineProps<{ lines: readonly StoresLine[] }>()
const season = useSeason()
const stores = useStores()
const amount = useAmounts()

const namesShown = 3
const wholeOrSome = (names: readonly string[]): string =>
  names.length <= namesShown + 1
    ? names.join(', ')
    : `${names.slice(0, namesShown).join(', ')} and ${names.length - namesShown} more`

/** Puts a delivery on order: it is on its way, and is here after its lead time. */
async function ordered({ ingredient, shortage }: StoresLine): Promise<void> {
  if (!ingredient || !shortage) return
  const last = stores.lotsOf(ingredient.id).at(-1)
  await runChange(() =>
    api(endpoints.lots.create, {
      body: {
        ingredientId: ingredient.id,
        supplier: last?.supplier ?? '',
        lotNumber: '',
        receivedDay: addDays(season.today, ingredient.leadDays),
        openedDay: null,
        bestBeforeDay: null,
        isRecalled: false,
        receivedAmount: shortage.orderAmount,
        adjustment: 0,
        priceCents: 0,
        carriageCents: 0,
        certificate: null,
      },
    }),
  )
}
</script>

<template>
  <table class="figures" data-test="shortages">
    <thead>
      <tr>
        <th>Order by</th>
        <th>What</th>
        <th class="number">Missing</th>
        <th>For</th>
        <th class="number">Order</th>
        <th><span class="d-sr-only">What to do</span></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="line in lines" :key="line.key">
        <template v-if="line.shortage">
          <td class="by" :class="line.shortage.isLate ? 'must' : 'brass'">
            <template v-if="line.shortage.orderByDay === null"
              >before {{ formatDay(line.shortage.firstDay, season.today) }}</template
            >
            <template v-else>
              <b>{{ formatDay(line.shortage.orderByDay, season.today) }}</b>
              <small v-if="line.shortage.isLate"><br />that is past</small>
            </template>
          </td>
          <td>
            <RouterLink v-if="line.ingredient" class="serif plain" :to="`/stores/ingredients/${line.ingredient.id}`">{{
              line.name
            }}</RouterLink>
            <span v-else class="serif">{{ line.name }}</span>
          </td>
          <td class="number must">{{ amount(line.kind, line.shortage.missing) }}</td>
          <td>
            {{ wholeOrSome(line.shortage.batches.map(({ name }) => name)) }}, from
            {{ formatDay(line.shortage.firstDay, season.today) }}
          </td>
          <td class="number">{{ amount(line.kind, line.shortage.orderAmount) }}</td>
          <td class="number">
            <v-btn v-if="line.ingredient" size="small" @click="ordered(line)">It is ordered</v-btn>
            <slot v-else name="unknown" :line="line" />
          </td>
        </template>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.by {
  white-space: nowrap;
}
</style>
