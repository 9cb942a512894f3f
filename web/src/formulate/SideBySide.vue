<script setup lang="ts">
import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import type { SavedRecipe } from '@vendange/contract'
import type { RecipeFigures } from '@vendange/core/recipe'
import { recipeFigures } from '@vendange/core/recipe'
import { computed, ref } from 'vue'
import { observationLabels } from '@vendange/words'
import { useObservations } from './useObservations'

/** Two recipes, line by line: what is in one and not in the other, and what that makes of the bar. */
const season = useSeason()
const { show, whole, say } = useUnits()
const observe = useObservations()
/** Recipes are compared by what a kilo of fats takes. */

const chosen = ref([season.recipes[0]?.id, season.recipes[1]?.id])
const pair = computed(() => {
  const [one, other] = chosen.value.map((id) => season.recipe(id))
  return one && other ? [season.withKnownMaterials(one), season.withKnownMaterials(other)] : undefined
})

interface Line {
  readonly what: string
  readonly cells: readonly string[]
}
const fats = computed<readonly Line[]>(() => {
  const both = pair.value
  if (!both) return []
  const keys = [...new Set(both.flatMap((recipe) => recipe.fats.map(({ fatKey }) => fatKey)))]
  return keys.map((key) => ({
    what: season.fat(key)?.name ?? key,
    cells: both.map((recipe) => {
      const share = recipe.fats.find(({ fatKey }) => fatKey === key)?.share
      return share === undefined ? '–' : show('share', share)
    }),
  }))
})
const figures = computed<readonly Line[]>(() => {
  const both = pair.value?.map((recipe) => ({ recipe, ...recipeFigures(recipe, whole.value.g) }))
  if (!both) return []
  const line = (what: string, cell: (of: RecipeFigures & { readonly recipe: SavedRecipe }) => string): Line => ({
    what,
    cells: both.map(cell),
  })
  return [
    line('Superfat', ({ recipe }) => show('share', recipe.superfat)),
    line('True superfat at worst', ({ band }) => show('share', band.worst)),
    line(`Sodium hydroxide, to ${whole.value.words}`, ({ naohG }) => show('mass', naohG)),
    line(`Water, to ${whole.value.words}`, ({ plainWaterG, wettingWaterG }) =>
      show('mass', plainWaterG - wettingWaterG),
    ),
    line(`Liquid at ${show('temperature', 20)}`, ({ liquidShare }) => show('share', liquidShare, 0)),
    line('Cure', ({ recipe }) => show('days', recipe.cureDays)),
  ]
})
const observations = computed<readonly Line[]>(() => {
  const [one = [], other = []] = pair.value?.map((recipe) => observe(recipe, recipe.id)) ?? []
  return one.map((observation, index) => ({
    what: observationLabels[observation.key],
    cells: [observation, other[index]].map((of) => (of ? `${say(of.answer)} (${say(of.band)})` : '')),
  }))
})
const groups = computed(() => [
  { name: 'Fats', lines: fats.value },
  { name: 'Figures', lines: figures.value },
  { name: 'What it will be like (estimates)', lines: observations.value },
])
const differs = ({ cells }: Line): boolean => cells[0] !== cells[1]
</script>

<template>
  <section v-if="season.recipes.length > 1" class="sheet stack" data-test="side-by-side">
    <h2>Two side by side</h2>
    <table class="figures">
      <thead>
        <tr>
          <th><span class="d-sr-only">What</span></th>
          <th v-for="(_, index) in chosen" :key="index">
            <v-select
              v-model="chosen[index]"
              :items="season.recipes"
              item-title="name"
              item-value="id"
              :label="index === 0 ? 'One recipe' : 'The other'"
              :data-test="`compare-${index + 1}`"
            />
          </th>
        </tr>
      </thead>
      <tbody v-for="group in groups" :key="group.name">
        <tr>
          <th colspan="3" class="eyebrow">{{ group.name }}</th>
        </tr>
        <tr v-for="line in group.lines" :key="line.what" :class="{ differs: differs(line) }">
          <td>{{ line.what }}</td>
          <td v-for="(cell, index) in line.cells" :key="index">{{ cell }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
table {
  table-layout: fixed;
}

th :deep(.v-field) {
  font-weight: 600;
  color: rgb(var(--v-theme-on-surface));
}

table.figures td {
  padding-block: 5px;
}

th.eyebrow {
  padding-top: 14px !important;
  color: rgb(var(--v-theme-brass-ink)) !important;
}

.differs td {
  font-weight: 600;
}

tr:not(.differs) td {
  color: rgb(var(--v-theme-quiet));
}
</style>
