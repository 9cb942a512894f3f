<script setup lang="ts">
import { useUnits } from '@/parts/format'
import { useAwake } from '@/parts/useAwake'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import PageHeadline from '@/parts/PageHeadline.vue'
import { formatDay } from '@vendange/core/calendar'
import { cureProgress, inOrder, lossSoFar, shareOfCure, weighInIsDue } from '@vendange/core/cure'
import { counted } from '@vendange/words'
import { computed } from 'vue'
import CureRacks from './CureRacks.vue'
import RoomSensor from './RoomSensor.vue'
import { useTurningStops } from './useTurningRound'

const season = useSeason()
useAwake()
const { show, fineMass } = useUnits()

const rows = computed(() =>
  season.loaves
    .flatMap((loaf) => {
      const { cut, status, weighIns } = loaf.state
      if (!cut || (status !== 'curing' && status !== 'held')) return []
      const progress = cureProgress(cut.day, loaf.cureDays, season.today)
      return [
        {
          loaf,
          progress,
          share: shareOfCure(progress),
          last: inOrder(weighIns).at(-1),
          loss: lossSoFar(weighIns),
          isDue: weighInIsDue(weighIns, season.today),
        },
      ]
    })
    .sort((a, b) => a.progress.readyDay.localeCompare(b.progress.readyDay)),
)
const due = computed(() => rows.value.filter(({ isDue }) => isDue))
const stops = useTurningStops()
const sentence = computed(() => {
  const [first] = rows.value
  if (!first) return 'The racks are empty.'
  const names = [...new Set(due.value.map(({ loaf }) => loaf.name))]
  if (names.length > 0) return `Weigh the marked bars of ${names.join(', ')} today.`
  if (first.progress.isOver) return `${first.loaf.name} is through its cure and may go to the release desk.`
  return `Nothing to weigh today. ${first.loaf.name} is cured first, on ${formatDay(first.progress.readyDay, season.today)}.`
})
</script>

<template>
  <PageHeadline>
    {{ sentence }}
    <template v-if="due.length + stops.length > 0" #actions>
      <v-btn v-if="stops.length > 0" to="/turn-round" data-test="to-turn-round">Turn and photograph</v-btn>
      <v-btn v-if="due.length > 0" color="primary" variant="flat" to="/weigh" data-test="to-round"
        >Weigh {{ due.length === 1 ? 'it' : `all ${due.length}` }}</v-btn
      >
    </template>
  </PageHeadline>
  <RoomSensor />
  <CureRacks v-if="rows.length > 0" class="mb-4" />
  <section v-if="rows.length > 0" class="sheet">
    <table class="figures">
      <thead>
        <tr>
          <th colspan="2">Loaf</th>
          <th>Stands on</th>
          <th class="wide">Cure</th>
          <th class="number">Marked bar</th>
          <th class="number">Lost</th>
          <th>Cured on</th>
          <th><span class="d-sr-only">To do</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ loaf, progress, share, last, loss, isDue } in rows" :key="loaf.id" data-test="curing">
          <td class="face"><SoapFace :name="loaf.name" :soap="season.design(loaf.designId)" /></td>
          <td>
            <RouterLink class="plain serif" :to="`/cure/${loaf.id}`">{{ loaf.name }}</RouterLink><br /><small
              class="quiet"
              >{{ loaf.lotCode }}, {{ counted(loaf.state.cut?.bars ?? 0, 'bar') }}</small
            >
          </td>
          <td>{{ loaf.state.place ?? 'no place yet' }}</td>
          <td>
            <span :class="{ vine: progress.isOver }">day {{ progress.dayNumber }} of {{ progress.ofDays }}</span>
            <span class="track" aria-hidden="true"><i :style="{ width: `${share * 100}%` }" /></span>
          </td>
          <td class="number">{{ last ? fineMass(last.massG) : '' }}</td>
          <td class="number">{{ loss === undefined ? '' : show('share', loss) }}</td>
          <td>{{ formatDay(progress.readyDay, season.today) }}</td>
          <td class="number">
            <v-btn
              size="small"
              :color="isDue ? 'primary' : undefined"
              :variant="isDue ? 'flat' : 'outlined'"
              :to="`/cure/${loaf.id}`"
              >Weigh</v-btn
            >
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.wide {
  width: 22%;
}

.track {
  display: block;
  height: 7px;
  margin-top: 4px;
  border-radius: 4px;
  background: rgb(var(--v-theme-surface-variant));
  overflow: hidden;
}

.track i {
  display: block;
  height: 100%;
  background: rgb(var(--v-theme-vine));
}
</style>
