<script setup lang="ts">
import { api, problemOf } from '@/parts/api'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import PageHeadline from '@/parts/PageHeadline.vue'
import { useUnits } from '@/parts/format'
import type { LoafSummary } from '@vendange/contract'
import { endpoints, mostListed } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { lossSoFar } from '@vendange/core/cure'
import { computed, ref, shallowRef, watch } from 'vue'

const season = useSeason()
const { show } = useUnits()
const loaves = shallowRef<readonly LoafSummary[]>()
const failure = ref<string>()
const text = ref<string | null>('')
const isMore = ref(false)
async function load(wanted: string): Promise<void> {
  try {
    const list =
      wanted === '' ? await api(endpoints.loaves.list) : await api(endpoints.loaves.named, { params: { text: wanted } })
    if (wanted === (text.value ?? '').trim()) loaves.value = list
    if (wanted === '') isMore.value = list.length >= mostListed
  } catch (error) {
    failure.value = problemOf(error).detail
  }
}
void load('')
// A short record is searched here; of a long one the server finds what is older.
watch(text, (now) => {
  if (isMore.value) void load((now ?? '').trim())
})

const shown = computed(() => {
  const wanted = (text.value ?? '').trim().toLowerCase()
  return (loaves.value ?? []).filter(({ name, lotCode }) => `${name} ${lotCode}`.toLowerCase().includes(wanted))
})
const words = {
  in_mould: 'in its mould',
  unmoulded: 'unmoulded',
  curing: 'curing',
  held: 'held',
  failed: 'failed',
  released: 'released',
} as const
</script>

<template>
  <PageHeadline>
    <template v-if="failure">{{ failure }}</template>
    <template v-else-if="loaves?.length === 0">No loaf has been poured yet; each one gets its page here.</template>
    <template v-else-if="isMore && text === ''"
      >The newest {{ loaves?.length }} loaves; older ones are found by soap or lot.</template
    >
    <template v-else-if="loaves">{{
      loaves.length === 1
        ? 'One loaf is on record, with its story.'
        : `${loaves.length} loaves on record, every one with its story.`
    }}</template>
    <template #actions><v-btn to="/notebook/scents" data-test="scents">Scents</v-btn></template>
  </PageHeadline>
  <section v-if="loaves && loaves.length > 0" class="sheet stack">
    <v-text-field v-model="text" label="Soap or lot" clearable @click:clear="text = ''" />
    <table class="figures">
      <thead>
        <tr>
          <th colspan="2">Soap</th>
          <th>Lot</th>
          <th>Poured</th>
          <th class="number">Bars</th>
          <th class="number">Lost in the cure</th>
          <th>Stands</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="loaf in shown" :key="loaf.id">
          <td class="face">
            <SoapFace :name="loaf.name" :soap="season.design(loaf.designId)" :width="48" :height="34" />
          </td>
          <td>
            <RouterLink class="plain serif" :to="`/loaves/${loaf.id}`">{{ loaf.name }}</RouterLink>
          </td>
          <td>{{ loaf.lotCode }}</td>
          <td>{{ formatDay(loaf.state.pouredDay ?? season.today, season.today) }}</td>
          <td class="number">{{ loaf.state.cut ? `${loaf.state.cut.bars} of ${loaf.barsPlanned}` : '' }}</td>
          <td class="number">
            {{ lossSoFar(loaf.state.weighIns) === undefined ? '' : show('share', lossSoFar(loaf.state.weighIns) ?? 0) }}
          </td>
          <td :class="{ vine: loaf.state.status === 'released', must: ['held', 'failed'].includes(loaf.state.status) }">
            {{ words[loaf.state.status] }}
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
