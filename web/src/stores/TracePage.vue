<script setup lang="ts">
import { api, problemOf } from '@/parts/api'
import { saveFile } from '@/parts/saveFile'
import { useSeason } from '@/parts/seasonStore'
import { useFresh } from '@/parts/useFresh'
import SoapFace from '@/parts/SoapFace.vue'
import PageHeadline from '@/parts/PageHeadline.vue'
import { mdiDownload, mdiPrinterOutline } from '@mdi/js'
import type { TraceView } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { outAndIn } from '@vendange/core/loaf'
import { writeRecallCsv } from '@vendange/core/release/csv'
import { computed, ref, shallowRef } from 'vue'
import { useAmounts } from './useAmounts'

/** From a delivery to every bar with some of it in it, and who has those bars. */
const props = defineProps<{ id: string }>()
const season = useSeason()
const amount = useAmounts()
const trace = shallowRef<TraceView>()
const failure = ref<string>()
useFresh(() =>
  api(endpoints.release.traceLot, { params: { id: props.id } })
    .then((found) => (trace.value = found))
    .catch((error: unknown) => (failure.value = problemOf(error).detail)),
)

const rows = computed(() =>
  (trace.value?.loaves ?? []).flatMap((loaf) => loaf.whereabouts.map((one) => ({ ...one, loaf }))),
)
/** Those that have gone out first. */
const sorted = computed(() =>
  [...(trace.value?.loaves ?? [])].sort((a, b) => b.whereabouts.length - a.whereabouts.length),
)
const sentence = computed(() => {
  const now = trace.value
  if (!now) return failure.value ?? ''
  const lot = `Lot ${now.lot.lotNumber} of ${now.ingredientName}`
  if (now.loaves.length === 0) return `${lot} is in no loaf yet.`
  const loaves = now.loaves.length === 1 ? 'one loaf' : `${now.loaves.length} loaves`
  const { soldBars, buyers, freeBars } = outAndIn(now.loaves)
  return `${lot} is in ${loaves}: ${soldBars} bars are with ${buyers === 1 ? 'one buyer' : `${buyers} buyers`}, and ${freeBars} are free.`
})
function save(): void {
  const list = rows.value.map(({ loaf, day, channel, who, bars, isSold }) => ({
    lotCode: loaf.lotCode,
    soap: loaf.name,
    day,
    channel,
    bars,
    buyer: isSold ? who : `set aside: ${who}`,
  }))
  saveFile(`recall-${trace.value?.lot.lotNumber ?? 'lot'}.csv`, 'text/csv', writeRecallCsv(list))
}
const print = (): void => window.print()
</script>

<template>
  <p class="quiet crumb plain">
    <RouterLink :to="`/stores/ingredients/${trace?.lot.ingredientId ?? ''}`">{{ trace?.ingredientName }}</RouterLink> ›
  </p>
  <PageHeadline>
    {{ sentence }}
    <template v-if="rows.length > 0" #actions>
      <v-btn :prepend-icon="mdiDownload" data-test="recall-csv" @click="save">Recall list</v-btn>
      <v-btn variant="text" :prepend-icon="mdiPrinterOutline" @click="print">Print</v-btn>
    </template>
  </PageHeadline>
  <section v-if="trace && trace.loaves.length > 0" class="sheet">
    <p class="quiet">
      {{ amount('fat', trace.usedAmount) }} of it went into {{ trace.batches }}
      {{ trace.batches === 1 ? 'pour' : 'pours' }}.
    </p>
    <table class="figures">
      <thead>
        <tr>
          <th colspan="2">Loaf</th>
          <th>Where</th>
          <th class="number">Bars</th>
          <th>Who</th>
          <th>On</th>
        </tr>
      </thead>
      <tbody v-for="loaf in sorted" :key="loaf.id" data-test="traced">
        <tr>
          <td class="face">
            <SoapFace :name="loaf.name" :soap="season.design(loaf.designId)" :width="56" :height="40" />
          </td>
          <td>
            <RouterLink class="plain" :to="`/loaves/${loaf.id}`">{{ loaf.name }}, {{ loaf.lotCode }}</RouterLink>
            <small v-if="loaf.through.length > 0" class="quiet through"
              >by pieces of {{ loaf.through.join(', ') }}</small
            >
          </td>
          <td>{{ loaf.state.recallReason ? 'called back' : loaf.state.status.replace('_', ' ') }}</td>
          <td class="number">
            {{ loaf.state.releasedBars > 0 ? `${loaf.free} free` : `${loaf.state.cut?.bars ?? 'none'} cut` }}
          </td>
          <td colspan="2" />
        </tr>
        <tr v-for="(one, at) in loaf.whereabouts" :key="at">
          <td colspan="2" />
          <td>{{ one.channel }}, {{ one.isSold ? 'sold' : 'set aside' }}</td>
          <td class="number">{{ one.bars }}</td>
          <td>{{ one.who || 'not known' }}</td>
          <td>{{ formatDay(one.day, season.today) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.through {
  display: block;
}
</style>
