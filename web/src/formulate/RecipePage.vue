<script setup lang="ts">
import { api } from '@/parts/api'
import ConflictPanel from '@/parts/ConflictPanel.vue'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import { saveFile } from '@/parts/saveFile'
import SaveState from '@/parts/SaveState.vue'
import { useSeason } from '@/parts/seasonStore'
import { deleteWithUndo } from '@/parts/deleteWithUndo'
import PageHeadline from '@/parts/PageHeadline.vue'
import { useSavedForm } from '@/parts/useSavedForm'
import type { NewRecipe } from '@vendange/contract'
import { cureDaysRange, endpoints, recipeSchema, setDaysRange, writeRecipeFile } from '@vendange/contract'
import { writeRecipeCsv } from '@vendange/core/recipe/csv'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import AcidGroups from './AcidGroups.vue'
import FatLines from './FatLines.vue'
import LyeCard from './LyeCard.vue'
import LyeSettings from './LyeSettings.vue'
import ObservationList from './ObservationList.vue'
import OtherParts from './OtherParts.vue'
import RecipeVersions from './RecipeVersions.vue'
import ScaleToMould from './ScaleToMould.vue'
import SchoolFields from './SchoolFields.vue'
import { useObservations } from './useObservations'
import { useReckonedRecipe } from './useReckonedRecipe'
import { useWaterKept } from './useWaterKept'
import WishPanel from './WishPanel.vue'

const props = defineProps<{ id: string }>()
const season = useSeason()
const router = useRouter()
const { show, whole } = useUnits()
const recipe = computed(() => season.recipe(props.id))
const { values, errors, errorOf, status, theirDetails, settle } = useSavedForm({
  schema: recipeSchema,
  source: () => recipe.value,
  save: (body: NewRecipe & { version: number }) => api(endpoints.recipes.update, { params: { id: props.id }, body }),
  label: () => recipe.value?.name ?? 'recipe',
})
const labels = {
  name: 'Name',
  fats: 'Fats',
  superfat: 'Superfat',
  lyeConcentration: 'Lye concentration',
  naohPurity: 'Purity',
  kohShare: 'Potassium hydroxide',
  kohPurity: 'Its purity',
  waterStyle: 'Water stated as',
  liquids: 'Liquids',
  additives: 'Additives',
  claims: 'Claims',
  setDaysMin: 'Days in the mould, least',
  setDaysMax: 'Days in the mould, most',
  cureDays: 'Cure',
  school: 'How it is made',
  oven: 'Oven',
  notes: 'Notes',
}

const fatsTypedG = ref<number>()
/** A kilo or a pound, until another mass is typed. */
const fatsG = computed({ get: () => fatsTypedG.value ?? whole.value.g, set: (massG) => (fatsTypedG.value = massG) })
const { reckoned, certified, findings, figures } = useReckonedRecipe(values, fatsG)
useWaterKept(values, () => figures.value?.alkaliPerFats)
const observe = useObservations()
const claims = computed(() => season.claims)
/** A bar of usual size: fats for a hundred grams of batter. */
const fatsGPerBar = computed(() => (figures.value ? (100 * figures.value.fatsG) / figures.value.batterG : 70))

async function takeRecipeAway(): Promise<void> {
  if (recipe.value && (await deleteWithUndo(endpoints.recipes, recipe.value))) await router.push('/formulate')
}
</script>

<template>
  <template v-if="recipe && values">
    <PageHeadline>
      <template v-if="figures">
        {{ show('mass', figures.fatsG) }} of fats take
        <span class="must">{{ show('mass', figures.naohG) }} of sodium hydroxide</span>
        <template v-if="figures.kohG > 0">
          and <span class="must">{{ show('mass', figures.kohG) }} of potassium hydroxide</span>
        </template>
        in {{ show('mass', figures.plainWaterG - figures.wettingWaterG) }} of water<template
          v-for="liquid in figures.liquids"
          :key="liquid.name"
          >, {{ show('mass', liquid.massG) }} of {{ liquid.name }}</template
        >.
      </template>
      <template v-else><span class="must">This recipe cannot be made as it stands.</span></template>
    </PageHeadline>
    <ConflictPanel v-if="theirDetails" :mine="values" :theirs="theirDetails" :labels="labels" @settle="settle" />

    <div class="columns">
      <div class="stack">
        <section class="sheet stack">
          <div class="row head">
            <h2>The recipe</h2>
            <SaveState :status="status" :errors="errors" />
          </div>
          <v-text-field v-model="values.name" label="Name" :error-messages="errorOf('name') ?? []" />
          <FatLines v-model="values.fats" v-model:fats-g="fatsG" />
          <LyeSettings
            :values="values"
            :alkali-per-fats="figures?.alkaliPerFats"
            @change="Object.assign(values, $event)"
          />
          <OtherParts v-model="values" />
          <v-select
            v-model="values.claims"
            :items="claims"
            label="Every bar of it is"
            multiple
            chips
            data-test="claims"
          />
          <div class="fields">
            <QuantityField
              v-model="values.setDaysMin"
              kind="days"
              :range="setDaysRange"
              label="In the mould, least"
              :error="errorOf('setDaysMin')"
            />
            <QuantityField
              v-model="values.setDaysMax"
              kind="days"
              :range="setDaysRange"
              label="In the mould, most"
              :error="errorOf('setDaysMax')"
            />
            <QuantityField
              v-model="values.cureDays"
              kind="days"
              :range="cureDaysRange"
              label="Cure"
              :error="errorOf('cureDays')"
            />
          </div>
          <SchoolFields v-model="values" />
          <v-textarea v-model="values.notes" label="Notes for next time" :error-messages="errorOf('notes') ?? []" />
          <div class="row">
            <v-btn
              size="small"
              data-test="save-json"
              @click="saveFile(`${values.name}.json`, 'application/json', writeRecipeFile(values))"
              >Save as JSON</v-btn
            >
            <v-btn
              size="small"
              @click="saveFile(`${values.name}.csv`, 'text/csv', writeRecipeCsv(season.withKnownMaterials(values)))"
              >Fats as CSV</v-btn
            >
            <v-btn size="small" variant="text" color="error" @click="takeRecipeAway">Take the recipe away</v-btn>
          </div>
        </section>
        <ScaleToMould v-if="figures && reckoned" :recipe="reckoned" />
        <RecipeVersions :id="id" :version="recipe.version" @bring-back="values = $event" />
      </div>

      <div class="stack">
        <LyeCard v-model:fats-g="fatsG" :findings="findings" :figures="figures" :certified="certified" />
        <section v-if="figures" class="sheet stack">
          <h2>What it will be like</h2>
          <ObservationList :observations="observe(reckoned ?? values, id)" />
        </section>
        <WishPanel v-if="figures" v-model="values.fats" :superfat="values.superfat" :fats-g-per-bar="fatsGPerBar" />
        <section v-if="figures" class="sheet">
          <h2>What the fats bring</h2>
          <AcidGroups :groups="figures.groups" :unnamed-share="figures.unnamedShare" />
        </section>
      </div>
    </div>
  </template>
  <PageHeadline v-else>There is no such recipe.</PageHeadline>
</template>
