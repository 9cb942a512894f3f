<script setup lang="ts">
import { useRows } from '@/parts/useRows'
import { useSeason } from '@/parts/seasonStore'
import type { NewDesign } from '@vendange/contract'
import { salesSentences } from '@vendange/core/plan'
import { computed } from 'vue'
import { useUnits } from '@/parts/format'

/** What a soap that is brought back left to be learned, until each thing is taken up or left. */
const lessons = defineModel<NewDesign['lessons']>('lessons', { required: true })
const { set } = useRows(lessons)
const props = defineProps<{ broughtFromId: string }>()
const season = useSeason()
const { say } = useUnits()
const before = computed(() => season.design(props.broughtFromId))
const standings = [
  { value: 'taken_up', label: 'Taken up' },
  { value: 'left', label: 'Left as it was' },
] as const
</script>

<template>
  <section v-if="before" class="sheet stack" data-test="last-time">
    <h2>Last time</h2>
    <div class="quiet">
      <p v-for="line in salesSentences(before.results)" :key="say(line)">{{ say(line) }}</p>
    </div>
    <div v-for="(lesson, index) in lessons" :key="index" class="row lesson" :class="lesson.standing" data-test="lesson">
      <span class="grow">{{ lesson.text }}</span>
      <v-btn
        v-for="{ value, label } in standings"
        :key="value"
        size="small"
        :variant="lesson.standing === value ? 'flat' : 'outlined'"
        :color="lesson.standing === value ? 'primary' : undefined"
        :aria-pressed="lesson.standing === value"
        @click="set(index, { standing: lesson.standing === value ? 'open' : value })"
        >{{ label }}</v-btn
      >
    </div>
  </section>
</template>

<style scoped>
.lesson {
  flex-wrap: nowrap;
  padding: 6px 0 6px 10px;
  border-left: 3px solid rgb(var(--v-theme-brass));
}

.lesson.taken_up,
.lesson.left {
  border-color: rgb(var(--v-theme-vine));
}

.grow {
  flex: 1;
}
</style>
