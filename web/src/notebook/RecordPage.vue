<script setup lang="ts">
import { api } from '@/parts/api'
import DateField from '@/parts/DateField.vue'
import { eventWords } from '@/parts/eventWords'
import { useUnits } from '@/parts/format'
import PageHeadline from '@/parts/PageHeadline.vue'
import { useSeason } from '@/parts/seasonStore'
import TableSheet from '@/parts/TableSheet.vue'
import { usePhone } from '@/parts/usePhone'
import { useServedTable } from '@/parts/useServedTable'
import type { RecordTableQuery } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { formatInstant } from '@vendange/core/calendar'
import { counted } from '@vendange/words'
import { computed } from 'vue'

/** Whatever was written down of any loaf, by whom and when: nothing of it is ever changed. */
const season = useSeason()
const masses = useUnits()
const isPhone = usePhone()
const everything: RecordTableQuery = {
  ...{ text: '', type: null, makerId: null, from: null, to: null },
  ...{ sortBy: 'at', isDescending: true, page: 1, perPage: 25 },
}
const served = useServedTable(everything, (body: RecordTableQuery) => api(endpoints.loaves.happened, { body }))
const { wishes, table, failure, isNarrowed } = served
const types = [
  { value: 'poured', title: 'Poured' },
  { value: 'unmoulded', title: 'Unmoulded' },
  { value: 'cut', title: 'Cut' },
  { value: 'weighed', title: 'Weighed' },
  { value: 'fault_found', title: 'Fault found' },
  { value: 'held', title: 'Held' },
  { value: 'failed', title: 'Failed' },
  { value: 'released', title: 'Released' },
  { value: 'allotted', title: 'Set aside' },
  { value: 'sold', title: 'Sold' },
  { value: 'given_back', title: 'Came back' },
  { value: 'recalled', title: 'Called back' },
  { value: 'amended', title: 'Amended' },
]
const columns = [
  { title: 'Written down', key: 'at', from: 0 },
  { title: 'By', key: 'maker', from: 700 },
  { title: 'Soap', key: 'soap', from: 600 },
  { title: 'What happened', key: 'event', from: 0, sortable: false },
] as const
const sentence = computed(() => {
  if (failure.value !== undefined) return failure.value
  const now = table.value
  if (!now) return ''
  if (now.total === 0) return isNarrowed.value ? 'Nothing like that was written down.' : 'Nothing was written down yet.'
  const lines = counted(now.total, 'line')
  return isNarrowed.value
    ? `${lines} of the record are like that.`
    : `${lines} of what happened to the loaves, as written down.`
})
</script>

<template>
  <p class="quiet crumb plain no-print"><RouterLink to="/notebook">Notebook</RouterLink> › Record</p>
  <PageHeadline>{{ sentence }}</PageHeadline>
  <TableSheet :served="served" :columns="columns" lines="Lines" look="Soap or lot">
    <template v-if="table" #wishes>
      <v-autocomplete v-model="wishes.type" :items="types" label="What" clearable hide-details />
      <v-select
        v-model="wishes.makerId"
        :items="table.facets.makers"
        item-value="id"
        item-title="name"
        label="By"
        clearable
        hide-details
      />
      <DateField v-model="wishes.from" label="Happened from" optional />
      <DateField v-model="wishes.to" label="Happened until" optional />
    </template>
    <template #[`item.at`]="{ item }">{{ formatInstant(item.at, season.workshop?.timeZone ?? 'UTC') }}</template>
    <template #[`item.soap`]="{ item }">
      <RouterLink class="alone" :to="`/loaves/${item.loafId}`" data-test="record-line">{{ item.soap }}</RouterLink>
      <small class="quiet under">{{ item.lotCode }}</small>
    </template>
    <template #[`item.event`]="{ item }">
      <RouterLink v-if="isPhone" class="under alone" :to="`/loaves/${item.loafId}`">{{ item.soap }}</RouterLink>
      {{ eventWords(item.event, masses) }}
    </template>
  </TableSheet>
</template>

<style scoped>
.under {
  display: block;
}
</style>
