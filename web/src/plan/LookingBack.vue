<script setup lang="ts">
import { api, photoAddress } from '@/parts/api'
import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import type { LoafSummary, PourOfCollection, SavedCollection, SavedDesign } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { daysBetween } from '@vendange/core/calendar'
import { lookBack } from '@vendange/core/plan'
import { computed, shallowRef, watch } from 'vue'
import { counted, faultsOfLoaves } from '@vendange/words'

/** After a collection: what was planned, what came of it, and what each face became. */
const props = defineProps<{ collection: SavedCollection; designs: readonly SavedDesign[] }>()
const season = useSeason()
const { show, weighed, money } = useUnits()
const loaves = shallowRef<readonly LoafSummary[]>([])
const pours = shallowRef<readonly PourOfCollection[]>([])
const ids = computed(() => props.designs.map(({ id }) => id).join())
watch(
  [ids, () => season.view?.revision],
  async () => {
    const lists = await Promise.all(
      props.designs.map(({ id }) => api(endpoints.loaves.ofDesign, { params: { id } }).catch(() => [])),
    )
    loaves.value = lists.flat()
    pours.value = await api(endpoints.collections.pours, { params: { id: props.collection.id } }).catch(() => [])
  },
  { immediate: true },
)
const released = computed(() => loaves.value.filter(({ state }) => state.releasedBars > 0))
const all = computed(() => lookBack(released.value, pours.value))
const days = (count: number): string => (Math.round(count) === 1 ? 'a day' : `${Math.round(count)} days`)
/** Days, hours and money, planned and as they were. */
const sentences = computed(() => {
  const { hours, cure, lastReleaseDay, ingredientCents, finishMinutes } = all.value
  const told: string[] = []
  if (lastReleaseDay !== undefined) {
    const late = daysBetween(season.neededDay(props.collection), lastReleaseDay)
    told.push(
      late === 0 ? 'All went on its day.' : `The last went ${days(Math.abs(late))} ${late > 0 ? 'late' : 'early'}.`,
    )
  }
  if (cure) told.push(`It cured ${days(cure.takenDays)} of ${days(cure.plannedDays)} planned.`)
  if (hours)
    told.push(
      `Preparing and pouring took ${show('hours', hours.taken, 1)} of ${show('hours', hours.planned, 1)} planned.`,
    )
  if (finishMinutes > 0) told.push(`Finishing took ${show('hours', finishMinutes / 60, 1)}.`)
  if (ingredientCents > 0) told.push(`The lots in it cost ${money(ingredientCents)}.`)
  return told.join(' ')
})
const rows = computed(() =>
  props.designs.flatMap((design) => {
    const own = released.value.filter(({ designId }) => designId === design.id)
    const photos = own.flatMap(({ state }) => state.photos)
    const theirPours = pours.value.filter(({ designId }) => designId === design.id)
    const notes = design.notesForNextTime.split('\n').filter((line) => line.trim() !== '')
    const found = faultsOfLoaves(own.map(({ state }) => state))
    return own.length > 0 ? [{ design, back: lookBack(own, theirPours), photo: photos.at(-1), notes, found }] : []
  }),
)
</script>

<template>
  <section v-if="rows.length > 0" class="sheet stack" data-test="looking-back">
    <h2>
      Looking back: {{ counted(all.barsCut, 'bar') }} of {{ all.barsPlanned }} hoped for, {{ all.barsSold }} sold for
      {{ money(all.takenCents) }}
    </h2>
    <p data-test="looked-back">{{ sentences }}</p>
    <table class="figures">
      <thead>
        <tr>
          <th colspan="2">Soap</th>
          <th class="number">Bars</th>
          <th class="number">Marked bar</th>
          <th class="number">Released</th>
          <th class="number">Sold</th>
          <th class="number">Hours</th>
          <th>What it became</th>
          <th>For next time</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ design, back, photo, notes, found } in rows" :key="design.id">
          <td class="face">
            <SoapFace :name="design.name" :soap="season.design(design.id)" :width="56" :height="40" />
          </td>
          <td class="serif">{{ design.name }}</td>
          <td class="number">{{ back.barsCut }} of {{ back.barsPlanned }}</td>
          <td class="number" :class="{ must: (back.lastMassG ?? back.labelMassG) < back.labelMassG }">
            {{ back.lastMassG === undefined ? '' : weighed(back.lastMassG) }}
          </td>
          <td class="number">{{ back.barsReleased }}</td>
          <td class="number">{{ back.barsSold }}</td>
          <td class="number">
            {{ back.hours ? `${show('hours', back.hours.taken, 1)} of ${show('hours', back.hours.planned, 1)}` : '' }}
          </td>
          <td>
            <img v-if="photo" :src="photoAddress(photo.photoId)" height="40" :alt="`A cut face of ${design.name}`" />
            <span v-else class="quiet">no photograph</span>
          </td>
          <td>
            <p v-if="found">{{ found }}</p>
            <p v-for="note in notes" :key="note">{{ note }}</p>
            <RouterLink :to="`/soaps/${design.id}`">{{ notes.length > 0 ? 'Write more' : 'Write it down' }}</RouterLink>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
