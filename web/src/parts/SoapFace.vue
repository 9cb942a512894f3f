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
const address = computed(() =>
  faceAddress(props.soap ?? { name: props.name, colours: [] }, season.mould(props.soap?.mouldId ?? null)),
)
</script>

<template>
  <img
    v-if="address"
    class="face"
    :src="address"
    :width="width"
    :height="height"
    :alt="`Cut face of ${name}`"
    data-test="face"
  />
  <span v-else class="face" :style="{ width: `${width}px`, height: `${height}px` }" />
</template>

<style scoped>
.face {
  display: block;
  flex: none;
  border-radius: 4px;
  box-shadow: inset 0 0 0 1px rgb(0 0 0 / 15%);
  background: rgb(var(--v-theme-surface-variant));
}
</style>
