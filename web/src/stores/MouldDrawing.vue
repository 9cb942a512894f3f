<script setup lang="ts">
import type { LoafMould } from '@vendange/core/mould'
import { checkLoafMould } from '@vendange/core/mould'
import { computed } from 'vue'

const props = defineProps<{
  mould: LoafMould & { readonly barThicknessMm: number; readonly endTrimMm: number; readonly kerfMm: number }
  longestMm?: number
  cutsMm?: readonly number[]
}>()

/** Room around the drawing and between its two views, mm. */
const air = 14
const sound = computed(() => checkLoafMould(props.mould).length === 0)
const wide = computed(() => Math.max(props.longestMm ?? 0, props.mould.lengthMm) + props.mould.widthMm + air * 3)
const high = computed(() => props.mould.heightMm + air * 2)
const base = computed(() => air + props.mould.heightMm - props.mould.linerMm)
const fillTop = computed(() => base.value - props.mould.fillHeightMm)
const endX = computed(() => wide.value - props.mould.widthMm - air)
</script>

<template>
  <svg
    v-if="sound"
    :viewBox="`0 0 ${wide} ${high}`"
    role="img"
    :aria-label="`Mould from the side and from the end, to scale`"
  >
    <rect
      :x="air + mould.linerMm"
      :y="fillTop"
      :width="mould.lengthMm - 2 * mould.linerMm"
      :height="mould.fillHeightMm"
      class="batter"
    />
    <line
      v-for="cut in cutsMm ?? []"
      :key="cut"
      :x1="air + mould.linerMm + cut"
      :x2="air + mould.linerMm + cut"
      :y1="fillTop"
      :y2="base"
      class="cut"
    />
    <path :d="`M${air} ${air}V${air + mould.heightMm}H${air + mould.lengthMm}V${air}`" class="wall" />
    <rect
      :x="endX + mould.linerMm"
      :y="fillTop"
      :width="mould.widthMm - 2 * mould.linerMm"
      :height="mould.fillHeightMm"
      class="batter"
    />
    <path :d="`M${endX} ${air}V${air + mould.heightMm}H${endX + mould.widthMm}V${air}`" class="wall" />
  </svg>
  <p v-else class="quiet">These sizes make no mould that can be filled.</p>
</template>

<style scoped>
svg {
  width: 100%;
  max-height: 190px;
}

.wall {
  fill: none;
  stroke: rgb(var(--v-theme-on-surface));
  stroke-width: 2.5;
}

.batter {
  fill: rgb(var(--v-theme-brass), 0.32);
}

.cut {
  stroke: rgb(var(--v-theme-must));
  stroke-width: 1;
}
</style>
