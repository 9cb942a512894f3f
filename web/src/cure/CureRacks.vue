<script setup lang="ts">
import CodeScanner from '@/parts/CodeScanner.vue'
import { useLoafEvents } from '@/parts/recordLoafEvent'
import { useSeason } from '@/parts/seasonStore'
import type { LoafSummary } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { addDays, formatDay, mondayOf } from '@vendange/core/calendar'
import { cureRoom, freeTrays, readPlaceCode, traysFreeOn, traysOf, traysShort } from '@vendange/core/cure'
import { unreleasedBars } from '@vendange/core/loaf'
import { counted } from '@vendange/words'
import { useKeptFields } from '@/parts/useKeptFields'
import { computed, ref } from 'vue'
import RackTray from './RackTray.vue'

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

/** The bars in the hand. */
const taken = ref<LoafSummary>()
const code = ref('')
useKeptFields('scanned', { code })
const codeWords = ref('Scan or type a lot, then a rack.')

function take(loaf: LoafSummary): void {
  taken.value = loaf
  codeWords.value = `${loaf.name}, lot ${loaf.lotCode}: now the rack.`
}
async function putOn(rack: string): Promise<void> {
  const loaf = taken.value
  taken.value = undefined
  if (loaf && (await record(loaf, { type: 'moved', day: season.today, place: rack })))
    codeWords.value = `${loaf.name} stands on ${rack}.`
}
async function scan(text: string): Promise<void> {
  const found = readPlaceCode(text, racks.value, standing.value)
  code.value = ''
  if (!found) codeWords.value = `“${text}” is no lot that cures here, and no rack.`
  else if ('loaf' in found) take(found.loaf.loaf)
  else if (taken.value) await putOn(found.rack)
  else codeWords.value = 'Which lot stands there? Scan it first.'
}
</script>

<template>
  <section class="sheet stack" data-test="racks">
    <div class="row head">
      <div>
        <h2>The cure room: {{ freeWords }}</h2>
        <p class="quiet" data-test="coming">{{ comingWords }}</p>
      </div>
      <form class="row scan" @submit.prevent="scan(code)">
        <v-text-field
          v-model="code"
          label="Code of a lot or a rack"
          :hint="codeWords"
          persistent-hint
          data-test="scan"
        />
        <CodeScanner @read="scan" />
      </form>
    </div>
    <div class="racks">
      <div
        v-for="rack in room.racks"
        :key="rack.name"
        class="rack"
        :data-test="`rack-${rack.name}`"
        @dragover.prevent
        @drop="putOn(rack.name)"
      >
        <p>
          <b>{{ rack.name }}</b> <span class="quiet">{{ rack.usedTrays }} of {{ counted(rack.trays, 'tray') }}</span>
        </p>
        <v-btn v-if="taken" block size="large" class="put" data-test="put-here" @click="putOn(rack.name)"
          >{{ taken.lotCode }} stands here</v-btn
        >
        <div class="trays">
          <RackTray
            v-for="{ loaf, trays } in rack.loaves"
            :key="loaf.id"
            :loaf="loaf.loaf"
            :bars="loaf.bars"
            :is-taken="taken?.id === loaf.id"
            :style="{ flexGrow: trays }"
            @take="take(loaf.loaf)"
          />
          <div v-if="rack.trays > rack.usedTrays" class="empty" :style="{ flexGrow: rack.trays - rack.usedTrays }">
            {{ rack.trays - rack.usedTrays }} free
          </div>
        </div>
      </div>
    </div>
    <div v-if="room.unplaced.length > 0" class="row">
      <span class="quiet">Without a place here:</span>
      <RackTray
        v-for="loaf in room.unplaced"
        :key="loaf.id"
        :loaf="loaf.loaf"
        :bars="loaf.bars"
        :is-taken="taken?.id === loaf.id"
        @take="take(loaf.loaf)"
      />
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

.put {
  margin-top: 8px;
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

.empty {
  display: grid;
  place-items: center;
  min-width: 120px;
  padding: 6px 8px;
  border: 1px dashed rgb(var(--v-theme-hairline));
  border-radius: 4px;
  color: rgb(var(--v-theme-quiet));
}
</style>
