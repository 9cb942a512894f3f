<script setup lang="ts">
import FindingList from '@/parts/FindingList.vue'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import type { Fat } from '@vendange/core/fats'
import type { Finding } from '@vendange/core/findings'
import type { RecipeFigures } from '@vendange/core/recipe'
import { cautionWords, weightPartWords } from '@vendange/words'
import SuperfatBand from './SuperfatBand.vue'

/** What a recipe takes of alkali, water and the rest for a mass of fats, or why it cannot be made. */
defineProps<{
  findings: readonly Finding[]
  figures: RecipeFigures | undefined
  /** Of its fats those narrowed by a certificate. */
  certified: readonly Fat[]
}>()
const fatsG = defineModel<number>('fatsG', { required: true })
const { show, weighed, fineMass } = useUnits()
const fatsRange = { min: 10, max: 50_000 }
</script>

<template>
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
          <dd class="must" data-test="recipe-naoh">{{ weighed(figures.naohG) }}</dd>
        </div>
        <div v-if="figures.kohG > 0">
          <dt>Potassium hydroxide</dt>
          <dd class="must" data-test="recipe-koh">{{ weighed(figures.kohG) }}</dd>
        </div>
        <div>
          <dt>Water</dt>
          <dd data-test="recipe-water">{{ weighed(figures.plainWaterG - figures.wettingWaterG) }}</dd>
        </div>
        <div v-if="figures.wettingWaterG > 0">
          <dt>{{ weightPartWords.wetting_water }}</dt>
          <dd data-test="recipe-wetting">{{ fineMass(figures.wettingWaterG) }}</dd>
        </div>
        <div v-for="liquid in figures.liquids" :key="liquid.name">
          <dt>{{ liquid.name }}</dt>
          <dd>{{ weighed(liquid.massG) }}</dd>
        </div>
        <div v-for="additive in figures.additives" :key="additive.name">
          <dt>{{ additive.name }}</dt>
          <dd>{{ fineMass(additive.massG) }}</dd>
        </div>
        <div>
          <dt>Liquid at {{ show('temperature', 20) }}</dt>
          <dd>{{ show('share', figures.liquidShare, 0) }}</dd>
        </div>
      </dl>
      <SuperfatBand :band="figures.band" />
      <p v-if="certified.length > 0" class="quiet" data-test="certified">
        Narrowed by the certificates of the lots at hand:
        {{
          certified
            .map(({ name, saponificationValue }) => `${name} ${saponificationValue.typical} mg KOH/g`)
            .join(', ')
        }}.
      </p>
      <p class="caution">{{ cautionWords.lye }}</p>
    </template>
  </section>
</template>

<style scoped>
.narrow {
  width: 140px;
}

dl {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 32px;
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
