<script setup lang="ts">
import { api, problemOf } from '@/parts/api'
import { useUnits } from '@/parts/format'
import { useInstrument } from '@/parts/useInstrument'
import { endpoints } from '@vendange/contract'
import { computed, ref } from 'vue'

/** The air of the cure room by its sensor (a simulated one ships); kept once a day, it steers the forecasts. */
const { show } = useUnits()
const { isConnected, reading } = useInstrument(ref('room'))
const now = computed(() => (reading.value?.kind === 'room' ? reading.value : undefined))
const words = ref('')
async function keep(): Promise<void> {
  if (!now.value) return
  const { temperatureC, humidity } = now.value
  try {
    await api(endpoints.room.keep, { body: { temperatureC, humidity } })
    words.value = 'Kept for today.'
  } catch (error) {
    words.value = problemOf(error).detail
  }
}
</script>

<template>
  <div class="row mb-4" data-test="room-sensor">
    <template v-if="now">
      <span>The room: {{ show('temperature', now.temperatureC, 1) }}, {{ show('share', now.humidity, 0) }} humid.</span>
      <v-btn size="small" data-test="keep-room" @click="keep">Keep it for today</v-btn>
    </template>
    <v-btn v-else size="small" variant="text" data-test="connect-room" @click="isConnected = true"
      >Read the room’s sensor</v-btn
    >
    <span class="quiet" role="status">{{ words }}</span>
  </div>
</template>
