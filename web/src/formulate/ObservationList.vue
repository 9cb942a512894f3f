<script setup lang="ts">
import { useUnits } from '@/parts/format'
import type { Observation } from '@vendange/core/observations'
import { learnedWords, observationLabels } from '@vendange/words'

/** What will be noticed of a soap, from the pour to the last wash: the answer large, then its band, then why. */
defineProps<{ observations: readonly Observation[] }>()
const { say } = useUnits()
</script>

<template>
  <dl>
    <div v-for="one in observations" :key="one.key" :data-test="`observed-${one.key}`">
      <dt>{{ observationLabels[one.key] }}</dt>
      <dd>
        <b class="serif">{{ say(one.answer) }}</b>
        <span class="band">{{ say(one.band) }}</span>
        <small class="quiet">{{ say(one.reason) }} ({{ learnedWords(one) }}).</small>
      </dd>
    </div>
  </dl>
  <p class="quiet note">Of ten such bars eight keep to the span. What you write down of your own moves all of it.</p>
</template>

<style scoped>
dl {
  margin: 0;
}

dl > div {
  display: grid;
  grid-template-columns: 8.5rem minmax(0, 1fr);
  gap: 12px;
  padding: 9px 0;
  border-top: 1px solid rgb(var(--v-theme-hairline));
}

dt {
  padding-top: 2px;
  font-weight: 600;
}

dd {
  margin: 0;
  line-height: 1.35;
}

dd b {
  margin-right: 10px;
  font-size: 1.15rem;
  font-weight: 500;
}

.band {
  white-space: nowrap;
  color: rgb(var(--v-theme-brass-ink));
}

dd small {
  display: block;
}

.note {
  margin-top: 8px;
  font-size: 0.85rem;
}

@media (width <= 480px) {
  dl > div {
    grid-template-columns: 1fr;
    gap: 2px;
  }
}
</style>
