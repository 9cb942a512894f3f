<script setup lang="ts">
import type { Mould } from '@vendange/core/mould'
import { checkMould, shapeOf } from '@vendange/core/mould'
import { computed } from 'vue'

const props = defineProps<{
  mould: Mould & { readonly barThicknessMm: number; readonly endTrimMm: number; readonly kerfMm: number }
  longestMm?: number
  cutsMm?: readonly number[]
}>()

/** Room around the drawing and between its two views, mm. */
const air = 14
const sound = computed(() => checkMould(props.mould).length === 0)
const shape = computed(() => shapeOf(props.mould))

/** A side of the mould: its walls as they lean, and the batter between them. */
function side(x: number, baseMm: number, topMm: number, fullMm: number) {
  const { heightMm, linerMm, fillHeightMm } = props.mould
  const floor = air + heightMm
  const middle = x + fullMm / 2
  const halfAt = (upMm: number): number => (baseMm + ((topMm - baseMm) * upMm) / heightMm) / 2
  const edge = (upMm: number, sign: number, inMm: number): string =>
    `${middle + sign * (halfAt(upMm) - inMm)} ${floor - upMm}`
  const fillMm = linerMm + fillHeightMm
  return {
    wall: `M${edge(heightMm, -1, 0)}L${edge(0, -1, 0)}L${edge(0, 1, 0)}L${edge(heightMm, 1, 0)}`,
    batter: `M${edge(fillMm, -1, linerMm)}L${edge(linerMm, -1, linerMm)}L${edge(linerMm, 1, linerMm)}L${edge(fillMm, 1, linerMm)}Z`,
  }
}

const lengthFull = computed(() => Math.max(props.mould.lengthMm, props.mould.topLengthMm ?? 0))
const widthFull = computed(() => Math.max(props.mould.widthMm, props.mould.topWidthMm ?? 0))
const wide = computed(() => Math.max(props.longestMm ?? 0, lengthFull.value) + widthFull.value + air * 3)
const high = computed(() => props.mould.heightMm + air * 2)
const endX = computed(() => wide.value - widthFull.value - air)
const sides = computed(() => {
  const { lengthMm, widthMm, topLengthMm, topWidthMm } = props.mould
  return [
    side(air, lengthMm, topLengthMm ?? lengthMm, lengthFull.value),
    side(endX.value, widthMm, topWidthMm ?? widthMm, widthFull.value),
  ]
})
const fillTop = computed(() => air + props.mould.heightMm - props.mould.linerMm - props.mould.fillHeightMm)
const floor = computed(() => air + props.mould.heightMm - props.mould.linerMm)
const firstCutX = computed(() => air + (lengthFull.value - props.mould.lengthMm) / 2 + props.mould.linerMm)
/** Where a slab is split, seen from its end. */
const splits = computed(() => {
  const logs = shape.value === 'slab' ? (props.mould.logCount ?? 1) : 1
  const insideMm = props.mould.widthMm - 2 * props.mould.linerMm
  const fromX = endX.value + (widthFull.value - insideMm) / 2
  return Array.from({ length: logs - 1 }, (_, index) => fromX + (insideMm * (index + 1)) / logs)
})

/** A tray from above: its cavities in rows, as many in each as in a square. */
const cavities = computed(() => {
  const { cavityCount = 0, cavityMl = 0 } = props.mould
  const across = Math.ceil(Math.sqrt(cavityCount * 2))
  // A cavity drawn as deep as it is wide is about so wide, mm.
  const sideMm = Math.cbrt(cavityMl * 1000)
  const stepMm = sideMm + air
  return {
    sideMm,
    width: across * stepMm + air,
    height: Math.ceil(cavityCount / across) * stepMm + air,
    places: Array.from({ length: cavityCount }, (_, index) => ({
      x: air + (index % across) * stepMm,
      y: air + Math.floor(index / across) * stepMm,
    })),
  }
})
</script>

<template>
  <p v-if="!sound" class="quiet">These sizes make no mould that can be filled.</p>
  <svg
    v-else-if="shape === 'cavities'"
    :viewBox="`0 0 ${Math.max(cavities.width, longestMm ?? 0)} ${cavities.height}`"
    role="img"
    aria-label="Tray of cavities from above"
  >
    <rect :width="cavities.width" :height="cavities.height" rx="8" class="wall" />
    <rect
      v-for="(place, index) in cavities.places"
      :key="index"
      :x="place.x"
      :y="place.y"
      :width="cavities.sideMm"
      :height="cavities.sideMm"
      rx="6"
      class="batter"
    />
  </svg>
  <svg
    v-else-if="shape === 'cylinder'"
    :viewBox="`0 0 ${Math.max(longestMm ?? 0, mould.widthMm * 2 + air * 3)} ${high}`"
    role="img"
    aria-label="Cylinder from the side and from above, to scale"
  >
    <path :d="side(air, mould.widthMm, mould.widthMm, mould.widthMm).batter" class="batter" />
    <path :d="side(air, mould.widthMm, mould.widthMm, mould.widthMm).wall" class="wall" />
    <circle
      :cx="air * 2 + mould.widthMm * 1.5"
      :cy="air + mould.widthMm / 2"
      :r="mould.widthMm / 2 - mould.linerMm"
      class="batter"
    />
  </svg>
  <svg v-else :viewBox="`0 0 ${wide} ${high}`" role="img" aria-label="Mould from the side and from the end, to scale">
    <path v-for="one in sides" :key="one.batter" :d="one.batter" class="batter" />
    <line
      v-for="cut in cutsMm ?? []"
      :key="cut"
      :x1="firstCutX + cut"
      :x2="firstCutX + cut"
      :y1="fillTop"
      :y2="floor"
      class="cut"
    />
    <line v-for="x in splits" :key="x" :x1="x" :x2="x" :y1="fillTop" :y2="floor" class="cut" />
    <path v-for="one in sides" :key="one.wall" :d="one.wall" class="wall" />
  </svg>
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
