<script setup lang="ts">
import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import type { LibraryEntry } from '@vendange/core/recipe'
import {
  cautionSentences,
  effectSentences,
  entryOf,
  makeupOf,
  makeupSentences,
  usuallySentence,
} from '@vendange/core/recipe'
import { computed } from 'vue'

/** What is known of a liquid or an additive: what is in it, how much is usual, what it does and what to mind. */
const { kind, name } = defineProps<{ kind: LibraryEntry['kind']; name: string }>()
const season = useSeason()
const { say } = useUnits()
const entry = computed(() => entryOf(kind, name))
const told = computed(() => {
  const makeup = makeupOf(kind, name, season.view?.knownMakeups)
  const all = [
    ...(entry.value ? [usuallySentence(entry.value), ...effectSentences(entry.value)] : []),
    ...(makeup ? makeupSentences(makeup) : []),
  ]
  return all.map(say).join(' · ')
})
const cautions = computed(() => (entry.value ? cautionSentences(entry.value).map(say).join('; ') : ''))
</script>

<template>
  <p v-if="told" class="quiet told" data-test="part-told">
    {{ told }} <template v-if="entry?.says === 'estimate'">(estimates)</template
    ><span v-if="cautions" class="must"> Mind: {{ cautions }}.</span>
  </p>
</template>

<style scoped>
.told::first-letter {
  text-transform: uppercase;
}

.told {
  margin: -6px 0 12px;
  font-size: 0.86rem;
}
</style>
