<script setup lang="ts">
import { useUnits } from '@/parts/format'
import type { WorkBesideThePour } from '@vendange/core/batch'
import { besideThePourWords } from '@vendange/words'

/** Work that belongs to a pour and is not done at the bench. */
defineProps<{ around: WorkBesideThePour; on?: string }>()
const { say } = useUnits()
</script>

<template>
  <section class="sheet around">
    <h2>{{ besideThePourWords[around.group] }}{{ on ? `, ${on}` : '' }}</h2>
    <ul>
      <li v-for="line in around.lines" :key="line.code">{{ say(line) }}</li>
    </ul>
  </section>
</template>

<style scoped>
.around {
  break-inside: avoid;
  margin-bottom: 20px;
}

ul {
  padding-left: 20px;
}
</style>
