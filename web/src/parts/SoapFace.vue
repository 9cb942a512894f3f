<script setup lang="ts">
import type { SoapLook } from '@vendange/core/pour'
import { computed } from 'vue'
import { faceAddress } from './faces'
import { useSeason } from './seasonStore'

/** A soap by its own cut face, simulated from its pour plan. */
const props = withDefaults(
  defineProps<{
    name: string
    soap: (SoapLook & { readonly mouldId?: string | null }) | undefined
    width?: number
    height?: number
  }>(),
  { width: 56, height: 40 },
)
const season = useSeason()
const isLarge = computed(() => props.width >= 100)
const address = computed(() =>
  faceAddress(
    props.soap ?? { name: props.name, colours: [] },
    season.mould(props.soap?.mouldId ?? null),
    isLarge.value ? 'large' : 'small',
  ),
)
</script>

<template>
  <img
    v-if="address"
    class="face"
    :class="{ whole: isLarge }"
    :src="address"
    :width="width"
    :height="height"
    :alt="`Cut face of ${name}`"
    data-test="face"
  />
  <span v-else class="face" :style="{ width: `${width}px`, height: `${height}px` }" />
</template>

<style scoped>
/* A small one shows the middle of the face; a large one all of it. Neither is stretched. */
.face {
  display: block;
  flex: none;
  border-radius: 4px;
  object-fit: cover;
  background: rgb(var(--v-theme-surface-variant));
}
img.whole {
  background: none;
  object-fit: contain;
}
</style>
