<script setup lang="ts">
import { api } from '@/parts/api'
import DateField from '@/parts/DateField.vue'
import { useUnits } from '@/parts/format'
import PageHeadline from '@/parts/PageHeadline.vue'
import { saveFile } from '@/parts/saveFile'
import { useSeason } from '@/parts/seasonStore'
import TableSheet from '@/parts/TableSheet.vue'
import { usePhone } from '@/parts/usePhone'
import { useServedTable } from '@/parts/useServedTable'
import { mdiDownload } from '@mdi/js'
import type { LotTableQuery } from '@vendange/contract'
import { endpoints, perPageRange } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { everyLot, ingredientKinds, ingredientKindWords, lotStates } from '@vendange/core/stores'
import { counted } from '@vendange/words'
import { computed } from 'vue'
import { useAmounts } from './useAmounts'

/** Every delivery there was, those that are used up among them. */
const season = useSeason()
const amount = useAmounts()
const { money } = useUnits()
const isPhone = usePhone()
const served = useServedTable(everyLot, (body: LotTableQuery) => api(endpoints.lotTable, { body }))
const { wishes, table, failure, isNarrowed, all } = served
const stateWords = {
  here: 'there',
  steeping: 'steeps',
  not_here: 'on its way',
  expired: 'past its day',
  recalled: 'called back',
  empty: 'used up',
} as const
const states = lotStates.map((value) => ({ value, title: stateWords[value] }))
const kinds = ingredientKinds.map((value) => ({ value, title: ingredientKindWords[value] }))
const columns = [
  { title: 'Ingredient', key: 'ingredient', from: 0 },
  { title: 'Lot', key: 'lotNumber', from: 600 },
  { title: 'Supplier', key: 'supplier', from: 900 },
  { title: 'Came', key: 'receivedDay', from: 700 },
  { title: 'Best before', key: 'bestBeforeDay', from: 1150 },
  { title: 'Amount', key: 'receivedAmount', align: 'end', from: 1150 },
  { title: 'Left', key: 'leftAmount', align: 'end', from: 0 },
  { title: 'Paid', key: 'priceCents', align: 'end', from: 1000 },
  { title: 'Is', key: 'state', from: 0 },
] as const
const sentence = computed(() => {
  if (failure.value !== undefined) return failure.value
  const now = table.value
  if (!now) return ''
  if (now.total === 0) return isNarrowed.value ? 'No lot is like that.' : 'No delivery has come yet.'
  return isNarrowed.value
    ? `${counted(now.total, 'lot is', 'lots are')} like that.`
    : `${counted(now.total, 'lot')} on record.`
})

async function save(): Promise<void> {
  const [{ rows }, { writeLotsCsv }] = await Promise.all([all(perPageRange.max), import('@vendange/core/stores/csv')])
  saveFile('lots.csv', 'text/csv', writeLotsCsv(rows))
}
</script>

<template>
  <p class="quiet crumb plain no-print"><RouterLink to="/stores">Stores</RouterLink> › All lots</p>
  <PageHeadline>
    {{ sentence }}
    <template #actions>
      <v-btn v-if="table && table.total > 0" :prepend-icon="mdiDownload" data-test="save-lots" @click="save"
        >Save as CSV</v-btn
      >
    </template>
  </PageHeadline>
  <TableSheet :served="served" :columns="columns" lines="Lots" look="Ingredient or lot">
    <template v-if="table" #wishes>
      <v-select v-model="wishes.kind" :items="kinds" label="Kind" clearable hide-details />
      <v-autocomplete
        v-model="wishes.supplier"
        :items="table.facets.suppliers"
        label="Supplier"
        clearable
        hide-details
      />
      <v-select v-model="wishes.state" :items="states" label="Is" clearable hide-details />
      <DateField v-model="wishes.from" label="Came from" optional />
      <DateField v-model="wishes.to" label="Came until" optional />
    </template>
    <template #[`item.ingredient`]="{ item }">
      <RouterLink class="alone" :to="`/stores/lots/${item.id}/trace`" data-test="lot-line">{{
        item.ingredient
      }}</RouterLink>
      <small v-if="isPhone" class="quiet under">{{ item.lotNumber }}</small>
    </template>
    <template #[`item.receivedDay`]="{ item }">{{ formatDay(item.receivedDay, season.today) }}</template>
    <template #[`item.bestBeforeDay`]="{ item }">{{
      item.bestBeforeDay === null ? '' : formatDay(item.bestBeforeDay, season.today)
    }}</template>
    <template #[`item.receivedAmount`]="{ item }">{{ amount(item.kind, item.receivedAmount) }}</template>
    <template #[`item.leftAmount`]="{ item }">{{ amount(item.kind, item.leftAmount) }}</template>
    <template #[`item.priceCents`]="{ item }">{{ item.priceCents === null ? '' : money(item.priceCents) }}</template>
    <template #[`item.state`]="{ item }">
      <span :class="{ vine: item.state === 'here', must: ['recalled', 'expired'].includes(item.state) }">{{
        stateWords[item.state]
      }}</span>
    </template>
  </TableSheet>
</template>

<style scoped>
.under {
  display: block;
}
</style>
