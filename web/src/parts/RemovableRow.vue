<script setup lang="ts">
import { mdiClose } from '@mdi/js'

/** A row of fields that can be taken away. */
defineProps<{
  /** What the button does, for those who hear the page: “Take North rack away”. */
  label: string
}>()
defineEmits<{ remove: [] }>()
</script>

<template>
  <div class="row removable" role="group">
    <slot />
    <v-btn :icon="mdiClose" size="small" variant="text" :aria-label="label" @click="$emit('remove')" />
  </div>
</template>

<style scoped>
.removable {
  flex-wrap: nowrap;
}
</style>
