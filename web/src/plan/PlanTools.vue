<script setup lang="ts">
import { api } from '@/parts/api'
import { runChange } from '@/parts/runChange'
import { useSeason } from '@/parts/seasonStore'
import { endpoints } from '@vendange/contract'
import { isDay } from '@vendange/core/calendar'
import { useKeptFields } from '@/parts/useKeptFields'
import { defineAsyncComponent, ref } from 'vue'
import { useRoute } from 'vue-router'

const DateField = defineAsyncComponent(() => import('@/parts/DateField.vue'))
const PlannerPanel = defineAsyncComponent(() => import('./board/PlannerPanel.vue'))

const season = useSeason()

// The plan that is looked for, and the run it belongs to: a new run starts afresh.
const planning = ref<{ readonly way: 'free' | 'few'; readonly run: number }>()
let runs = 0
const plan = (way: 'free' | 'few'): void => {
  planning.value = { way, run: (runs += 1) }
}
// Another page may ask for it, as when a loaf failed.
if (useRoute().query['mend'] !== undefined) plan('few')

const lostDay = ref('')
const isLosing = ref(false)
const kept = useKeptFields('lost-day', { lostDay, isLosing })
/** A day is lost: it has no hours from now on, and what stood on it is planned anew with the fewest changes. */
async function loseDay(): Promise<void> {
  const { workshop } = season
  if (!workshop || !isDay(lostDay.value)) return
  const exceptions = workshop.exceptions.filter(({ day }) => day !== lostDay.value)
  const body = { ...workshop, exceptions: [...exceptions, { day: lostDay.value, hours: 0, reason: 'Lost' }] }
  const saved = await runChange(() => api(endpoints.updateWorkshop, { body }))
  if (!saved) return
  isLosing.value = false
  lostDay.value = ''
  kept.sent()
  plan('few')
}
</script>

<template>
  <div class="row tools no-print">
    <v-btn size="small" data-test="plan-free" @click="plan('free')">Plan it for me</v-btn>
    <v-btn size="small" data-test="plan-few" @click="plan('few')">Mend it with the fewest changes</v-btn>
    <v-btn size="small" data-test="lose-day" @click="isLosing = !isLosing">A day is lost</v-btn>
    <template v-if="isLosing">
      <DateField v-model="lostDay" label="Which day" class="date" data-test="lost-day" />
      <v-btn
        size="small"
        color="primary"
        variant="flat"
        :disabled="!isDay(lostDay)"
        data-test="lose-it"
        @click="loseDay"
        >No work on it; plan anew</v-btn
      >
    </template>
    <span class="grow" />
    <v-btn size="small" variant="text" to="/calendar">Calendar feed and busy times</v-btn>
  </div>
  <PlannerPanel v-if="planning" :key="planning.run" :way="planning.way" class="below" @close="planning = undefined" />
</template>

<style scoped>
.tools {
  margin: -8px 0 12px;
}

.grow {
  flex: 1;
}

.date {
  min-width: 185px;
  max-width: 200px;
}

.below {
  margin-bottom: 18px;
}
</style>
