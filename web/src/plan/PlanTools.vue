<script setup lang="ts">
import { useOwnScreen } from '@/parts/ownScreen'
import { endpoints } from '@vendange/contract'
import { defineAsyncComponent, ref } from 'vue'
import { useRoute } from 'vue-router'

const LostDay = defineAsyncComponent(() => import('./LostDay.vue'))
const PlannerPanel = defineAsyncComponent(() => import('./board/PlannerPanel.vue'))

// The plan that is looked for, and the run it belongs to: a new run starts afresh.
const planning = ref<{ readonly way: 'free' | 'few'; readonly run: number }>()
let runs = 0
const plan = (way: 'free' | 'few'): void => {
  planning.value = { way, run: (runs += 1) }
}
// Another page may ask for it, as when a loaf failed.
if (useRoute().query['mend'] !== undefined) plan('few')

/** A day off stands in the workshop's own settings. */
const mayChange = useOwnScreen().may(endpoints.updateWorkshop)
const isLosing = ref(false)
/** The plan is made anew with the fewest changes. */
function planAround(): void {
  isLosing.value = false
  plan('few')
}
</script>

<template>
  <div class="row tools no-print">
    <v-btn size="small" data-test="plan-free" @click="plan('free')">Plan it for me</v-btn>
    <v-btn size="small" data-test="plan-few" @click="plan('few')">Mend it with the fewest changes</v-btn>
    <v-btn v-if="mayChange" size="small" data-test="lose-day" @click="isLosing = !isLosing">A day is lost</v-btn>
    <LostDay v-if="isLosing" @lost="planAround" />
    <span class="grow" />
    <v-btn size="small" variant="text" to="/customers" data-test="to-customers">Subscribers and shops</v-btn>
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

.below {
  margin-bottom: 18px;
}
</style>
