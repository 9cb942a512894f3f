<script setup lang="ts">
import { useErrorOf } from '@/parts/errorOf'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import type { NewRecipe } from '@vendange/contract'
import {
  concentrationOfFatsShare,
  concentrationOfRatio,
  kohShareRange,
  lyeConcentrationRange,
  naohPurityRange,
  typedSuperfatRange,
  waterFigures,
} from '@vendange/core/recipe'
import { computed } from 'vue'

/** Superfat, alkali and water. The maker keeps one of three figures for the water; the others follow. */
const errorOf = useErrorOf()
const props = defineProps<{
  values: NewRecipe
  /** g of alkali for each g of fats; undefined while the recipe cannot be made. */
  alkaliPerFats: number | undefined
}>()
const emit = defineEmits<{ change: [change: Partial<NewRecipe>] }>()
const { show } = useUnits()
const typedPurityRange = { min: 0, max: 2 }
const shareRange = { min: 0, max: 1 }
const ratioRange = { min: 1, max: 4 }

const styles = [
  { value: 'lye_concentration', title: 'Lye concentration' },
  { value: 'water_to_lye', title: 'Water to lye' },
  { value: 'share_of_fats', title: 'Water to fats' },
] as const
const water = computed(() => waterFigures(props.values.lyeConcentration, props.alkaliPerFats ?? 0.14))
const usual = computed(() => `Usual: ${show('share', 0.28, 0)} to ${show('share', 0.36, 0)} lye, an estimate`)

const set = (change: Partial<NewRecipe>): void => emit('change', change)
function setRatio(ratio: number | null): void {
  if (ratio !== null) set({ lyeConcentration: concentrationOfRatio(ratio) })
}
function setShareOfFats(share: number | null): void {
  if (share !== null && props.alkaliPerFats !== undefined)
    set({ lyeConcentration: concentrationOfFatsShare(share, props.alkaliPerFats) })
}
</script>

<template>
  <div class="fields">
    <QuantityField
      :model-value="values.superfat"
      kind="share"
      :range="typedSuperfatRange"
      label="Superfat"
      :error="errorOf('superfat')"
      @update:model-value="$event !== null && set({ superfat: $event })"
    />
    <v-select
      :model-value="values.waterStyle"
      :items="styles"
      label="Water stated as"
      data-test="water-style"
      @update:model-value="set({ waterStyle: $event })"
    />
    <QuantityField
      v-if="values.waterStyle === 'lye_concentration'"
      :model-value="values.lyeConcentration"
      kind="share"
      :range="lyeConcentrationRange"
      label="Lye concentration"
      :hint="usual"
      :error="errorOf('lyeConcentration')"
      @update:model-value="$event !== null && set({ lyeConcentration: $event })"
    />
    <QuantityField
      v-else-if="values.waterStyle === 'water_to_lye'"
      :model-value="water.waterToLye"
      kind="number"
      :range="ratioRange"
      :digits="2"
      label="Water to lye"
      hint="Grams of water for each gram of lye"
      :error="errorOf('lyeConcentration')"
      @update:model-value="setRatio"
    />
    <QuantityField
      v-else
      :model-value="water.shareOfFats"
      kind="share"
      :range="shareRange"
      label="Water to fats"
      hint="Share of the fats’ mass"
      :error="errorOf('lyeConcentration')"
      @update:model-value="setShareOfFats"
    />
    <QuantityField
      :model-value="values.naohPurity"
      kind="share"
      :range="typedPurityRange"
      label="Purity of the flakes"
      :error="errorOf('naohPurity')"
      :hint="`Certificate: ${show('share', naohPurityRange.min, 0)} to 100 %`"
      @update:model-value="$event !== null && set({ naohPurity: $event })"
    />
    <QuantityField
      :model-value="values.kohShare"
      kind="share"
      :range="shareRange"
      label="Of it potassium hydroxide"
      :hint="`By moles, up to ${show('share', kohShareRange.max, 0)}`"
      :error="errorOf('kohShare')"
      @update:model-value="$event !== null && set({ kohShare: $event })"
    />
    <QuantityField
      v-if="values.kohShare > 0"
      :model-value="values.kohPurity"
      kind="share"
      :range="typedPurityRange"
      label="Its purity"
      hint="Flakes usually 90 %"
      :error="errorOf('kohPurity')"
      @update:model-value="$event !== null && set({ kohPurity: $event })"
    />
  </div>
  <p v-if="alkaliPerFats !== undefined" class="quiet" data-test="water-figures">
    That is a lye of {{ show('share', water.lyeConcentration, 1) }}, {{ water.waterToLye.toFixed(2) }} times as much
    water as lye, {{ show('share', water.shareOfFats, 1) }} of the fats. Above 50 % it no longer dissolves.
  </p>
</template>
