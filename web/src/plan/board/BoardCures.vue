<script setup lang="ts">
import { computed } from 'vue'
import type { BoardBatch } from './boardLayout'
import { cureOutlines, inWindow } from './boardLayout'
import type { BoardWall } from './useBoardWall'
import { cureHeight } from './useBoardWall'
import { useGradually } from './useGradually'

/** The cures, packed into few rows, each with its face where there is room for one. */
const props = defineProps<{ wall: BoardWall }>()
const { todayAt, x, viewBox, dayWidth, cures, cureRows, cureScale, faceOf, scrolled, isZooming, atOnce } = props.wall

const seen = computed(() =>
  inWindow(
    cures.value,
    cureScale.value.sight,
    ({ cut }) => cut,
    ({ ready, needed }) => Math.max(ready, needed ?? ready),
  ),
)
const outlines = computed(() =>
  cureOutlines(seen.value, { dayWidth: cureScale.value.dayWidth, rowHeight: cureHeight, today: todayAt.value }),
)
const height = computed(() => cureRows.value * cureHeight + 12)
const narrowest = 8
// Where days are narrow, faces would hide the cures; those of the pours are enough.
const seenIds = computed(
  () => new Set(cureScale.value.dayWidth < narrowest ? [] : seen.value.map(({ batch }) => batch.id)),
)
const faced = useGradually(
  () => cures.value,
  ({ batch }) => batch.id,
  {
    comeAtOnce: 2,
    isWanted: (id) => seenIds.value.has(id),
    restart: () => cureScale.value.dayWidth,
    isPaused: isZooming,
  },
)
// The face of a cure that began out of sight stands where the wall is seen from; during a zoom where it stood before.
const seenFrom = computed<number>((known) => {
  if (atOnce()) return 0
  return known === undefined || cureScale.value.dayWidth === dayWidth.value ? scrolled.value.left : known
})
const leftOf = ({ cut }: BoardBatch): string =>
  cut * cureScale.value.dayWidth < seenFrom.value ? `${seenFrom.value}px` : x(cut)
/** What is shown until a face is drawn. */
const blankPicture = 'data:image/svg+xml,%3Csvg xmlns="http://www.w3.org/2000/svg"/%3E'
</script>

<template>
  <div class="cures" aria-hidden="true">
    <svg :viewBox="viewBox(height)" preserveAspectRatio="none" :height="height">
      <path class="cure" :d="outlines.cure" />
      <path class="cure late" :d="outlines.lateCure" />
      <path class="cured" :d="outlines.cured" />
      <path class="wait" :d="outlines.wait" />
      <path class="pennant" :d="outlines.pennant" />
      <path class="pennant late" :d="outlines.latePennant" />
    </svg>
    <img
      v-for="{ batch, row } in faced"
      :key="batch.id"
      v-memo="[row, leftOf(batch), faceOf(batch)]"
      :style="{ left: leftOf(batch), top: `${row * cureHeight + 1}px` }"
      :src="faceOf(batch) || blankPicture"
      width="22"
      height="15"
      alt=""
    />
  </div>
</template>

<style scoped>
.cures {
  position: absolute;
  left: 0;
  width: 100%;
}

svg {
  display: block;
  width: 100%;
}

path {
  vector-effect: non-scaling-stroke;
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
  border-radius: 3px;
  object-fit: cover;
}
</style>
