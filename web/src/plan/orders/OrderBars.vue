<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import type { SavedOrder } from '@vendange/contract'
import { freeBarsOf } from '@vendange/core/loaf'
import { counted } from '@vendange/words'
import { computed } from 'vue'

/** How far the bars of an accepted order are: there, set aside for its client, and missing. */
const props = defineProps<{ order: SavedOrder }>()
const season = useSeason()

const soaps = computed(() => season.lineUp(props.order.collectionId ?? ''))
const loaves = computed(() => season.loaves.filter(({ designId }) => soaps.value.some(({ id }) => id === designId)))
const counts = computed(() => soaps.value.map(season.countOf))
const sum = (pick: (count: (typeof counts.value)[number]) => number): number =>
  counts.value.reduce((all, count) => all + pick(count), 0)
const aside = computed(() =>
  loaves.value
    .flatMap(({ state }) => state.channels.filter(({ channel }) => channel === 'Orders'))
    .reduce((all, { allotted }) => all + allotted, 0),
)
const rows = computed(() => [
  { name: 'Wanted', bars: props.order.bars },
  { name: 'Still to be poured or cut', bars: sum(({ toCome }) => toCome) },
  { name: 'Cut', bars: sum(({ cut }) => cut) },
  { name: 'Released and free', bars: freeBarsOf(loaves.value.filter(({ state }) => state.status === 'released')) },
  { name: 'Set aside for the client', bars: aside.value },
])
/** Of the cut bars some break or are spare: what is missing is missing of what was ordered. */
const missing = computed(() => Math.max(0, props.order.bars - sum(({ cut, toCome }) => cut + toCome)))
</script>

<template>
  <section class="sheet" data-test="order-bars">
    <h2>
      {{
        missing > 0
          ? `${counted(missing, 'bar is', 'bars are')} missing`
          : aside >= order.bars
            ? 'All its bars are set aside'
            : 'All its bars are there or to come'
      }}
    </h2>
    <table class="figures">
      <tbody>
        <tr v-for="row in rows" :key="row.name">
          <td>{{ row.name }}</td>
          <td class="number">{{ row.bars }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
