<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import { formatDay } from '@vendange/core/calendar'
import type { JudgedCollection } from './judgedCollections'

defineProps<{ past: readonly JudgedCollection[] }>()
const season = useSeason()
</script>

<template>
  <section v-if="past.length > 0">
    <p class="eyebrow">Came out before</p>
    <div class="row">
      <RouterLink
        v-for="{ collection, neededDay } in past"
        :key="collection.id"
        class="plain pastone"
        :to="`/plan/${collection.id}`"
      >
        <SoapFace
          v-for="one in season.lineUp(collection.id)"
          :key="one.id"
          :name="one.name"
          :soap="one"
          :width="30"
          :height="22"
        />
        <span>{{ collection.name }}</span><span class="quiet">{{ formatDay(neededDay, season.today) }}</span>
      </RouterLink>
    </div>
  </section>
</template>

<style scoped>
.pastone {
  display: flex;
  align-items: center;
  gap: 6px;
  margin-right: 18px;
  padding: 8px 0;
}
</style>
