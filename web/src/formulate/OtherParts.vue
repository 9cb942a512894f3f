<script setup lang="ts">
import { useErrorOf } from '@/parts/errorOf'
import { fieldOf, useRows } from '@/parts/useRows'
import { useSeason } from '@/parts/seasonStore'
import QuantityField from '@/parts/QuantityField.vue'
import RemovableRow from '@/parts/RemovableRow.vue'
import { mdiPlus } from '@mdi/js'
import type { NewRecipe } from '@vendange/contract'
import { contentKeys } from '@vendange/core/fats'
import { contentWords } from '@vendange/words'
import {
  additiveRateRanges,
  hasAcid,
  usualAdditive,
  usualLiquid,
  waterShareRange,
  wettingRatioRange,
} from '@vendange/core/recipe'
import { computed } from 'vue'
import PartName from './PartName.vue'
import PartTold from './PartTold.vue'

/** Liquids other than water, and additives. */
const values = defineModel<NewRecipe>({ required: true })
const liquids = useRows(fieldOf(values, 'liquids'))
const additives = useRows(fieldOf(values, 'additives'))
const errorOf = useErrorOf()
const season = useSeason()
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
function wet(index: number, how: 'water' | 'fat' | null): void {
  const ratio = values.value.additives[index]?.wetting?.ratio ?? 2
  additives.set(index, { wetting: how === null ? null : { with: how, ratio } })
}
function setBasis(index: number, basis: Additive['basis']): void {
  // A share of something and grams for a bar are no measure of each other.
  const isOther = (basis === 'bar') !== (values.value.additives[index]?.basis === 'bar')
  additives.set(index, { basis, ...(isOther ? { rate: basis === 'bar' ? 1 : 0.01 } : {}) })
}
const known = computed(() => season.view?.knownMakeups ?? [])
/** As the library and the stores know it. */
function liquidOf(name: string): NewRecipe['liquids'][number] {
  const usual = usualLiquid(name, known.value)
  return { ...usual, contains: [...usual.contains] }
}
function additiveOf(name: string): Additive {
  const usual = usualAdditive(name)
  return { ...usual, contains: [...usual.contains] }
}
const addLiquid = (): void => {
  liquids.add(liquidOf('Milk'))
}
const addAdditive = (): void => {
  additives.add(additiveOf('White clay'))
}
const hasAcidIn = computed(() => hasAcid(values.value))
</script>

<template>
  <fieldset>
    <legend class="eyebrow">Liquids besides water</legend>
    <RemovableRow
      v-for="(liquid, index) in values.liquids"
      :key="index"
      :what="`liquid ${index + 1}`"
      @remove="liquids.remove(index)"
    >
      <div class="parts" data-test="liquid">
        <PartName
          kind="liquid"
          :model-value="liquid.name"
          :label="`Liquid ${index + 1}`"
          :error="errorOf(`liquids[${index}].name`)"
          @update:model-value="liquids.set(index, { name: $event })"
          @chosen="liquids.set(index, liquidOf($event))"
        />
        <QuantityField
          :model-value="liquid.partOfWater"
          kind="share"
          :range="shareRange"
          label="Of the water"
          :error="errorOf(`liquids[${index}].partOfWater`)"
          @update:model-value="liquids.set(index, { partOfWater: $event })"
        />
        <QuantityField
          :model-value="liquid.waterShare"
          kind="share"
          :range="waterShareRange"
          label="Water in it"
          :error="errorOf(`liquids[${index}].waterShare`)"
          @update:model-value="liquids.set(index, { waterShare: $event })"
        />
        <v-select
          :model-value="liquid.place"
          :items="liquidPlaces"
          label="Goes in"
          @update:model-value="liquids.set(index, { place: $event })"
        />
        <v-select
          :model-value="liquid.contains"
          :items="contents"
          label="Contains"
          multiple
          @update:model-value="liquids.set(index, { contains: $event })"
        />
        <PartTold class="all" kind="liquid" :name="liquid.name" />
      </div>
    </RemovableRow>
    <v-btn size="small" :prepend-icon="mdiPlus" data-test="add-liquid" @click="addLiquid">Liquid</v-btn>
  </fieldset>
  <fieldset>
    <legend class="eyebrow">Additives</legend>
    <RemovableRow
      v-for="(additive, index) in values.additives"
      :key="index"
      :what="`additive ${index + 1}`"
      @remove="additives.remove(index)"
    >
      <div class="parts" data-test="additive">
        <PartName
          kind="additive"
          :model-value="additive.name"
          :label="`Additive ${index + 1}`"
          :error="errorOf(`additives[${index}].name`)"
          @update:model-value="additives.set(index, { name: $event })"
          @chosen="additives.set(index, additiveOf($event))"
        />
        <QuantityField
          :key="additive.basis === 'bar' ? 'bar' : 'share'"
          :model-value="additive.rate"
          :kind="additive.basis === 'bar' ? 'mass' : 'share'"
          :range="additiveRateRanges[additive.basis]"
          label="How much"
          :digits="2"
          :error="errorOf(`additives[${index}].rate`)"
          @update:model-value="additives.set(index, { rate: $event })"
        />
        <v-select
          :model-value="additive.basis"
          :items="bases"
          label="Reckoned"
          @update:model-value="setBasis(index, $event)"
        />
        <v-select
          :model-value="additive.place"
          :items="additivePlaces"
          label="Goes in"
          @update:model-value="additives.set(index, { place: $event })"
        />
        <v-select
          :model-value="additive.wetting?.with ?? null"
          :items="wettings"
          label="Wetted"
          @update:model-value="wet(index, $event)"
        />
        <QuantityField
          v-if="additive.wetting"
          :model-value="additive.wetting.ratio"
          kind="number"
          :range="wettingRatioRange"
          label="Times its mass"
          :error="errorOf(`additives[${index}].wetting.ratio`)"
          @update:model-value="additives.set(index, { wetting: { ...additive.wetting, ratio: $event } })"
        />
        <v-select
          :model-value="additive.contains"
          :items="contents"
          label="Contains"
          multiple
          @update:model-value="additives.set(index, { contains: $event })"
        />
        <PartTold class="all" kind="additive" :name="additive.name" />
      </div>
    </RemovableRow>
    <v-checkbox
      v-if="hasAcidIn"
      :model-value="values.meetsAcids === true"
      label="More lye for what acids take up"
      data-test="meets-acids"
      @update:model-value="values = { ...values, meetsAcids: $event === true }"
    />
    <v-btn size="small" :prepend-icon="mdiPlus" data-test="add-additive" @click="addAdditive">Additive</v-btn>
  </fieldset>
</template>

<style scoped>
.parts {
  display: grid;
  flex: 1;
  grid-template-columns: repeat(auto-fill, minmax(max(118px, var(--least-field)), 1fr));
  gap: 10px 8px;
  margin-bottom: 12px;
}

.parts > :first-child {
  grid-column: span 2;
}

.parts > .all {
  grid-column: 1 / -1;
}
</style>
