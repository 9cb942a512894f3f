<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import { computed } from 'vue'

const props = defineProps<{ designId: string }>()
const season = useSeason()
const design = computed(() => season.design(props.designId))
const scaled = computed(() => design.value && season.yieldOf(design.value))
</script>

<template>
  <span v-if="scaled && design">
    <b :class="{ must: scaled.barsOver < 0 }">{{ scaled.bars }}</b> of {{ design.barsWanted }}
  </span>
  <span v-else-if="design">{{ design.barsWanted }} wanted</span>
</template>
