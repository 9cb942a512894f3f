<script setup lang="ts">
import { api, problemOf } from '@/parts/api'
import { useSeason } from '@/parts/seasonStore'
import { useFresh } from '@/parts/useFresh'
import SoapFace from '@/parts/SoapFace.vue'
import type { LoafSummary } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { keptBars } from '@vendange/core/loaf'
import { bestBeforeOf } from '@vendange/core/release'
import { computed, ref, shallowRef } from 'vue'

/** Bars kept of each lot, to look at when somebody asks about theirs. */
const season = useSeason()
const loaves = shallowRef<readonly LoafSummary[]>([])
const failure = ref<string>()
async function load(): Promise<void> {
  try {
    loaves.value = await api(endpoints.release.kept)
  } catch (error) {
    failure.value = problemOf(error).detail
  }
}
// Bars may have been set aside meanwhile.
useFresh(load)
const rows = computed(() =>
  loaves.value.map((loaf) => {
    const bestBeforeDay = bestBeforeOf(loaf.state.release?.day ?? season.today)
    return { loaf, bars: keptBars(loaf.state), bestBeforeDay, isOld: bestBeforeDay < season.today }
  }),
)
const sentence = computed(() => {
  const bars = rows.value.reduce((sum, row) => sum + row.bars, 0)
  const lots = rows.value.length === 1 ? 'one lot' : `${rows.value.length} lots`
  return `${bars === 1 ? 'One bar' : `${bars} bars`} of ${lots}`
})
</script>

<template>
  <section v-if="rows.length > 0 || failure" class="sheet mt-5" data-test="kept-samples">
    <h2>Kept samples: {{ sentence }}</h2>
    <p v-if="failure" class="must" role="alert">{{ failure }}</p>
    <table class="figures">
      <tbody>
        <tr v-for="{ loaf, bars, bestBeforeDay, isOld } in rows" :key="loaf.id">
          <td class="face"><SoapFace :name="loaf.name" :soap="season.design(loaf.designId)" /></td>
          <td>
            <RouterLink class="plain serif" :to="`/loaves/${loaf.id}`">{{ loaf.name }}</RouterLink>
          </td>
          <td>{{ loaf.lotCode }}</td>
          <td class="number">{{ bars === 1 ? 'one bar' : `${bars} bars` }}</td>
          <td :class="{ brass: isOld }">
            {{ isOld ? 'was best before' : 'best before' }} {{ formatDay(bestBeforeDay, season.today) }}
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
