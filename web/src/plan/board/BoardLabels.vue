<script setup lang="ts">
import type { MouldRow } from './boardLayout'
import type { LoadLayout } from './boardLoads'
import { headHeight, rowHeight } from './useBoardWall'

/** What stands in each row of the wall, beside it: it stays where it is while the wall is scrolled. */
defineProps<{
  rows: readonly MouldRow[]
  layout: LoadLayout
  loadsTop: number
  curesTop: number
  height: number
}>()
const at = (top: number): { top: string } => ({ top: `${headHeight + top}px` })
</script>

<template>
  <div class="labels" :style="{ height: `${height}px` }">
    <span class="eyebrow" style="top: 8px">Moulds</span>
    <span v-for="(row, index) in rows" :key="row.key" :style="at(index * rowHeight + 4)">{{ row.label }}</span>
    <span class="eyebrow" :style="at(loadsTop - 20)">Racks</span>
    <span v-for="row in layout.racks" :key="row.top" :style="at(loadsTop + row.top - 2)">{{ row.name }}</span>
    <span class="eyebrow" :style="at(loadsTop + layout.hours.top - 20)">Hours</span>
    <span :style="at(loadsTop + layout.hours.top + layout.hours.height - 20)">{{ layout.hours.name }}</span>
    <span v-for="row in layout.makers" :key="row.top" :style="at(loadsTop + row.top - 2)">{{ row.name }}</span>
    <span class="eyebrow" :style="at(curesTop - 4)">Curing</span>
  </div>
</template>

<style scoped>
.labels {
  position: relative;
  flex: none;
  width: 104px;
  font-size: 0.86rem;
}

span {
  position: absolute;
  max-width: 100px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
