<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import { soapCount } from '@vendange/core/loaf'
import { computed } from 'vue'

/** The bars of a line-up's row: of one pour where each makes a part of its soap, else of all of it. */
const props = defineProps<{ designId: string; batchId?: string | undefined }>()
const season = useSeason()
const pour = computed(() => season.batches.find(({ id, part }) => id === props.batchId && part !== null))
const count = computed(() => {
  const design = season.design(props.designId)
  const { value: one } = pour
  if (one?.part)
    return soapCount(
      one.part.barsWanted,
      [one],
      season.loaves.filter(({ batchId }) => batchId === one.id),
    )
  return design && season.countOf(design)
})
</script>

<template>
  <span v-if="count">
    <b :class="{ must: count.missing > 0 }">{{ count.cut + count.toCome }}</b> of {{ count.wanted }}
  </span>
</template>
