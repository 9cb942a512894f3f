<script setup lang="ts">
import type { InstrumentName } from '@/parts/useInstrument'
import { roundTo } from '@vendange/core/units'

/** The hand at the simulated scale or probe, where no real one stands on the bench. */
defineProps<{
  name: InstrumentName
  /** What the step asks for: g, or °C. */
  target: number | null
  /** What the scale shows; what is still to be poured follows. */
  shownG: number
  /** What the hand does that brings the scale to its target. @default pours the rest */
  putWords?: string
}>()
defineEmits<{ command: [line: string] }>()
const steps = [100, 10, 1, -1, -10] as const
const signed = (massG: number): string => (massG > 0 ? `+${massG}` : `−${-massG}`)
</script>

<template>
  <div class="panel" data-test="stand-in">
    <span class="quiet">Simulated {{ name }}:</span>
    <template v-if="name === 'scale'">
      <v-btn
        v-if="target !== null"
        size="small"
        variant="tonal"
        data-test="pour-rest"
        @click="$emit('command', `put ${roundTo(target - shownG, 2)} g`)"
        >{{ putWords ?? 'Pour the rest' }}</v-btn
      >
      <v-btn
        v-for="massG in steps"
        :key="massG"
        size="small"
        variant="tonal"
        @click="$emit('command', `put ${massG} g`)"
        >{{ signed(massG) }} g</v-btn
      >
      <v-btn size="small" variant="tonal" @click="$emit('command', 'tare')">Tare</v-btn>
      <v-btn size="small" variant="tonal" @click="$emit('command', 'empty')">Empty</v-btn>
    </template>
    <template v-else>
      <v-btn size="small" variant="tonal" data-test="dip" @click="$emit('command', `dip ${roundTo(target ?? 21, 1)} C`)"
        >Dip it in</v-btn
      >
      <v-btn size="small" variant="tonal" @click="$emit('command', 'lift')">Take it out</v-btn>
    </template>
  </div>
</template>

<style scoped>
.panel {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-top: 14px;
}
</style>
