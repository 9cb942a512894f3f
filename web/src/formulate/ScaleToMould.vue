<script setup lang="ts">
import BatchWeights from '@/parts/BatchWeights.vue'
import FindingList from '@/parts/FindingList.vue'
import PartsTable from '@/parts/PartsTable.vue'
import QuantityField from '@/parts/QuantityField.vue'
import RemovableRow from '@/parts/RemovableRow.vue'
import { useSeason } from '@/parts/seasonStore'
import { mdiPlus } from '@mdi/js'
import { mouldCountRange } from '@vendange/contract'
import { scaleDesign } from '@vendange/core/batch'
import type { Recipe } from '@vendange/core/recipe'
import { computed, ref } from 'vue'

/** What the recipe weighs in any moulds at hand. */
const props = defineProps<{ recipe: Recipe }>()
const season = useSeason()
const chosen = ref(season.moulds.slice(0, 1).map(({ id }) => ({ id, count: 1 })))

const kinds = computed(() =>
  chosen.value.flatMap(({ id, count }) => {
    const mould = season.mould(id)
    return mould ? [{ mould, count }] : []
  }),
)
const scaled = computed(() => {
  const [first, ...more] = kinds.value
  if (!first || !season.workshop) return undefined
  const design = { name: '', scent: null, colours: [], mouldCount: first.count, barsWanted: 1, labelMassG: 1 }
  return scaleDesign({ design, recipe: props.recipe, mould: first.mould, more, settings: season.workshop })
})

function add(): void {
  const next = season.moulds.find(({ id }) => !chosen.value.some((one) => one.id === id)) ?? season.moulds[0]
  if (next) chosen.value.push({ id: next.id, count: 1 })
}
</script>

<template>
  <section class="sheet stack" data-test="scale-to">
    <h2>Scaled to moulds, unscented</h2>
    <p v-if="season.moulds.length === 0" class="quiet">
      Draw a mould in the <RouterLink to="/stores">stores</RouterLink> first.
    </p>
    <template v-else>
      <RemovableRow
        v-for="(one, index) in chosen"
        :key="index"
        :label="`Take mould ${index + 1} away`"
        @remove="chosen.splice(index, 1)"
      >
        <v-select
          v-model="one.id"
          :items="season.moulds"
          item-title="name"
          item-value="id"
          :label="`Mould ${index + 1}`"
          :data-test="`scale-mould-${index + 1}`"
        />
        <QuantityField
          v-model="one.count"
          kind="count"
          :range="mouldCountRange"
          :label="`How many of mould ${index + 1}`"
        />
      </RemovableRow>
      <div><v-btn size="small" :prepend-icon="mdiPlus" data-test="scale-add" @click="add">Another mould</v-btn></div>
    </template>
    <template v-if="scaled">
      <FindingList :findings="scaled.findings" />
      <PartsTable :scaled="scaled" :names="kinds.map(({ mould }) => mould.name)" />
      <BatchWeights :scaled="scaled" />
    </template>
  </section>
</template>
