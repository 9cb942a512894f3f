<script setup lang="ts">
import { useRoute } from 'vue-router'
import type { Stage } from './stages'

defineProps<{ readonly stages: readonly Stage[] }>()

const route = useRoute()

function isHere(path: string): boolean {
  const stage = route.meta['stage']
  return typeof stage === 'string' ? stage === path : route.path.startsWith(path)
}
</script>

<template>
  <RouterLink
    v-for="stage in stages"
    :key="stage.path"
    :to="stage.path"
    class="stage"
    :class="{ here: isHere(stage.path) }"
    :aria-current="isHere(stage.path) ? 'page' : undefined"
  >
    <v-icon :icon="stage.icon" size="20" /><span>{{ stage.label }}</span>
  </RouterLink>
</template>

<style scoped>
.stage {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 8px 12px 8px 20px;
  border-left: 3px solid transparent;
  color: rgb(var(--v-theme-quiet));
  text-decoration: none;
}

.stage:hover {
  color: rgb(var(--v-theme-on-background));
}

.stage.here {
  border-color: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-primary));
  font-weight: 700;
}

/* A narrow rail: the word under its icon. */
@media (min-width: 600px) and (max-width: 1199px) {
  .stage {
    flex-direction: column;
    gap: 2px;
    padding: 6px 3px 6px 0;
    font-size: 0.85rem;
    line-height: 1.2;
  }
}
</style>
