<script setup lang="ts">
import { computed } from 'vue'
import { cureOutlines, inWindow } from './boardLayout'
import type { BoardWall } from './useBoardWall'
import { cureHeight } from './useBoardWall'
import { useGradually } from './useGradually'

/** The cures, packed into few rows, each with its face where there is room for one. */
const props = defineProps<{ wall: BoardWall }>()
const { todayAt, widthAt, dayWidth, stretch, cures, cureRows, cureScale, faceOf, scrolled } = props.wall

const seen = computed(() =>
  inWindow(cures.value, cureScale.value.sight, ({ cut, ready, needed }) => [cut, Math.max(ready, needed ?? ready)]),
)
const outlines = computed(() =>
  cureOutlines(seen.value, { dayWidth: cureScale.value.dayWidth, rowHeight: cureHeight, today: todayAt.value }),
)
const narrowest = 8
// Where days are narrow, faces would hide the cures; those of the pours are enough.
const seenIds = computed(
  () => new Set(cureScale.value.dayWidth < narrowest ? [] : seen.value.map(({ batch }) => batch.id)),
)
const faced = useGradually(
  () => cures.value,
  ({ batch }) => batch.id,
  { comeAtOnce: 2, isWanted: (id) => seenIds.value.has(id), restart: () => cureScale.value.dayWidth },
)
/** What is shown until a face is drawn. */
const blankPicture = 'data:image/svg+xml,%3Csvg xmlns="http://www.w3.org/2000/svg"/%3E'
</script>

<template>
  <div class="cures" aria-hidden="true">
    <svg :width="widthAt(cureScale)" :height="cureRows * cureHeight + 12" :style="{ transform: stretch(cureScale) }">
      <path class="cure" :d="outlines.cure" />
      <path class="cure late" :d="outlines.lateCure" />
      <path class="cured" :d="outlines.cured" />
      <path class="wait" :d="outlines.wait" />
      <path class="pennant" :d="outlines.pennant" />
      <path class="pennant late" :d="outlines.latePennant" />
    </svg>
    <div
      :key="cureScale.dayWidth"
      :class="{ hidden: dayWidth < narrowest || cureScale.dayWidth !== dayWidth }"
      :style="{ '--day': `${cureScale.dayWidth}px`, '--scrolled': `${scrolled.left}px` }"
    >
      <img
        v-for="{ batch, row } in faced"
        :key="batch.id"
        v-memo="[batch, row, faceOf(batch)]"
        :style="{ '--at': batch.cut, '--row': row }"
        :src="faceOf(batch) || blankPicture"
        width="22"
        height="15"
        alt=""
      />
    </div>
  </div>
</template>

<style scoped>
.cures {
  position: absolute;
  left: 0;
}

svg {
  display: block;
  transform-origin: 0 0;
}

.cure {
  fill: rgb(var(--v-theme-vine), 0.28);
}

.cured {
  fill: rgb(var(--v-theme-vine));
}

.cure.late {
  fill: rgb(var(--v-theme-must), 0.4);
}

.wait {
  stroke: rgb(var(--v-theme-quiet));
  stroke-dasharray: 2 3;
}

.pennant {
  fill: rgb(var(--v-theme-slate));
  stroke: rgb(var(--v-theme-slate));
}

.pennant.late {
  fill: rgb(var(--v-theme-must));
  stroke: rgb(var(--v-theme-must));
}

img {
  position: absolute;
  top: calc(var(--row) * 18px + 1px);
  left: max(calc(var(--at) * var(--day)), var(--scrolled));
  border-radius: 3px;
  object-fit: cover;
}

.hidden {
  display: none;
}
</style>
