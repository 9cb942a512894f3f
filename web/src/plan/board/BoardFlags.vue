<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import { daysBetween } from '@vendange/core/calendar'
import { computed } from 'vue'
import type { BoardWall } from './useBoardWall'

/** The releases on the wall, each with a line down it, and today. */
const props = defineProps<{ wall: BoardWall; nameTop: number; height: number }>()
const season = useSeason()
const { from, daysAcross, x, todayAt } = props.wall

const flags = computed(() =>
  season.collections
    .map(({ id, name, ...rest }) => ({ id, name, at: daysBetween(from.value, season.neededDay(rest)) }))
    .filter(({ at }) => at >= 0 && at <= daysAcross.value),
)
</script>

<template>
  <div class="flags">
    <template v-for="flag in flags" :key="flag.id">
      <i class="line" :style="{ left: x(flag.at), height: `${height}px` }" aria-hidden="true" />
      <span class="name" :style="{ left: x(flag.at), top: `${nameTop}px` }">{{ flag.name }}</span>
    </template>
    <i class="today" :style="{ left: x(todayAt), height: `${height + 20}px` }" aria-hidden="true" />
  </div>
</template>

<style scoped>
.flags {
  position: absolute;
  inset: 0;
  pointer-events: none;
}

.line {
  position: absolute;
  top: 26px;
  border-left: 1px dashed rgb(var(--v-theme-primary), 0.6);
}

.name {
  position: absolute;
  z-index: 1;
  padding: 0 9px 1px 5px;
  font-size: 0.72rem;
  line-height: 17px;
  white-space: nowrap;
  color: rgb(var(--v-theme-background));
  background: rgb(var(--v-theme-primary));
  clip-path: polygon(0 0, 100% 0, calc(100% - 5px) 50%, 100% 100%, 0 100%);
}

.today {
  position: absolute;
  top: 6px;
  margin-left: -1px;
  border-left: 2px solid rgb(var(--v-theme-primary));
}

@media print {
  .name {
    color: rgb(var(--v-theme-primary));
    background: rgb(var(--v-theme-surface));
    clip-path: none;
  }
}
</style>
