<script setup lang="ts">
import { api } from '@/parts/api'
import DateField from '@/parts/DateField.vue'
import { useUnits } from '@/parts/format'
import { useOwnScreen } from '@/parts/ownScreen'
import PageHeadline from '@/parts/PageHeadline.vue'
import { saveFile } from '@/parts/saveFile'
import { useSeason } from '@/parts/seasonStore'
import TableSheet from '@/parts/TableSheet.vue'
import { useServedTable } from '@/parts/useServedTable'
import { usePhone } from '@/parts/usePhone'
import SoapFace from '@/parts/SoapFace.vue'
import { mdiDownload } from '@mdi/js'
import type { LoafTableQuery } from '@vendange/contract'
import { endpoints, loafStatuses, perPageRange } from '@vendange/contract'
import { everyLoaf } from '@vendange/core/loaf'
import { formatDay } from '@vendange/core/calendar'
import { sentence as said } from '@vendange/core/findings'
import { counted } from '@vendange/words'
import { computed } from 'vue'

/** Every loaf there was, as a table that the server sorts, narrows down and pages. */
const season = useSeason()
const screen = useOwnScreen()
const { show, say } = useUnits()
const served = useServedTable(everyLoaf, (body: LoafTableQuery) => api(endpoints.loaves.table, { body }))
const { wishes, table, failure, isNarrowed, all } = served

const statusWords = {
  in_mould: 'in its mould',
  unmoulded: 'unmoulded',
  curing: 'curing',
  held: 'held',
  failed: 'failed',
  released: 'released',
} as const
const statuses = loafStatuses.map((value) => ({ value, title: statusWords[value] }))
const faults = computed(() =>
  (table.value?.facets.faults ?? []).map((value) => ({ value, title: say(said('fault_name', { fault: value })) })),
)
const columns = [
  { title: 'Soap', key: 'name', from: 0 },
  { title: 'Lot', key: 'lotCode', from: 600 },
  { title: 'Poured', key: 'pouredDay', from: 0 },
  { title: 'Scent', key: 'scent', from: 1150 },
  { title: 'Stands on', key: 'place', from: 900 },
  { title: 'Bars', key: 'bars', align: 'end', from: 600 },
  { title: 'Lost in the cure', key: 'lossShare', align: 'end', from: 1150 },
  { title: 'Is', key: 'status', from: 0 },
] as const

const sentence = computed(() => {
  if (failure.value !== undefined) return failure.value
  const now = table.value
  if (!now) return ''
  if (now.total === 0)
    return isNarrowed.value ? 'No loaf is like that.' : 'No loaf has been poured yet; each one gets its page here.'
  const bars = now.bars > 0 ? `, ${counted(now.bars, 'bar')} cut of them` : ''
  return isNarrowed.value
    ? `${counted(now.total, 'loaf is', 'loaves are')} like that${bars}.`
    : `${counted(now.total, 'loaf', 'loaves')} on record${bars}.`
})
const isPhone = usePhone()

async function save(): Promise<void> {
  const [{ rows }, { writeLoavesCsv }] = await Promise.all([
    all(perPageRange.max),
    import('@vendange/core/release/csv'),
  ])
  saveFile('loaves.csv', 'text/csv', writeLoavesCsv(rows))
}
</script>

<template>
  <PageHeadline>
    {{ sentence }}
    <template #actions>
      <v-btn v-if="table && table.total > 0" :prepend-icon="mdiDownload" data-test="save-loaves" @click="save"
        >Save as CSV</v-btn
      >
      <v-btn v-if="screen.may(endpoints.sales)" to="/notebook/sales" data-test="sales">Sales</v-btn>
      <v-btn v-if="screen.may(endpoints.loaves.happened)" to="/notebook/record" data-test="record">Record</v-btn>
      <v-btn v-if="screen.may(endpoints.earnings)" to="/notebook/earnings" data-test="earnings">What it earned</v-btn>
      <v-btn to="/notebook/scents" data-test="scents">Scents</v-btn>
    </template>
  </PageHeadline>
  <TableSheet :served="served" :columns="columns" lines="Loaves" look="Soap, lot or ingredient">
    <template v-if="table" #wishes>
      <v-autocomplete v-model="wishes.soap" :items="table.facets.soaps" label="Soap" clearable hide-details />
      <v-select v-model="wishes.status" :items="statuses" label="Is" clearable hide-details />
      <v-autocomplete v-model="wishes.scent" :items="table.facets.scents" label="Scent" clearable hide-details />
      <v-select v-model="wishes.fault" :items="faults" label="Fault" clearable hide-details />
      <v-autocomplete v-model="wishes.place" :items="table.facets.places" label="Stands on" clearable hide-details />
      <DateField v-model="wishes.from" label="Poured from" optional />
      <DateField v-model="wishes.to" label="Poured until" optional />
    </template>
    <template #[`item.name`]="{ item }">
      <RouterLink class="plain soap" :to="`/loaves/${item.id}`" data-test="loaf-line">
        <SoapFace :name="item.name" :soap="season.design(item.designId)" :width="48" :height="34" />
        <span
          ><span class="serif">{{ item.name }}</span
          ><small v-if="isPhone" class="quiet lot">{{ item.lotCode }}</small></span
        >
      </RouterLink>
    </template>
    <template #[`item.lotCode`]="{ item }"
      ><span class="one-line">{{ item.lotCode }}</span></template
    >
    <template #[`item.pouredDay`]="{ item }">{{ formatDay(item.pouredDay, season.today) }}</template>
    <template #[`item.bars`]="{ item }"
      ><span class="one-line">{{ item.bars === null ? '' : `${item.bars} of ${item.barsPlanned}` }}</span></template
    >
    <template #[`item.lossShare`]="{ item }">{{
      item.lossShare === null ? '' : show('share', item.lossShare)
    }}</template>
    <template #[`item.status`]="{ item }">
      <span :class="{ vine: item.status === 'released', must: ['held', 'failed'].includes(item.status) }">{{
        statusWords[item.status]
      }}</span>
    </template>
  </TableSheet>
</template>

<style scoped>
.soap {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 44px;
}

.lot {
  display: block;
}

.one-line {
  white-space: nowrap;
}
</style>
