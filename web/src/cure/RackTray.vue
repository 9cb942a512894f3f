<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import type { LoafSummary } from '@vendange/contract'
import { counted } from '@vendange/words'

/** The bars of a loaf where they stand: taken up by a tap or by dragging. */
defineProps<{
  loaf: LoafSummary
  bars: number
  /** It is in the hand, and waits for its rack. */
  isTaken: boolean
}>()
const emit = defineEmits<{ take: [] }>()
const season = useSeason()
</script>

<template>
  <button
    class="tray"
    draggable="true"
    :aria-pressed="isTaken"
    :title="`${loaf.name}, lot ${loaf.lotCode}, ${loaf.state.place ?? 'no place yet'}`"
    @dragstart="emit('take')"
    @click="emit('take')"
  >
    <SoapFace :name="loaf.name" :soap="season.design(loaf.designId)" :width="40" :height="28" />
    <span>
      {{ counted(bars, 'bar') }}<br /><small class="quiet">{{ loaf.lotCode }}</small>
    </span>
  </button>
</template>

<style scoped>
.tray {
  display: flex;
  gap: 8px;
  align-items: center;
  min-width: 120px;
  min-height: 56px;
  padding: 6px 8px;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 4px;
  background: rgb(var(--v-theme-background));
  text-align: left;
  cursor: grab;
}

.tray[aria-pressed='true'] {
  outline: 3px solid rgb(var(--v-theme-primary));
}
</style>
