<script setup lang="ts">
import type { SaveStatus } from './useSavedForm'

defineProps<{ status: SaveStatus; errors: Readonly<Record<string, string>> }>()
const words: Readonly<Record<SaveStatus, string>> = {
  saved: 'Saved',
  editing: 'Not saved yet …',
  saving: 'Saving …',
  invalid: 'Not saved: see the marked fields',
  conflict: 'Not saved: changed meanwhile',
  unreached: 'Not saved: the server does not answer; trying again',
}
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
    {{ words[status] }}<template v-if="errors['']">. {{ errors[''] }}</template>
  </p>
</template>

<style scoped>
.state {
  font-size: 0.85rem;
}
</style>
