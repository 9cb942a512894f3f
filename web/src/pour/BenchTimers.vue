<script setup lang="ts">
import { clockFace } from '@vendange/core/batch'
import type { BenchTimers } from './useBenchTimers'

defineProps<{ timers: BenchTimers }>()
</script>

<template>
  <ul v-if="timers.shown.value.length > 0" class="timers" aria-label="Timers">
    <li
      v-for="timer in timers.shown.value"
      :key="timer.id"
      :class="{ rings: timer.leftMs === 0 }"
      :role="timer.leftMs === 0 ? 'alert' : undefined"
      data-test="timer"
    >
      <b>{{ timer.leftMs === 0 ? 'Now' : clockFace(timer.leftMs) }}</b>
      <span>{{ timer.label }}</span>
      <v-btn size="small" variant="text" @click="timers.end(timer.id)">{{
        timer.leftMs === 0 ? 'Heard' : 'Stop'
      }}</v-btn>
    </li>
  </ul>
  <p v-if="timers.note.value" class="quiet note" role="status">{{ timers.note.value }}</p>
</template>

<style scoped>
.timers {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-bottom: 14px;
  list-style: none;
}

li {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 6px 8px 6px 16px;
  border-radius: 4px;
  background: rgb(var(--v-theme-surface));
  font-size: 1.05rem;
}

li b {
  font-family: var(--serif);
  font-size: 1.5rem;
}

.rings {
  background: rgb(var(--v-theme-brass));
  color: rgb(var(--v-theme-on-brass, 32 24 38));
}

.note {
  margin-bottom: 10px;
}
</style>
