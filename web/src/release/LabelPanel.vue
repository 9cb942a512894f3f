<script setup lang="ts">
import { runChange } from '@/parts/runChange'
import { api } from '@/parts/api'
import ChoiceButtons from '@/parts/ChoiceButtons.vue'
import { useUnits } from '@/parts/format'
import { useOwnScreen } from '@/parts/ownScreen'
import QuantityField from '@/parts/QuantityField.vue'
import { useSeason } from '@/parts/seasonStore'
import { mdiPrinterOutline } from '@mdi/js'
import type { LoafView } from '@vendange/contract'
import { addressOf, endpoints } from '@vendange/contract'
import type { LabelStyle } from '@vendange/core/release'
import { labelLacksSentence, labelOf, usualStock } from '@vendange/core/release'
import { labelLines } from '@vendange/words'
import { useLabelStocks } from './useLabelStocks'
import { usePrinting } from './usePrinting'
import { computed, ref } from 'vue'

/** The label of a loaf as it is printed. What it must say is decided by local law and a licensed assessor. */
const props = defineProps<{ view: LoafView }>()
const season = useSeason()
const screen = useOwnScreen()
const { say } = useUnits()
const styles = [
  { value: 'eu', words: 'EU, UK' },
  { value: 'us', words: 'US' },
] as const
const style = computed<LabelStyle>({
  get: () => season.workshop?.labelStyle ?? 'eu',
  set: (labelStyle) => {
    const now = season.workshop
    if (!now) return
    void runChange(async () => {
      await api(endpoints.updateWorkshop, { body: { ...now, labelStyle } })
      await season.load()
    })
  },
})
const label = computed(
  () =>
    season.workshop &&
    labelOf(props.view.loaf, props.view.plan, props.view.namesOnLabel, season.workshop, season.today),
)
const lines = computed(() => (label.value ? labelLines(label.value.terms, label.value.ingredients) : []))
const lacks = computed(() => (label.value ? labelLacksSentence(label.value.lacks) : undefined))
const stocks = useLabelStocks()
const stock = ref(usualStock(season.workshop?.lengthUnit ?? 'mm', 'labels').key)
const count = ref(props.view.loaf.state.cut?.bars ?? 1)
const countRange = { min: 1, max: 2000 }
const { share, trouble, print } = usePrinting()
const printLabels = () =>
  print(
    (job) =>
      `${addressOf(endpoints.release.labels, { id: props.view.loaf.id })}?stock=${stock.value}&count=${count.value}&job=${job}`,
    `labels-${props.view.loaf.lotCode}.pdf`,
  )
</script>

<template>
  <section class="sheet stack" data-test="label-panel">
    <div class="row head">
      <h2>Its label</h2>
      <ChoiceButtons v-if="screen.may(endpoints.updateWorkshop)" v-model="style" :choices="styles" label="Style" />
    </div>
    <div class="label">
      <p v-for="(line, at) in lines" :key="at" :class="{ name: at === 0 }">{{ line }}</p>
    </div>
    <p v-if="lacks" class="must" data-test="label-lacks">
      {{ say(lacks) }} INCI names stand in the <RouterLink to="/stores">stores</RouterLink>, the address in the
      <RouterLink to="/workshop">workshop</RouterLink>.
    </p>
    <p class="quiet small">
      Reckoned from typical values (estimate); scent allergens by the certificate. Local law and a licensed assessor
      decide.
    </p>
    <div class="fields">
      <v-select v-model="stock" :items="stocks" label="Sheet" class="wide" />
      <QuantityField v-model="count" kind="count" :range="countRange" label="Labels" />
    </div>
    <div class="row">
      <v-btn
        :prepend-icon="mdiPrinterOutline"
        :disabled="share !== undefined"
        data-test="print-labels"
        @click="printLabels"
        >Labels as PDF</v-btn
      >
      <template v-if="share !== undefined">
        <v-progress-linear
          :model-value="share * 100"
          :indeterminate="share === 0"
          aria-label="Labels made"
          class="made"
        />
        <span class="quiet" role="status">{{
          share === 0 ? 'Laying them out' : `${Math.round(share * 100)} % made`
        }}</span>
      </template>
    </div>
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.made {
  width: 160px;
}

.label {
  padding: 10px 12px;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 4px;
  font-size: 0.85rem;
}

.name {
  font-family: var(--serif);
  font-size: 1.15rem;
}

.small {
  font-size: 0.88rem;
}
</style>
