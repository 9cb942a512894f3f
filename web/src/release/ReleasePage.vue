<script setup lang="ts">
import { useUnits } from '@/parts/format'
import { useOwnScreen } from '@/parts/ownScreen'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import PageHeadline from '@/parts/PageHeadline.vue'
import { endpoints } from '@vendange/contract'
import { formatDay } from '@vendange/core/calendar'
import { cureProgress } from '@vendange/core/cure'
import { releaseChecks } from '@vendange/core/release'
import { barMassStepG } from '@vendange/core/units'
import { counted } from '@vendange/words'
import { computed } from 'vue'
import AllLabels from './AllLabels.vue'
import GiveOut from './GiveOut.vue'
import KeptSamples from './KeptSamples.vue'
import OwedSales from './OwedSales.vue'
import ShopPanel from './ShopPanel.vue'

const season = useSeason()
const screen = useOwnScreen()
const { say } = useUnits()
const labelStepG = computed(() => barMassStepG[season.workshop?.massUnit ?? 'g'])
const unanswered = { ph: null, lookIsSound: false, labelIsComplete: false }
const rows = computed(() =>
  season.loaves
    .flatMap((loaf) => {
      const { cut, status } = loaf.state
      if (!cut || status === 'released' || status === 'failed') return []
      const checks = releaseChecks(loaf.state, { ...loaf, labelStepG: labelStepG.value }, unanswered, season.today)
      return [
        {
          loaf,
          progress: cureProgress(cut.day, loaf.cureDays, season.today),
          against: checks.find(({ key, result }) => (key === 'cure' || key === 'mass') && result !== 'passed'),
        },
      ]
    })
    .sort((a, b) => a.progress.readyDay.localeCompare(b.progress.readyDay)),
)
const ready = computed(() => rows.value.filter(({ progress, loaf }) => progress.isOver && loaf.state.status !== 'held'))
const released = computed(() => season.loaves.filter(({ state }) => state.status === 'released'))
/** Released today: their labels are printed together. */
const today = computed(() => released.value.filter(({ state }) => state.release?.day === season.today))
const sentence = computed(() => {
  const names = [...new Set(ready.value.map(({ loaf }) => season.design(loaf.designId)?.name ?? loaf.name))]
  if (names.length > 0) return `${names.join(', ')} can be checked for release today.`
  const [next] = rows.value
  return next
    ? `Nothing may go yet. ${next.loaf.name} is next, on ${formatDay(next.progress.readyDay, season.today)}.`
    : 'No loaf waits for its release.'
})
</script>

<template>
  <PageHeadline>
    {{ sentence }}
    <template #actions>
      <v-btn v-if="ready.length > 0" color="primary" variant="flat" to="/release-round" data-test="to-release-round"
        >Check {{ counted(ready.length, 'loaf', 'loaves') }} in a round</v-btn
      >
      <v-btn to="/stall" data-test="to-stall">The stall</v-btn>
      <v-btn v-if="screen.may(endpoints.customers.view)" to="/customers">Subscribers and shops</v-btn>
    </template>
  </PageHeadline>
  <OwedSales class="below" />
  <section v-if="rows.length > 0" class="sheet">
    <table class="figures">
      <thead>
        <tr>
          <th colspan="2">Loaf</th>
          <th class="number">Bars</th>
          <th>Cured on</th>
          <th>What stands against it</th>
          <th><span class="d-sr-only">To do</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ loaf, progress, against } in rows" :key="loaf.id" data-test="to-release">
          <td class="face"><SoapFace :name="loaf.name" :soap="season.design(loaf.designId)" /></td>
          <td>
            <RouterLink class="plain serif" :to="`/loaves/${loaf.id}`">{{ loaf.name }}</RouterLink><br /><small
              class="quiet"
              >{{ loaf.lotCode }}</small
            >
          </td>
          <td class="number">{{ loaf.state.cut?.bars }}</td>
          <td>{{ formatDay(progress.readyDay, season.today) }}</td>
          <td :class="loaf.state.status === 'held' ? 'must' : against ? 'quiet' : 'vine'">
            {{
              loaf.state.status === 'held'
                ? `Held: ${loaf.state.holdReason}`
                : against
                  ? say(against.finding)
                  : 'Nothing that can be computed.'
            }}
          </td>
          <td class="number"><v-btn size="small" :to="`/release/${loaf.id}`">Check</v-btn></td>
        </tr>
      </tbody>
    </table>
  </section>
  <div v-if="released.length > 0" class="stack mt-5 out">
    <GiveOut />
    <ShopPanel />
  </div>
  <section v-if="released.length > 0" class="sheet mt-5">
    <h2>Released lately</h2>
    <table class="figures">
      <tbody>
        <tr v-for="loaf in released" :key="loaf.id">
          <td class="face"><SoapFace :name="loaf.name" :soap="season.design(loaf.designId)" /></td>
          <td class="serif">{{ loaf.name }}</td>
          <td>{{ loaf.lotCode }}</td>
          <td>
            {{ counted(loaf.state.releasedBars, 'bar') }} on
            {{ formatDay(loaf.state.release?.day ?? season.today, season.today) }}
          </td>
          <td class="number"><v-btn size="small" :to="`/loaves/${loaf.id}`">Its story</v-btn></td>
        </tr>
      </tbody>
    </table>
  </section>
  <AllLabels v-if="today.length > 1" :loaves="today" class="mt-5" />
  <KeptSamples />
</template>

<style scoped>
.below {
  margin-bottom: 20px;
}

.out {
  gap: 24px;
}
</style>
