<script setup lang="ts">
import ShellTools from './ShellTools.vue'
import StageLinks from './StageLinks.vue'
import type { Stage } from './stages'

defineProps<{ readonly stages: readonly Stage[] }>()
const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ find: []; keys: [] }>()
</script>

<template>
  <v-bottom-sheet v-model="open" aria-label="More of the workshop">
    <div class="sheet more" data-test="more-sheet">
      <nav aria-label="Beside the work" @click="open = false"><StageLinks :stages="stages" /></nav>
      <ShellTools @find="emit('find')" @keys="emit('keys')" />
    </div>
  </v-bottom-sheet>
</template>

<style scoped>
.more {
  padding: 16px 16px calc(16px + env(safe-area-inset-bottom));
}

nav {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  margin-bottom: 16px;
}

.more :deep(.stage) {
  flex-direction: column;
  gap: 4px;
  padding: 10px 0;
  border-left: 0;
}

.more :deep(.v-btn) {
  flex: 1;
}
</style>
