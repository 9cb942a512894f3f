<script setup lang="ts">
import { useUnits } from '@/parts/format'
import type { SuperfatBand } from '@vendange/core/recipe'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'

const props = defineProps<{ band: SuperfatBand }>()
const { show } = useUnits()
const width = 420
const x = computed(() =>
  scaleLinear()
    .domain([Math.min(-0.04, props.band.worst), Math.max(0.14, props.band.best)])
    .range([18, width - 18]),
)
const ticks = computed(() => x.value.ticks(5))
</script>

<template>
  <figure data-test="band">
    <svg
      :viewBox="`0 0 ${width} 62`"
      role="img"
      :aria-label="`Superfat between ${show('share', band.worst)} and ${show('share', band.best)}, most likely ${show('share', band.likely)}`"
    >
      <rect :x="18" y="18" :width="Math.max(0, x(0) - 18)" height="20" class="danger" />
      <rect :x="x(band.worst)" y="22" :width="x(band.best) - x(band.worst)" height="12" rx="2" class="band" />
      <line :x1="x(0)" :x2="x(0)" y1="12" y2="44" class="zero" />
      <line :x1="x(band.likely)" :x2="x(band.likely)" y1="16" y2="40" class="likely" />
      <text v-for="tick in ticks" :key="tick" :x="x(tick)" y="57" text-anchor="middle">
        {{ show('share', tick, 0) }}
      </text>
      <text :x="x(0) - 4" y="11" text-anchor="end" class="word">lye left over</text>
    </svg>
    <figcaption>
      True superfat, over the natural spread of the fats: <b>{{ show('share', band.worst) }}</b> at worst,
      <b>{{ show('share', band.likely) }}</b> likely, <b>{{ show('share', band.best) }}</b> at best.
    </figcaption>
  </figure>
</template>

<style scoped>
.danger {
  fill: rgb(var(--v-theme-must), 0.16);
}

.band {
  fill: rgb(var(--v-theme-vine), 0.5);
}

.zero {
  stroke: rgb(var(--v-theme-must));
  stroke-width: 1.5;
}

.likely {
  stroke: rgb(var(--v-theme-on-surface));
  stroke-width: 2.5;
}

text {
  font-size: 11px;
  fill: rgb(var(--v-theme-quiet));
}

.word {
  fill: rgb(var(--v-theme-must));
}

figcaption {
  font-size: 0.9rem;
}
</style>
