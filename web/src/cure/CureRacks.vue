<script setup lang="ts">
import { useLoafEvents } from '@/parts/recordLoafEvent'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import type { LoafSummary } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { addDays, formatDay, mondayOf } from '@vendange/core/calendar'
import { cureRoom, freeTrays, readPlaceCode, traysFreeOn, traysOf, traysShort } from '@vendange/core/cure'
import { unreleasedBars } from '@vendange/core/loaf'
import { counted } from '@vendange/words'
import { useKeptFields } from '@/parts/useKeptFields'
import { computed, ref } from 'vue'

/** The racks with their trays: what stands where, and what is free when. Placed by hand or by code. */
const season = useSeason()
const { record, trouble } = useLoafEvents()
const racks = computed(() => season.workshop?.racks ?? [])
const barsPerTray = computed(() => season.workshop?.barsPerTray ?? 12)
const standing = computed(() =>
  season.loaves.flatMap((loaf) => {
    const { cut, status, place } = loaf.state
    if (!cut || (status !== 'curing' && status !== 'held')) return []
    const readyDay = addDays(cut.day, loaf.cureDays)
    return [{ id: loaf.id, lotCode: loaf.lotCode, bars: unreleasedBars(loaf.state), place, readyDay, loaf }]
  }),
)
const room = computed(() => cureRoom(racks.value, standing.value, barsPerTray.value))
const free = computed(() => freeTrays(room.value))
/** Pours on the calendar whose bars are not on the racks yet, the one that is cut first before the others. */
const coming = computed(() => {
  const isHere = new Set(season.loaves.flatMap(({ batchId, state }) => (state.cut ? [batchId] : [])))
  return season.batches
    .filter(({ id }) => !isHere.has(id))
    .map(({ name, bars, days }) => ({ name, bars, cutDay: days.cutDay, readyDay: days.readyDay }))
    .sort((a, b) => a.cutDay.localeCompare(b.cutDay))
})
const freeWords = computed(() => (free.value === 1 ? 'one tray is free' : `${free.value} trays are free`))
const on = (day: string): string => formatDay(day, season.today)
const comingWords = computed(() => {
  const [next] = coming.value
  if (!next) return 'No pour on the calendar wants a tray.'
  const wanted = traysOf(next.bars, barsPerTray.value)
  const trays = wanted === 1 ? 'one tray' : `${wanted} trays`
  const first = `${next.name} wants ${trays} when it is cut on ${on(next.cutDay)}`
  const freeDay = traysFreeOn(room.value, wanted, season.today)
  const short = traysShort(room.value, coming.value, barsPerTray.value)
  if (!short) return `${first}. All that is planned has room.`
  return short.day === next.cutDay
    ? `${first}: ${short.missing} too few${freeDay === undefined ? '' : `; there are enough from ${on(freeDay)}`}.`
    : `${first}. The racks are full in the week of ${on(mondayOf(short.day))}: ${short.missing} too few with what is planned.`
})

const dragged = ref<LoafSummary>()
const put = (loaf: LoafSummary, place: string) => record(loaf, { type: 'moved', day: season.today, place })
function drop(rack: string): void {
  if (dragged.value) void put(dragged.value, rack)
  dragged.value = undefined
}
const code = ref('')
useKeptFields('scanned', { code })
const codeWords = ref('Scan or type a lot, then a rack.')
async function scan(): Promise<void> {
  const found = readPlaceCode(code.value, racks.value, standing.value)
  if (!found) codeWords.value = `“${code.value}” is no lot that cures here, and no rack.`
  else if ('loaf' in found) {
    dragged.value = found.loaf.loaf
    codeWords.value = `${found.loaf.loaf.name}, lot ${found.loaf.lotCode}: now the rack.`
  } else if (dragged.value) {
    const { name } = dragged.value
    if (await put(dragged.value, found.rack)) codeWords.value = `${name} stands on ${found.rack}.`
    dragged.value = undefined
  } else codeWords.value = 'Which lot stands there? Scan it first.'
  code.value = ''
}
</script>

<template>
  <section class="sheet stack" data-test="racks">
    <div class="row head">
      <div>
        <h2>The cure room: {{ freeWords }}</h2>
        <p class="quiet" data-test="coming">{{ comingWords }}</p>
      </div>
      <form class="row scan" @submit.prevent="scan">
        <v-text-field
          v-model="code"
          label="Code of a lot or a rack"
          :hint="codeWords"
          persistent-hint
          data-test="scan"
        />
      </form>
    </div>
    <div class="racks">
      <div
        v-for="rack in room.racks"
        :key="rack.name"
        class="rack"
        :data-test="`rack-${rack.name}`"
        @dragover.prevent
        @drop="drop(rack.name)"
      >
        <p>
          <b>{{ rack.name }}</b> <span class="quiet">{{ rack.usedTrays }} of {{ counted(rack.trays, 'tray') }}</span>
        </p>
        <div class="trays">
          <div
            v-for="{ loaf, trays } in rack.loaves"
            :key="loaf.id"
            class="tray"
            :style="{ flexGrow: trays }"
            draggable="true"
            :title="`${loaf.loaf.name}, lot ${loaf.lotCode}`"
            @dragstart="dragged = loaf.loaf"
          >
            <SoapFace :name="loaf.loaf.name" :soap="season.design(loaf.loaf.designId)" :width="40" :height="28" />
            <span>
              {{ counted(loaf.bars, 'bar') }}<br /><small class="quiet">{{ loaf.lotCode }}</small>
            </span>
          </div>
          <div v-if="rack.trays > rack.usedTrays" class="tray empty" :style="{ flexGrow: rack.trays - rack.usedTrays }">
            {{ rack.trays - rack.usedTrays }} free
          </div>
        </div>
      </div>
    </div>
    <div v-if="room.unplaced.length > 0" class="row">
      <span class="quiet">Without a place here:</span>
      <div
        v-for="loaf in room.unplaced"
        :key="loaf.id"
        class="tray"
        draggable="true"
        :title="loaf.place ?? 'no place yet'"
        @dragstart="dragged = loaf.loaf"
      >
        <SoapFace :name="loaf.loaf.name" :soap="season.design(loaf.loaf.designId)" :width="40" :height="28" />
        <span
          >{{ counted(loaf.bars, 'bar') }}<br /><small class="quiet">{{ loaf.lotCode }}</small></span
        >
      </div>
    </div>
    <p class="no-print">
      <a class="alone" :href="endpoints.room.rackCards.path" target="_blank" data-test="rack-cards"
        >Cards with codes for the racks</a
      >
    </p>
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.scan {
  flex: 1 1 240px;
  max-width: 380px;
}

.racks {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(320px, 100%), 1fr));
  gap: 20px;
}

.rack {
  padding: 10px;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 6px;
}

.trays {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 8px;
}

.tray {
  display: flex;
  gap: 8px;
  align-items: center;
  min-width: 120px;
  padding: 6px 8px;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 4px;
  background: rgb(var(--v-theme-background));
  cursor: grab;
}

.empty {
  justify-content: center;
  border-style: dashed;
  color: rgb(var(--v-theme-quiet));
  cursor: default;
}
</style>
