<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import { daysBetween } from '@vendange/core/calendar'
import { computed } from 'vue'
import type { BoardWall } from './useBoardWall'

/** The releases that are in sight, each with a line down the wall, and today. */
const props = defineProps<{ wall: BoardWall; nameTop: number; height: number }>()
const season = useSeason()
const { from, sight, x, todayAt } = props.wall
/** A name reaches some days past its line. */
const daysOfName = 30

const flags = computed(() =>
  season.collections
    .map(({ id, name, ...rest }) => ({ id, name, at: daysBetween(from.value, season.neededDay(rest)) }))
    .filter(({ at }) => at >= sight.value.from - daysOfName && at <= sight.value.to),
)
</script>

<template>
  <div>
    <template v-for="flag in flags" :key="flag.id">
      <i class="line" :style="{ left: `${x(flag.at)}px`, height: `${height}px` }" aria-hidden="true" />
      <span class="name" :style="{ left: `${x(flag.at)}px`, top: `${nameTop}px` }">{{ flag.name }}</span>
    </template>
    <i class="today" :style="{ left: `${x(todayAt)}px`, height: `${height + 20}px` }" aria-hidden="true" />
  </div>
</template>

<style scoped>
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
    background: none;
    clip-path: none;
  }
}
</style>
