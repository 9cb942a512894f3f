<script setup lang="ts">
import { useUnits } from '@/parts/format'
import StandInPanel from '@/parts/StandInPanel.vue'
import { computed } from 'vue'
import { useBarScale } from '@/parts/useBarScale'

/** The marked bar on the scale (a simulated one ships): its mass is taken once the display stands still. */
defineProps<{
  /** About what the bar weighs, g: what the hand at the simulated scale puts on it. */
  expectedG: number | null
}>()
const emit = defineEmits<{ take: [massG: number] }>()
const { fineMass } = useUnits()
const { isConnected, mass, isOver, settledG, command } = useBarScale()
const words = computed(() => {
  if (isOver.value) return 'Overload: take something off the pan.'
  if (!mass.value) return 'Nothing heard of the scale yet.'
  return mass.value.isSettled ? 'The scale stands still.' : 'The scale still moves.'
})
function take(): void {
  if (settledG.value !== undefined) emit('take', settledG.value)
}
</script>

<template>
  <div class="stack" data-test="bar-on-scale">
    <template v-if="isConnected">
      <p v-if="mass" class="serif shown" :class="{ moving: !mass.isSettled }">{{ fineMass(mass.massG) }}</p>
      <p role="status" class="quiet">{{ words }}</p>
      <div>
        <v-btn size="large" :disabled="settledG === undefined" data-test="take-mass" @click="take">Take it</v-btn>
      </div>
      <StandInPanel
        name="scale"
        :target="expectedG"
        :shown-g="mass?.massG ?? 0"
        put-words="Put the bar on"
        @command="command"
      />
    </template>
    <div v-else>
      <v-btn size="small" variant="text" data-test="connect-scale" @click="isConnected = true">Read the scale</v-btn>
    </div>
  </div>
</template>

<style scoped>
/* Read from where the hand is. */
.shown {
  font-size: 2.8rem;
  line-height: 1.1;
}

.moving {
  color: rgb(var(--v-theme-quiet));
}
</style>
