<script setup lang="ts">
import { runChange } from '@/parts/runChange'
import { api } from '@/parts/api'
import FileButton from '@/parts/FileButton.vue'
import { useUnits } from '@/parts/format'
import { useNewHere } from '@/parts/keyboard'
import { useSeason } from '@/parts/seasonStore'
import PageHeadline from '@/parts/PageHeadline.vue'
import { blankOwnFat, endpoints, plainRecipe, readRecipeFile } from '@vendange/contract'
import { asFat, fatTable } from '@vendange/core/fats'
import { recipeFigures } from '@vendange/core/recipe'
import { counted } from '@vendange/words'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import SideBySide from './SideBySide.vue'

const season = useSeason()
const router = useRouter()
const { show, say, whole } = useUnits()
/** Recipes are compared by what a kilo of fats takes. */

const rows = computed(() =>
  season.recipes.map((recipe) => ({
    recipe,
    figures: recipeFigures(season.withKnownMaterials(recipe), whole.value.g),
    used: season.designs.filter(({ recipeId }) => recipeId === recipe.id).length,
  })),
)

async function create(): Promise<void> {
  const recipe = await runChange(() =>
    api(endpoints.recipes.create, {
      body: {
        name: 'New recipe',
        fats: [
          { fatKey: 'olive', share: 0.4, atTrace: false },
          { fatKey: 'coconut', share: 0.3, atTrace: false },
          { fatKey: 'shea', share: 0.3, atTrace: false },
        ],
        superfat: 0.05,
        lyeConcentration: 0.33,
        naohPurity: 1,
        ...plainRecipe,
        setDaysMin: 1,
        setDaysMax: 3,
        cureDays: 28,
        oven: false,
        notes: '',
      },
    }),
  )
  if (recipe) await router.push(`/formulate/${recipe.id}`)
}
useNewHere('New recipe', create)

async function createFat(): Promise<void> {
  const fat = await runChange(() => api(endpoints.ownFats.create, { body: { ...blankOwnFat, name: 'New fat' } }))
  if (fat) await router.push(`/formulate/fats/${fat.id}`)
}

const problems = ref<readonly string[]>([])
/** Takes a recipe in from a file, once all of it can be read. */
async function bringIn(file: File): Promise<void> {
  const read = await readRecipeFile(await file.text(), file.name.replace(/\.\w+$/, ''), season.fats)
  problems.value = read.ok ? [] : read.problems.map(say)
  if (!read.ok) return
  const recipe = await runChange(() => api(endpoints.recipes.create, { body: read.recipe }))
  if (recipe) await router.push(`/formulate/${recipe.id}`)
}
</script>

<template>
  <PageHeadline>
    {{
      rows.length === 0
        ? 'No recipes yet. Begin with three fats; the lye follows from them.'
        : `${rows.length} ${rows.length === 1 ? 'recipe' : 'recipes'}, each with its lye for ${whole.words} of fats.`
    }}
    <template #actions>
      <v-btn to="/formulate/library" variant="text">Liquids and additives</v-btn>
      <FileButton
        label="Bring one in"
        accept=".json,.csv,text/csv,application/json"
        test="recipe-file"
        size="default"
        @file="bringIn"
      />
      <v-btn color="primary" variant="flat" data-test="new-recipe" @click="create">New recipe</v-btn>
    </template>
  </PageHeadline>
  <div v-if="problems.length > 0" class="sheet problems" role="alert">
    <h2>This file was not taken in</h2>
    <p v-for="problem in problems" :key="problem" class="must">{{ problem }}</p>
  </div>
  <section v-if="rows.length > 0" class="sheet">
    <table class="figures">
      <thead>
        <tr>
          <th>Recipe</th>
          <th>Fats</th>
          <th class="number">Superfat</th>
          <th class="number">Sodium hydroxide</th>
          <th class="number">Water</th>
          <th class="number">Liquid</th>
          <th class="number">Cure</th>
          <th class="number">Soaps</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ recipe, figures, used } in rows" :key="recipe.id">
          <td>
            <RouterLink class="plain serif name" :to="`/formulate/${recipe.id}`">{{ recipe.name }}</RouterLink>
          </td>
          <td class="quiet">
            {{
              recipe.fats.map(({ fatKey, share }) => `${season.fat(fatKey)?.name} ${show('share', share)}`).join(', ')
            }}
          </td>
          <td class="number">{{ show('share', recipe.superfat) }}</td>
          <td class="number">
            <b>{{ show('mass', figures.naohG) }}</b>
          </td>
          <td class="number">{{ show('mass', figures.plainWaterG - figures.wettingWaterG) }}</td>
          <td class="number">{{ show('share', figures.liquidShare, 0) }}</td>
          <td class="number">{{ counted(recipe.cureDays, 'day') }}</td>
          <td class="number">{{ used }}</td>
        </tr>
      </tbody>
    </table>
  </section>
  <SideBySide class="mt-6" />
  <section class="sheet stack mt-6" data-test="own-fats">
    <div class="row head">
      <h2>Fats of your own</h2>
      <v-btn size="small" data-test="new-fat" @click="createFat">Another fat</v-btn>
    </div>
    <p v-if="season.ownFats.length === 0" class="quiet">
      The table has {{ fatTable.length }} fats. Keep here what it has not, by its supplier’s certificate.
    </p>
    <table v-else class="figures">
      <thead>
        <tr>
          <th>Fat</th>
          <th class="number">mg KOH a gram</th>
          <th class="number">Density</th>
          <th>From</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in season.ownFats" :key="one.id">
          <td>
            <RouterLink class="plain serif name" :to="`/formulate/fats/${one.id}`">{{ one.name }}</RouterLink>
          </td>
          <td class="number">
            {{ one.saponificationValue.min }} – <b>{{ one.saponificationValue.typical }}</b> –
            {{ one.saponificationValue.max }}
          </td>
          <td class="number">{{ show('density', one.densityGMl) }}</td>
          <td>{{ asFat(one.id, one).source }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.problems {
  margin-bottom: 16px;
}

.name {
  font-size: 1.1rem;
}

td.quiet {
  max-width: 320px;
  font-size: 0.88rem;
}

.number {
  padding-left: 12px !important;
}
</style>
