<script setup lang="ts">
import { mdiClose } from '@mdi/js'

/** A row of fields that can be taken away. */
defineProps<{
  /** Whose row it is, for those who hear the page: “North rack”. */
  what: string
}>()
defineEmits<{ remove: [] }>()
</script>

<template>
  <div class="row removable" role="group" :aria-label="what">
    <slot />
    <v-btn :icon="mdiClose" size="small" variant="text" :aria-label="`Take ${what} away`" @click="$emit('remove')" />
  </div>
</template>

<style scoped>
.removable {
  flex-wrap: nowrap;
}

@media (max-width: 1199px) {
  .removable {
    flex-wrap: wrap;
    padding-bottom: 12px;
    border-bottom: 1px solid rgb(var(--v-theme-hairline));
  }

  .removable > :deep(*) {
    flex: 1 1 156px !important;
    max-width: 100%;
  }

  .removable > :deep(.v-btn) {
    flex: none !important;
    margin-left: auto;
  }
}
</style>
