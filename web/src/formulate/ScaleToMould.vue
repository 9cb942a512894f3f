<script setup lang="ts">
import BatchWeights from '@/parts/BatchWeights.vue'
import FindingList from '@/parts/FindingList.vue'
import { useSeason } from '@/parts/seasonStore'
import type { Recipe } from '@vendange/core/recipe'
import { scaleDesign } from '@vendange/core/batch'
import { computed, ref } from 'vue'

const props = defineProps<{ recipe: Recipe }>()
const season = useSeason()
const mouldId = ref(season.moulds[0]?.id)
const scaled = computed(() => {
  const mould = season.mould(mouldId.value)
  if (!mould || !season.workshop) return undefined
  const design = { name: '', scent: null, colours: [], mouldCount: 1, barsWanted: 1, labelMassG: 1 }
  return scaleDesign({ design, recipe: props.recipe, mould, settings: season.workshop })
})
</script>

<template>
  <section class="sheet stack">
    <h2>Scaled to one mould, unscented</h2>
    <p v-if="season.moulds.length === 0" class="quiet">
      Draw a mould in the <RouterLink to="/stores">stores</RouterLink> first.
    </p>
    <v-select v-else v-model="mouldId" :items="season.moulds" item-title="name" item-value="id" label="Mould" />
    <template v-if="scaled">
      <FindingList :findings="scaled.findings" />
      <BatchWeights :scaled="scaled" />
    </template>
  </section>
</template>
