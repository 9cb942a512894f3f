<script setup lang="ts">
import BatchWeights from '@/parts/BatchWeights.vue'
import FindingList from '@/parts/FindingList.vue'
import { useUnits } from '@/parts/format'
import MouldRows from '@/parts/MouldRows.vue'
import PartsTable from '@/parts/PartsTable.vue'
import QuantityField from '@/parts/QuantityField.vue'
import { useSeason } from '@/parts/seasonStore'
import { barsRange, labelMassRange } from '@vendange/contract'
import type { ScaleAim } from '@vendange/core/batch'
import { mouldsFor, scaleDesign } from '@vendange/core/batch'
import { isRefused } from '@vendange/core/findings'
import { shapeOf } from '@vendange/core/mould'
import type { Recipe } from '@vendange/core/recipe'
import { fatOf, massRange } from '@vendange/core/recipe'
import { counted } from '@vendange/words'
import { useKeptFields } from '@/parts/useKeptFields'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'

/** What the recipe weighs, scaled to moulds, bars, a label, a mass of batter or the fat that is left. */
const props = defineProps<{ recipe: Recipe }>()
const season = useSeason()
const { show, thickness } = useUnits()
const chosen = ref(season.moulds.slice(0, 1).map(({ id }) => ({ mouldId: id, count: 1 })))

const aims: readonly { value: ScaleAim['by']; title: string }[] = [
  { value: 'moulds', title: 'Moulds, filled as usual' },
  { value: 'bars', title: 'Bars wanted' },
  { value: 'label', title: 'Mass of a cured bar' },
  { value: 'mass', title: 'A mass of batter' },
  { value: 'fat', title: 'The fat that is left' },
]
const by = ref<ScaleAim['by']>('moulds')
const bars = ref(24)
const labelMassG = ref(100)
const batterG = ref(2000)
const fatKey = ref(props.recipe.fats[0]?.fatKey ?? '')
const fatLeftG = ref(500)
const route = useRoute()
useKeptFields(`scale:${route.path}`, { chosen, by, bars, labelMassG, batterG, fatKey, fatLeftG })
const fats = computed(() =>
  props.recipe.fats.map((line) => ({ value: line.fatKey, title: fatOf(props.recipe, line.fatKey)?.name ?? '' })),
)
const aim = computed((): ScaleAim => {
  if (by.value === 'bars') return { by: 'bars', bars: bars.value }
  if (by.value === 'label') return { by: 'label', labelMassG: labelMassG.value }
  if (by.value === 'mass') return { by: 'mass', batterG: batterG.value }
  if (by.value === 'fat') return { by: 'fat', fatKey: fatKey.value, massG: fatLeftG.value }
  return { by: 'moulds' }
})

const kinds = computed(() =>
  chosen.value.flatMap(({ mouldId, count }) => {
    const mould = season.mould(mouldId)
    return mould ? [{ mould, count }] : []
  }),
)
const aimed = computed(() =>
  season.workshop ? mouldsFor(aim.value, kinds.value, props.recipe, season.workshop) : { kinds: [], findings: [] },
)
const scaled = computed(() => {
  const [first, ...more] = aimed.value.kinds
  if (!first || !season.workshop || isRefused(aimed.value.findings)) return undefined
  const wanted = { barsWanted: by.value === 'bars' ? bars.value : 1, labelMassG: 1 }
  const design = { name: '', scent: null, colours: [], mouldCount: first.count, ...wanted }
  return scaleDesign({ design, recipe: props.recipe, mould: first.mould, more, settings: season.workshop })
})
/** How the moulds are filled, where that is not as usual. */
const fillWords = computed(() =>
  by.value === 'moulds' || by.value === 'bars'
    ? []
    : aimed.value.kinds.map(({ mould }) =>
        shapeOf(mould) === 'cavities'
          ? `${mould.name}: ${mould.cavityCount} cavities`
          : `${mould.name}: filled to ${show('length', mould.fillHeightMm)}, cut ${thickness(mould.barThicknessMm)} thick`,
      ),
)
</script>

<template>
  <section class="sheet stack" data-test="scale-to">
    <h2>Scaled, unscented</h2>
    <p v-if="season.moulds.length === 0" class="quiet">
      Draw a mould in the <RouterLink to="/stores">stores</RouterLink> first.
    </p>
    <template v-else>
      <div class="fields">
        <v-select v-model="by" :items="aims" label="Scaled to" data-test="scale-by" />
        <QuantityField v-if="by === 'bars'" v-model="bars" kind="count" :range="barsRange" label="Bars wanted" />
        <QuantityField
          v-else-if="by === 'label'"
          v-model="labelMassG"
          kind="mass"
          :range="labelMassRange"
          label="A cured bar weighs"
        />
        <QuantityField
          v-else-if="by === 'mass'"
          v-model="batterG"
          kind="mass"
          :range="massRange"
          label="Batter in all"
        />
        <template v-else-if="by === 'fat'">
          <v-select v-model="fatKey" :items="fats" label="Of which fat" data-test="scale-fat" />
          <QuantityField v-model="fatLeftG" kind="mass" :range="massRange" label="Is left" />
        </template>
      </div>
      <MouldRows v-model="chosen" />
    </template>
    <FindingList :findings="aimed.findings" />
    <template v-if="scaled">
      <p v-if="by === 'bars'" data-test="scale-answer">
        {{ aimed.kinds[0]?.count }} × {{ aimed.kinds[0]?.mould.name }} give {{ counted(scaled.bars, 'bar') }}.
      </p>
      <ul v-if="fillWords.length > 0" class="plain" data-test="scale-answer">
        <li v-for="words in fillWords" :key="words">{{ words }}.</li>
      </ul>
      <FindingList :findings="scaled.findings" />
      <PartsTable :scaled="scaled" :names="kinds.map(({ mould }) => mould.name)" />
      <BatchWeights :scaled="scaled" />
    </template>
  </section>
</template>
