<script setup lang="ts">
/** How to move a pour, and how much of the season is in sight. */
defineProps<{ labels: readonly string[] }>()
const zoom = defineModel<number>({ required: true })
defineEmits<{ today: [] }>()
</script>

<template>
  <div class="top no-print">
    <p class="quiet help">
      Drag a pour, or focus it: <kbd>←</kbd> <kbd>→</kbd> a day, <kbd>Shift</kbd> a week, <kbd>Enter</kbd> keeps,
      <kbd>Esc</kbd> lets go, <kbd>p</kbd> pins.
    </p>
    <div class="row zooms" role="group" aria-label="Zoom">
      <v-btn size="small" variant="text" @click="$emit('today')">Today</v-btn>
      <v-btn
        v-for="(label, index) in labels"
        :key="label"
        size="small"
        :variant="zoom === index ? 'flat' : 'text'"
        :color="zoom === index ? 'primary' : undefined"
        :aria-pressed="zoom === index"
        @click="zoom = index"
        >{{ label }}</v-btn
      >
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
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 3px;
  font-family: inherit;
}

.zooms {
  flex: none;
  gap: 2px;
}
</style>
