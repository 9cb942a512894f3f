<script setup lang="ts">
import QuantityField from '@/parts/QuantityField.vue'
import RemovableRow from '@/parts/RemovableRow.vue'
import { mdiPlus } from '@mdi/js'
import type { NewRecipe } from '@vendange/contract'
import { contentKeys } from '@vendange/core/fats'
import { contentWords } from '@vendange/words'
import { additiveRateRanges, waterShareRange, wettingRatioRange } from '@vendange/core/recipe'

/** Liquids other than water, and additives. */
const values = defineModel<NewRecipe>({ required: true })
defineProps<{ errorOf: (path: string) => string | undefined }>()
const shareRange = { min: 0, max: 1 }

const liquidPlaces = [
  { value: 'lye', title: 'In the lye' },
  { value: 'fats', title: 'In the fats' },
  { value: 'emulsion', title: 'At emulsion' },
] as const
const additivePlaces = [...liquidPlaces, { value: 'trace', title: 'At trace' }] as const
const bases = [
  { value: 'fats', title: 'of the fats' },
  { value: 'batter', title: 'of the batter' },
  { value: 'bar', title: 'in each bar' },
] as const
const wettings = [
  { value: null, title: 'As it is' },
  { value: 'water', title: 'In water' },
  { value: 'fat', title: 'In fat' },
] as const
const contents = contentKeys.map((value) => ({ value, title: contentWords[value] }))

type Additive = NewRecipe['additives'][number]
function wet(additive: Additive, how: 'water' | 'fat' | null): void {
  additive.wetting = how === null ? null : { with: how, ratio: additive.wetting?.ratio ?? 2 }
}
function setBasis(additive: Additive, basis: Additive['basis']): void {
  // A share of something and grams for a bar are no measure of each other.
  if ((basis === 'bar') !== (additive.basis === 'bar')) additive.rate = basis === 'bar' ? 1 : 0.01
  additive.basis = basis
}
const addLiquid = (): void => {
  values.value.liquids.push({ name: 'Milk', waterShare: 0.88, partOfWater: 0.5, place: 'lye', contains: ['animal'] })
}
const addAdditive = (): void => {
  values.value.additives.push({
    name: 'White clay',
    basis: 'fats',
    rate: 0.01,
    place: 'emulsion',
    wetting: { with: 'water', ratio: 2 },
    contains: [],
  })
}
</script>

<template>
  <fieldset>
    <legend class="eyebrow">Liquids besides water</legend>
    <RemovableRow
      v-for="(liquid, index) in values.liquids"
      :key="index"
      :label="`Take liquid ${index + 1} away`"
      @remove="values.liquids.splice(index, 1)"
    >
      <div class="parts" data-test="liquid">
        <v-text-field
          v-model="liquid.name"
          :label="`Liquid ${index + 1}`"
          maxlength="80"
          :error-messages="errorOf(`liquids[${index}].name`) ?? []"
        />
        <QuantityField
          v-model="liquid.partOfWater"
          kind="share"
          :range="shareRange"
          label="Of the water"
          :error="errorOf(`liquids[${index}].partOfWater`)"
        />
        <QuantityField
          v-model="liquid.waterShare"
          kind="share"
          :range="waterShareRange"
          label="Water in it"
          :error="errorOf(`liquids[${index}].waterShare`)"
        />
        <v-select v-model="liquid.place" :items="liquidPlaces" label="Goes in" />
        <v-select v-model="liquid.contains" :items="contents" label="Contains" multiple />
      </div>
    </RemovableRow>
    <v-btn size="small" :prepend-icon="mdiPlus" data-test="add-liquid" @click="addLiquid">Liquid</v-btn>
  </fieldset>
  <fieldset>
    <legend class="eyebrow">Additives</legend>
    <RemovableRow
      v-for="(additive, index) in values.additives"
      :key="index"
      :label="`Take additive ${index + 1} away`"
      @remove="values.additives.splice(index, 1)"
    >
      <div class="parts" data-test="additive">
        <v-text-field
          v-model="additive.name"
          :label="`Additive ${index + 1}`"
          maxlength="80"
          :error-messages="errorOf(`additives[${index}].name`) ?? []"
        />
        <QuantityField
          :key="additive.basis === 'bar' ? 'bar' : 'share'"
          v-model="additive.rate"
          :kind="additive.basis === 'bar' ? 'mass' : 'share'"
          :range="additiveRateRanges[additive.basis]"
          label="How much"
          :digits="2"
          :error="errorOf(`additives[${index}].rate`)"
        />
        <v-select
          :model-value="additive.basis"
          :items="bases"
          label="Reckoned"
          @update:model-value="setBasis(additive, $event)"
        />
        <v-select v-model="additive.place" :items="additivePlaces" label="Goes in" />
        <v-select
          :model-value="additive.wetting?.with ?? null"
          :items="wettings"
          label="Wetted"
          @update:model-value="wet(additive, $event)"
        />
        <QuantityField
          v-if="additive.wetting"
          v-model="additive.wetting.ratio"
          kind="number"
          :range="wettingRatioRange"
          label="Times its mass"
          :error="errorOf(`additives[${index}].wetting.ratio`)"
        />
        <v-select v-model="additive.contains" :items="contents" label="Contains" multiple />
      </div>
    </RemovableRow>
    <v-btn size="small" :prepend-icon="mdiPlus" data-test="add-additive" @click="addAdditive">Additive</v-btn>
  </fieldset>
</template>

<style scoped>
.parts {
  display: grid;
  flex: 1;
  grid-template-columns: repeat(auto-fill, minmax(118px, 1fr));
  gap: 10px 8px;
  margin-bottom: 12px;
}

.parts > :first-child {
  grid-column: span 2;
}
</style>
