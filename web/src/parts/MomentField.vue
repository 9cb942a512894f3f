<script setup lang="ts">
import DateField from './DateField.vue'
import { computed } from 'vue'

/** A day and a time of it, as wall time without a zone: 2027-04-10T19:00. */
defineProps<{ label: string; error?: string | undefined }>()
const model = defineModel<string>({ required: true })
const day = computed({
  get: () => model.value.slice(0, 10),
  set: (next: string) => (model.value = `${next}T${time.value}`),
})
const time = computed({
  get: () => model.value.slice(11, 16) || '18:00',
  set: (next: string) => {
    if (/^\d{2}:\d{2}$/.test(next)) model.value = `${day.value}T${next}`
  },
})
</script>

<template>
  <div class="moment">
    <DateField v-model="day" :label="label" :error="error" />
    <v-text-field v-model="time" type="time" :label="`${label}, at`" />
  </div>
</template>

<style scoped>
.moment {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(max(140px, var(--least-field)), 1fr));
  gap: 8px;
}
</style>
