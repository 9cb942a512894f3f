<script setup lang="ts">
import { api } from '@/parts/api'
import DateField from '@/parts/DateField.vue'
import { runChange } from '@/parts/runChange'
import { useSeason } from '@/parts/seasonStore'
import { useKeptFields } from '@/parts/useKeptFields'
import { endpoints } from '@vendange/contract'
import { isDay } from '@vendange/core/calendar'
import { ref } from 'vue'

/** A day is lost: it has no hours from now on, and what stood on it is to be planned anew. */
const emit = defineEmits<{ lost: [] }>()
const season = useSeason()
const lostDay = ref('')
const kept = useKeptFields('lost-day', { lostDay })

async function loseDay(): Promise<void> {
  const { workshop } = season
  if (!workshop || !isDay(lostDay.value)) return
  const exceptions = workshop.exceptions.filter(({ day }) => day !== lostDay.value)
  const body = { ...workshop, exceptions: [...exceptions, { day: lostDay.value, hours: 0, reason: 'Lost' }] }
  const saved = await runChange(() => api(endpoints.updateWorkshop, { body }))
  if (!saved) return
  lostDay.value = ''
  kept.sent()
  emit('lost')
}
</script>

<template>
  <DateField v-model="lostDay" label="Which day" class="date" data-test="lost-day" />
  <v-btn size="small" color="primary" variant="flat" :disabled="!isDay(lostDay)" data-test="lose-it" @click="loseDay"
    >No work on it; plan anew</v-btn
  >
</template>

<style scoped>
.date {
  min-width: 185px;
  max-width: 200px;
}
</style>
