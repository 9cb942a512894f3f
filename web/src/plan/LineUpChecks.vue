<script setup lang="ts">
import FindingList from '@/parts/FindingList.vue'
import { useSeason } from '@/parts/seasonStore'
import type { SavedCollection } from '@vendange/contract'
import { similarityFindings, promiseFindings } from '@vendange/core/plan'
import { computed } from 'vue'

/** Where two soaps of a line-up are too alike, and where one breaks a promise of the collection. */
const props = defineProps<{ collection: SavedCollection }>()
const season = useSeason()

const findings = computed(() => {
  const soaps = season.lineUp(props.collection.id)
  const promised = soaps.map((soap) => ({
    name: soap.name,
    ...season.withKnownMaterials({ fats: season.recipe(soap.recipeId)?.fats ?? [] }),
    ingredients: [...(soap.scent ? [soap.scent] : []), ...soap.colours].map(({ name, contains }) => ({
      name,
      contains: contains ?? [],
    })),
  }))
  return [
    ...promiseFindings(promised, props.collection.promises, season.workshop?.ownClaims),
    ...similarityFindings(soaps),
  ]
})
</script>

<template>
  <FindingList :findings="findings" data-test="line-up-checks" />
</template>
