<script setup lang="ts">
import type { Day } from '@vendange/core/calendar'
import { computed } from 'vue'
import { VDatePicker } from 'vuetify/components/VDatePicker'

/** A calendar to choose a day from, beside the field it belongs to. */
const props = defineProps<{ day: Day | null }>()
const emit = defineEmits<{ choose: [day: Day] }>()
const isOpen = defineModel<boolean>('open', { required: true })

/** The calendar has days of the browser's own zone. */
const picked = computed(() => (props.day ? new Date(`${props.day}T12:00:00`) : null))
function pick(day: unknown): void {
  if (!(day instanceof Date)) return
  const two = (number: number): string => String(number).padStart(2, '0')
  emit('choose', `${day.getFullYear()}-${two(day.getMonth() + 1)}-${two(day.getDate())}`)
  isOpen.value = false
}
</script>

<template>
  <v-menu v-model="isOpen" activator="parent" :open-on-click="false" :close-on-content-click="false">
    <VDatePicker
      class="calendar"
      :model-value="picked"
      :first-day-of-week="1"
      color="primary"
      hide-header
      show-adjacent-months
      @update:model-value="pick"
    />
  </v-menu>
</template>

<style scoped>
.calendar :deep(.v-btn),
.calendar :deep(.v-date-picker-month__weekday) {
  font-family: inherit;
}
</style>
