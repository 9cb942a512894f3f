<script setup lang="ts">
import { api } from '@/parts/api'
import ConflictPanel from '@/parts/ConflictPanel.vue'
import FindingList from '@/parts/FindingList.vue'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import SaveState from '@/parts/SaveState.vue'
import { useSeason } from '@/parts/seasonStore'
import { takeAway } from '@/parts/takeAway'
import TheAnswer from '@/parts/TheAnswer.vue'
import { useSavedForm } from '@/parts/useSavedForm'
import { mdiClose, mdiPlus } from '@mdi/js'
import type { NewRecipe } from '@vendange/contract'
import { cureDaysRange, endpoints, recipeSchema, setDaysRange } from '@vendange/contract'
import { fatTable } from '@vendange/core/fats'
import { isRefused } from '@vendange/core/findings'
import {
  checkRecipe,
  lyeConcentrationRange,
  missingShare,
  naohPurityRange,
  recipeFigures,
  typedSuperfatRange,
} from '@vendange/core/recipe'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import AcidGroups from './AcidGroups.vue'
import ScaleToMould from './ScaleToMould.vue'
import SuperfatBand from './SuperfatBand.vue'

const props = defineProps<{ id: string }>()
const season = useSeason()
const router = useRouter()
const { show } = useUnits()
const shareRange = { min: 0, max: 1 }
const typedPurityRange = { min: 0, max: 2 }
const fatsRange = { min: 10, max: 50_000 }

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
  setDaysMin: 'Days in the mould, least',
  setDaysMax: 'Days in the mould, most',
  cureDays: 'Cure',
  notes: 'Notes',
}

const fatsG = ref(1000)
const findings = computed(() => (values.value ? checkRecipe(values.value) : []))
const figures = computed(() =>
  values.value && !isRefused(findings.value) ? recipeFigures(values.value, fatsG.value) : undefined,
)
const missing = computed(() => (values.value ? missingShare(values.value.fats) : 0))

const choices = (own: string) =>
  fatTable
    .filter(({ key }) => key === own || !values.value?.fats.some(({ fatKey }) => fatKey === key))
    .map(({ key, name }) => ({ value: key, title: name }))

function addFat(): void {
  const free = fatTable.find(({ key }) => !values.value?.fats.some(({ fatKey }) => fatKey === key))
  if (free) values.value?.fats.push({ fatKey: free.key, share: Math.max(0, missing.value) })
}

async function takeRecipeAway(): Promise<void> {
  if (recipe.value && (await takeAway(endpoints.recipes, recipe.value))) await router.push('/formulate')
}
</script>

<template>
  <template v-if="recipe && values">
    <TheAnswer>
      <template v-if="figures">
        {{ show('mass', figures.fatsG) }} of fats take
        <span class="must">{{ show('mass', figures.naohG) }} of sodium hydroxide</span> in
        {{ show('mass', figures.waterG) }} of water.
      </template>
      <template v-else><span class="must">This recipe cannot be made as it stands.</span></template>
    </TheAnswer>
    <ConflictPanel v-if="theirDetails" :mine="values" :theirs="theirDetails" :labels="labels" @settle="settle" />

    <div class="columns">
      <section class="sheet stack">
        <div class="row head">
          <h2>The recipe</h2>
          <SaveState :status="status" :errors="errors" />
        </div>
        <v-text-field v-model="values.name" label="Name" :error-messages="errorOf('name') ?? []" />
        <fieldset>
          <legend class="eyebrow">Fats by share</legend>
          <div v-for="(line, index) in values.fats" :key="line.fatKey" class="fat" data-test="fat-line">
            <v-autocomplete
              v-model="line.fatKey"
              :items="choices(line.fatKey)"
              :label="`Fat ${index + 1}`"
              :error-messages="errorOf(`fats[${index}].fatKey`) ?? []"
              auto-select-first
            />
            <QuantityField
              v-model="line.share"
              kind="share"
              :range="shareRange"
              :label="`Share ${index + 1}`"
              :error="errorOf(`fats[${index}].share`)"
            />
            <v-btn
              :icon="mdiClose"
              size="small"
              variant="text"
              :aria-label="`Take fat ${index + 1} away`"
              @click="values.fats.splice(index, 1)"
            />
          </div>
          <div class="row">
            <v-btn size="small" :prepend-icon="mdiPlus" data-test="add-fat" @click="addFat">Fat</v-btn>
            <span v-if="missing !== 0" class="must">{{
              missing > 0 ? `${show('share', missing)} missing` : `${show('share', -missing)} too much`
            }}</span>
            <span v-else class="quiet">100 %</span>
          </div>
        </fieldset>
        <div class="fields">
          <QuantityField
            v-model="values.superfat"
            kind="share"
            :range="typedSuperfatRange"
            label="Superfat"
            :error="errorOf('superfat')"
          />
          <QuantityField
            v-model="values.lyeConcentration"
            kind="share"
            :range="lyeConcentrationRange"
            label="Lye concentration"
            :error="errorOf('lyeConcentration')"
          />
          <QuantityField
            v-model="values.naohPurity"
            kind="share"
            :range="typedPurityRange"
            label="Purity of the flakes"
            :error="errorOf('naohPurity')"
            :hint="`Certificate: ${show('share', naohPurityRange.min, 0)} to 100 %`"
          />
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
          <v-checkbox v-model="values.oven" label="Gelled in the oven overnight" />
        </div>
        <v-textarea v-model="values.notes" label="Notes for next time" :error-messages="errorOf('notes') ?? []" />
        <div class="row">
          <v-btn size="small" variant="text" color="error" @click="takeRecipeAway">Take the recipe away</v-btn>
        </div>
      </section>

      <div class="stack">
        <section class="sheet stack">
          <div class="row head">
            <h2>Lye</h2>
            <div class="narrow">
              <QuantityField v-model="fatsG" kind="mass" :range="fatsRange" label="For fats of" />
            </div>
          </div>
          <FindingList :findings="findings" />
          <template v-if="figures">
            <dl>
              <div>
                <dt>Sodium hydroxide</dt>
                <dd class="must" data-test="recipe-naoh">{{ show('mass', figures.naohG, 2) }}</dd>
              </div>
              <div>
                <dt>Water</dt>
                <dd data-test="recipe-water">{{ show('mass', figures.waterG, 2) }}</dd>
              </div>
              <div>
                <dt>Liquid at 20 °C</dt>
                <dd>{{ show('share', figures.liquidShare, 0) }}</dd>
              </div>
            </dl>
            <SuperfatBand :band="figures.band" />
            <p class="caution">
              Goggles, gloves, long sleeves, moving air. Lye into water, never water into lye; never aluminium. On skin:
              running water, not vinegar.
            </p>
          </template>
        </section>
        <section v-if="figures" class="sheet">
          <h2>What the fats bring</h2>
          <AcidGroups :groups="figures.groups" :unnamed-share="figures.unnamedShare" />
        </section>
        <ScaleToMould v-if="figures" :recipe="values" />
      </div>
    </div>
  </template>
  <TheAnswer v-else>There is no such recipe.</TheAnswer>
</template>

<style scoped>
.narrow {
  width: 140px;
}

.fat {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 110px 40px;
  gap: 8px;
  margin-bottom: 10px;
}

dl {
  display: flex;
  gap: 32px;
}

dt {
  font-size: 0.85rem;
  color: rgb(var(--v-theme-quiet));
}

dd {
  font-family: var(--serif);
  font-size: 1.7rem;
  font-weight: 600;
}

.caution {
  font-size: 0.85rem;
}
</style>
