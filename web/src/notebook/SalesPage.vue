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
import type { SaleTableQuery } from '@vendange/contract'
import { endpoints, perPageRange } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { everySale } from '@vendange/core/release'
import { counted } from '@vendange/words'
import { computed } from 'vue'

/** Every sale there was, as a table that the server sorts, narrows down and pages. */
const season = useSeason()
const { money } = useUnits()
const isPhone = usePhone()
const served = useServedTable(everySale, (body: SaleTableQuery) => api(endpoints.sales, { body }))
const { wishes, table, failure, isNarrowed, all } = served
const columns = [
  { title: 'Day', key: 'day', from: 0 },
  { title: 'Soap', key: 'soap', from: 0 },
  { title: 'Lot', key: 'lotCode', from: 900 },
  { title: 'Through', key: 'channel', from: 700 },
  { title: 'Buyer', key: 'buyer', from: 600 },
  { title: 'Bars', key: 'bars', align: 'end', from: 0 },
  { title: 'A bar', key: 'priceCents', align: 'end', from: 0 },
] as const
const sentence = computed(() => {
  if (failure.value !== undefined) return failure.value
  const now = table.value
  if (!now) return ''
  if (now.total === 0) return isNarrowed.value ? 'No sale is like that.' : 'No bar has been sold yet.'
  const sold = `${counted(now.bars, 'bar')} for ${money(now.cents)}`
  return isNarrowed.value ? `${sold} in sales like that.` : `${sold} in ${counted(now.total, 'sale')}.`
})

async function save(): Promise<void> {
  const [{ rows }, { writeSalesCsv }] = await Promise.all([all(perPageRange.max), import('@vendange/core/release/csv')])
  saveFile('sales.csv', 'text/csv', writeSalesCsv(rows))
}
</script>

<template>
  <p class="quiet crumb plain no-print"><RouterLink to="/notebook">Notebook</RouterLink> › Sales</p>
  <PageHeadline>
    {{ sentence }}
    <template #actions>
      <v-btn v-if="table && table.total > 0" :prepend-icon="mdiDownload" data-test="save-sales" @click="save"
        >Save as CSV</v-btn
      >
    </template>
  </PageHeadline>
  <TableSheet :served="served" :columns="columns" lines="Sales" look="Soap, lot or buyer">
    <template v-if="table" #wishes>
      <v-autocomplete v-model="wishes.soap" :items="table.facets.soaps" label="Soap" clearable hide-details />
      <v-select v-model="wishes.channel" :items="table.facets.channels" label="Through" clearable hide-details />
      <DateField v-model="wishes.from" label="Sold from" optional />
      <DateField v-model="wishes.to" label="Sold until" optional />
    </template>
    <template #[`item.day`]="{ item }">{{ formatDay(item.day, season.today) }}</template>
    <template #[`item.soap`]="{ item }">
      <RouterLink class="alone" :to="`/loaves/${item.loafId}`" data-test="sale-line">{{ item.soap }}</RouterLink>
      <small v-if="isPhone" class="quiet under">{{ [item.channel, item.buyer].filter(Boolean).join(', ') }}</small>
    </template>
    <template #[`item.priceCents`]="{ item }">{{ item.priceCents === null ? '' : money(item.priceCents) }}</template>
  </TableSheet>
</template>

<style scoped>
.under {
  display: block;
}
</style>
