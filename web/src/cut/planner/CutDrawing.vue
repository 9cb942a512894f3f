<script setup lang="ts">
import type { Allowances, CutPlan, Piece, RoughBlock } from '@vendange/core/cutting'
import { drawnColumns, lying } from '@vendange/core/cutting'
import { computed } from 'vue'

/** A block to scale, seen from above, with its pieces where they are cut. */
const props = defineProps<{
  block: RoughBlock
  pieces: readonly Piece[]
  plan: CutPlan
  allowances: Allowances
}>()
const [longPx, widePx] = [560, 340]
const whole = computed(() => lying(props.block, props.plan))
const scale = computed(() => Math.min(longPx / whole.value.alongMm, widePx / whole.value.acrossMm))
const columns = computed(() => drawnColumns(props.plan, props.allowances))
const tones = ['primary', 'brass', 'vine', 'slate'] as const
/** The near end lies at the left, the left side at the bottom. */
const yOf = (leftMm: number, acrossMm: number): number => (whole.value.acrossMm - leftMm - acrossMm) * scale.value
</script>

<template>
  <svg
    class="drawing"
    :viewBox="`0 0 ${whole.alongMm * scale} ${whole.acrossMm * scale}`"
    :width="whole.alongMm * scale"
    :height="whole.acrossMm * scale"
    role="img"
    :aria-label="`The block from above, ${columns.length} columns in ${plan.strips.length} logs`"
    data-test="cut-drawing"
  >
    <rect class="block" :width="whole.alongMm * scale" :height="whole.acrossMm * scale" />
    <g v-for="(column, at) in columns" :key="at">
      <rect
        class="piece"
        data-test="cut-piece"
        :style="{ fill: `rgba(var(--v-theme-${tones[column.piece % tones.length]}), 0.2)` }"
        :x="column.nearMm * scale"
        :y="yOf(column.leftMm, column.acrossMm)"
        :width="column.alongMm * scale"
        :height="column.acrossMm * scale"
      />
      <text
        v-if="column.alongMm * scale > 13"
        :transform="`translate(${(column.nearMm + column.alongMm / 2) * scale} ${yOf(column.leftMm, column.acrossMm) + (column.acrossMm * scale) / 2}) rotate(-90)`"
      >
        {{ column.pieces > 1 ? `${column.pieces} × ` : '' }}{{ pieces[column.piece]?.name }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
.drawing {
  max-width: 100%;
  height: auto;
}

.block {
  fill: rgb(var(--v-theme-surface-variant));
}

.piece {
  stroke: rgb(var(--v-theme-on-surface));
  stroke-width: 1;
}

text {
  fill: rgb(var(--v-theme-on-surface));
  font-size: 11px;
  text-anchor: middle;
  dominant-baseline: central;
}
</style>
