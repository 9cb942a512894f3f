<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import { computed } from 'vue'

/** The bars of a line-up's row: of one pour where each makes a part of its soap, else of all of it. */
const props = defineProps<{ designId: string; batchId?: string | undefined }>()
const season = useSeason()
const design = computed(() => season.design(props.designId))
const scaled = computed(() => design.value && season.yieldOf(design.value))
const pour = computed(() => season.batches.find(({ id, part }) => id === props.batchId && part !== null))
</script>

<template>
  <span v-if="pour?.part">
    <b :class="{ must: pour.bars < pour.part.barsWanted }">{{ pour.bars }}</b> of {{ pour.part.barsWanted }}
  </span>
  <span v-else-if="scaled && design">
    <b :class="{ must: scaled.barsOver < 0 }">{{ scaled.bars }}</b> of {{ design.barsWanted }}
  </span>
  <span v-else-if="design"><b class="must">0</b> of {{ design.barsWanted }}</span>
</template>
