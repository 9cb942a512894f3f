<script setup lang="ts">
import { useUnits } from '@/parts/format'
import PageHeadline from '@/parts/PageHeadline.vue'
import { useScraps } from '@/parts/scraps'
import { useSeason } from '@/parts/seasonStore'
import { formatDay } from '@vendange/core/calendar'
import { massOfPieces } from '@vendange/core/batch'
import { counted } from '@vendange/words'
import { computed } from 'vue'

/** The scrap bin: pieces of earlier soap by colour and scent, and which soaps are to take them. */
const season = useSeason()
const { show } = useUnits()
const { scraps, trouble } = useScraps()

/** Soaps that have not been poured yet and take pieces. */
const taking = computed(() =>
  season.designs.filter(({ id, pieces }) => {
    const pours = season.batchesOf(id)
    return pieces.length > 0 && (pours.length === 0 || pours.some(({ status }) => status !== 'poured'))
  }),
)
const rows = computed(() =>
  (scraps.value ?? []).map((scrap) => {
    const wanting = taking.value.flatMap(({ id, name, pieces }) => {
      const theirs = pieces.filter(({ loafId, colour }) => loafId === scrap.loafId && colour === scrap.colour)
      return theirs.length > 0 ? [{ id, name, massG: massOfPieces(theirs) }] : []
    })
    return { ...scrap, wanting, short: massOfPieces(wanting) - scrap.massG }
  }),
)
const sentence = computed(() => {
  if (!scraps.value) return trouble.value ?? ''
  if (rows.value.length === 0) return 'The scrap bin is empty.'
  const loaves = new Set(rows.value.map(({ loafId }) => loafId)).size
  return `${show('mass', massOfPieces(rows.value))} of ${counted(loaves, 'loaf', 'loaves')} are in the scrap bin.`
})
</script>

<template>
  <p class="quiet crumb plain no-print"><RouterLink to="/stores">Stores</RouterLink> › The scrap bin</p>
  <PageHeadline>{{ sentence }}</PageHeadline>
  <section v-if="scraps" class="sheet stack">
    <p v-if="rows.length === 0" class="quiet">
      Ends and offcuts go into it from the page of a cut loaf. A soap takes them from its own page, as confetti, cubes
      or embeds.
    </p>
    <table v-else class="figures">
      <thead>
        <tr>
          <th>Colour</th>
          <th class="number">There</th>
          <th>Of</th>
          <th>Scent</th>
          <th>To go into</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="`${row.loafId}${row.colour}`" data-test="scrap-row">
          <td class="serif"><span class="dot" :style="{ background: row.hex }" /> {{ row.colour }}</td>
          <td class="number">
            <b>{{ show('mass', row.massG) }}</b>
          </td>
          <td>
            <RouterLink class="plain" :to="`/loaves/${row.loafId}`">{{ row.soap }}, {{ row.lotCode }}</RouterLink
            ><br /><small class="quiet">{{ formatDay(row.day, season.today) }}</small>
          </td>
          <td>{{ row.scent === '' ? 'none' : row.scent }}</td>
          <td>
            <span v-if="row.wanting.length === 0" class="quiet">nothing yet</span>
            <template v-for="soap in row.wanting" :key="soap.id">
              <RouterLink :to="`/soaps/${soap.id}`" class="plain"
                >{{ soap.name }}, {{ show('mass', soap.massG) }}</RouterLink
              >
              <br />
            </template>
            <span v-if="row.short > 0 && row.wanting.length > 0" class="must"
              >{{ show('mass', row.short) }} too little</span
            >
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.dot {
  display: inline-block;
  width: 16px;
  height: 16px;
  border-radius: 50%;
  vertical-align: -2px;
  box-shadow: inset 0 0 0 1px rgb(0 0 0 / 20%);
}
</style>
