<script setup lang="ts">
import type { FaceColour } from '@vendange/core/pour'
import { drawFace, faceSize } from '@vendange/core/pour'
import { computed } from 'vue'

const props = withDefaults(
  defineProps<{ name: string; colours: readonly FaceColour[]; width?: number; height?: number }>(),
  {
    width: 56,
    height: 40,
  },
)
const bands = computed(() =>
  drawFace(
    props.name,
    props.colours.filter(({ share }) => share > 0),
  ),
)
</script>

<template>
  <svg
    class="face"
    :width="width"
    :height="height"
    :viewBox="`0 0 ${faceSize} ${faceSize}`"
    preserveAspectRatio="none"
    role="img"
    :aria-label="`Cut face of ${name}`"
  >
    <path v-for="(band, index) in bands" :key="index" :d="band.path" :fill="band.hex" />
  </svg>
</template>

<style scoped>
.face {
  display: block;
  flex: none;
  border-radius: 4px;
  box-shadow: inset 0 0 0 1px rgb(0 0 0 / 15%);
}
</style>
