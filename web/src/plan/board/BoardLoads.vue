<script setup lang="ts">
import { computed } from 'vue'
import type { LoadLayout, LoadsOfBoard } from './boardLoads'
import { loadOutlines } from './boardLoads'

/** What each day asks of racks and hands. Days are counted from the board's first. */
const props = defineProps<{
  dayWidth: number
  window: { readonly from: number; readonly to: number }
  loads: LoadsOfBoard
  layout: LoadLayout
}>()
const outlines = computed(() => loadOutlines(props.loads, props.layout, props))
</script>

<template>
  <g class="loads" aria-hidden="true">
    <path class="empty" :d="outlines.racks" />
    <path class="trays" :d="outlines.trays" />
    <path class="over" :d="outlines.traysOver" />
    <path class="there" :d="outlines.there" />
    <path class="asked" :d="outlines.asked" />
    <path class="over" :d="outlines.askedOver" />
    <path class="maker" :d="outlines.makers" />
  </g>
</template>

<style scoped>
path {
  shape-rendering: crispEdges;
}

.empty {
  fill: rgb(var(--v-theme-slate), 0.08);
}

.trays {
  fill: rgb(var(--v-theme-slate), 0.45);
}

.over {
  fill: rgb(var(--v-theme-must));
}

.there {
  fill: none;
  stroke: rgb(var(--v-theme-quiet), 0.6);
}

.asked {
  fill: rgb(var(--v-theme-primary), 0.75);
}

.maker {
  fill: rgb(var(--v-theme-primary), 0.35);
}
</style>
