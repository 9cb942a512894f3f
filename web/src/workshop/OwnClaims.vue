<script setup lang="ts">
import { useErrorOf } from '@/parts/errorOf'
import { useRows } from '@/parts/useRows'
import RemovableRow from '@/parts/RemovableRow.vue'
import { useSeason } from '@/parts/seasonStore'
import { mdiPlus } from '@mdi/js'
import type { WorkshopDetails } from '@vendange/contract'
import { ownClaimKey } from '@vendange/core/plan'
import { computed } from 'vue'

/** Claims of the workshop's own, each with the ingredients that break it. */
const claims = defineModel<WorkshopDetails['ownClaims']>({ required: true })
const rows = useRows(claims)
const errorOf = useErrorOf()
const season = useSeason()

/** Everything that has a name here and may go into a soap. */
const ingredients = computed(() =>
  [
    ...season.fats.map(({ name }) => name),
    ...season.recipes.flatMap(({ liquids, additives }) => [...liquids, ...additives].map(({ name }) => name)),
    ...season.designs.flatMap(({ scent, colours }) => [
      ...(scent ? [scent.name] : []),
      ...colours.map(({ name }) => name),
    ]),
  ].filter((name, at, all) => all.indexOf(name) === at),
)
const add = (): void => {
  rows.add({ key: ownClaimKey(crypto.randomUUID().slice(0, 8)), name: 'free of …', without: [] })
}
</script>

<template>
  <section class="sheet stack">
    <h2>Claims of your own</h2>
    <p class="quiet">Besides vegan, palm-free and free of nuts. Each names the ingredients that break it.</p>
    <RemovableRow v-for="(claim, index) in claims" :key="claim.key" :what="claim.name" @remove="rows.remove(index)">
      <v-text-field
        :model-value="claim.name"
        class="claim"
        :label="`Claim ${index + 1}`"
        :error-messages="errorOf(`ownClaims[${index}].name`) ?? []"
        @update:model-value="rows.set(index, { name: $event })"
      />
      <v-autocomplete
        :model-value="claim.without"
        :items="ingredients"
        :label="`Broken by ${index + 1}`"
        multiple
        chips
        closable-chips
        :error-messages="errorOf(`ownClaims[${index}].without`) ?? []"
        @update:model-value="rows.set(index, { without: $event })"
      />
    </RemovableRow>
    <div><v-btn size="small" :prepend-icon="mdiPlus" data-test="add-claim" @click="add">Claim</v-btn></div>
  </section>
</template>

<style scoped>
.claim {
  flex: 0 0 38%;
}
</style>
