<script setup lang="ts">
import { computed } from 'vue'
import type { SaveStatus } from './useSavedForm'

const props = defineProps<{ status: SaveStatus; errors: Readonly<Record<string, string>> }>()
const words: Readonly<Record<SaveStatus, string>> = {
  saved: 'Saved',
  editing: 'Not saved yet …',
  saving: 'Saving …',
  invalid: 'Not saved, kept as a draft: see the marked fields',
  conflict: 'Not saved: changed meanwhile',
  unreached: 'Not saved: the server does not answer; trying again',
}
/** What is wrong with the whole rather than with a field. */
const whole = computed(() => props.errors[''])
const told = computed(() =>
  props.status === 'invalid' && whole.value ? `Not saved. ${whole.value}` : words[props.status],
)
</script>

<template>
  <p
    class="state"
    role="status"
    :class="{
      must: status === 'invalid' || status === 'conflict' || status === 'unreached',
      quiet: status !== 'invalid',
    }"
    data-test="save-state"
  >
    {{ told }}
  </p>
</template>

<style scoped>
.state {
  font-size: 0.85rem;
}
</style>
