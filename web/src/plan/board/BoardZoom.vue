<script setup lang="ts">
import ChoiceButtons from '@/parts/ChoiceButtons.vue'
import { computed } from 'vue'

/** How to move a pour, and how much of the season is in sight. */
const props = defineProps<{ labels: readonly string[] }>()
const zoom = defineModel<number>({ required: true })
// The same list all along: the buttons are then not drawn anew with the wall.
const choices = computed(() => props.labels.map((words, value) => ({ value, words })))
defineEmits<{ today: [] }>()
</script>

<template>
  <div class="top no-print">
    <p class="quiet help">
      Drag a pour, or focus it: <kbd>←</kbd> <kbd>→</kbd> a day, <kbd>Shift</kbd> a week, <kbd>Enter</kbd> keeps,
      <kbd>Esc</kbd> lets go, <kbd>p</kbd> pins.
    </p>
    <div class="row zooms" role="group" aria-label="How much of the season is shown">
      <v-btn size="small" variant="text" @click="$emit('today')">Today</v-btn>
      <ChoiceButtons v-model="zoom" :choices="choices" label="Zoom" />
    </div>
  </div>
</template>

<style scoped>
.top {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
}

.help {
  font-size: 0.82rem;
}

kbd {
  padding: 0 4px;
}

.zooms {
  flex: none;
  gap: 2px;
}
</style>
