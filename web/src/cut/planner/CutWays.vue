<script setup lang="ts">
import ChoiceButtons from '@/parts/ChoiceButtons.vue'
import FindingList from '@/parts/FindingList.vue'
import { useUnits } from '@/parts/format'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import { mdiPrinterOutline } from '@mdi/js'
import type { LoafSummary } from '@vendange/contract'
import type { CutPlan } from '@vendange/core/cutting'
import { cutStages, evenMarks, explainWaste, toolUses } from '@vendange/core/cutting'
import type { Finding } from '@vendange/core/findings'
import { amid, counted } from '@vendange/words'
import { computed, ref, watch } from 'vue'
import CutDrawing from './CutDrawing.vue'
import type { CutWish } from './cutWish'

/** The best ways to cut what is wanted, and of the chosen one its drawing, its marks and its passes. */
const props = defineProps<{
  loaf: LoafSummary
  wish: CutWish
  plans: readonly CutPlan[]
  findings: readonly Finding[]
}>()
const season = useSeason()
const { show, say } = useUnits()

const chosen = ref(0)
watch(
  () => props.plans,
  () => (chosen.value = 0),
)
const plan = computed(() => props.plans[chosen.value])

const wayWords = { as_poured: 'as poured', turned: 'turned on their side' } as const
const roundWords = { along: 'along', across: 'across' } as const
const choices = computed(() =>
  props.plans.map((one, value) => ({
    value,
    words: `${one.pieces}: logs ${roundWords[one.round]}, ${wayWords[one.way]}`,
    test: `cut-choice-${value}`,
  })),
)
const countsOf = (one: CutPlan): string =>
  one.counts
    .flatMap((count, kind) => (count > 0 ? [counted(count, amid(props.wish.pieces[kind]?.name ?? ''))] : []))
    .join(', ')
const verdict = computed(() =>
  plan.value
    ? `${countsOf(plan.value)}; ${show('share', plan.value.wasteShare, 0)} of the block is trims, cuts and offcuts.`
    : 'Nothing of this comes out of the block.',
)
const explained = computed(() => {
  const { block, pieces, allowances } = props.wish
  const why = plan.value && explainWaste(block, pieces, plan.value, allowances)
  return why ? [why] : []
})
const stages = computed(() =>
  plan.value ? cutStages(props.wish.block, props.wish.pieces, plan.value, props.wish.allowances) : [],
)
const hasRow = (atMm: readonly number[]): boolean => evenMarks(atMm).some(({ everyMm }) => everyMm !== undefined)
const markWords = (atMm: readonly number[]): string =>
  evenMarks(atMm)
    .map(({ fromMm, toMm, everyMm }) =>
      everyMm === undefined
        ? show('length', fromMm, 1)
        : `every ${show('length', everyMm, 1)} from ${show('length', fromMm, 1)} to ${show('length', toMm, 1)}`,
    )
    .join(', ')
const uses = computed(() => (plan.value ? toolUses(plan.value, season.workshop?.cutTools ?? []) : []))
const stageWords = { logs: 'logs', bars: 'bars' } as const
const facing = computed(() => ({
  ...(season.design(props.loaf.designId) ?? { name: props.loaf.name, colours: [] }),
  face: { way: plan.value?.way ?? ('as_poured' as const), log: 0, bar: 1, layer: 0, isFar: false },
}))
const print = (): void => window.print()
</script>

<template>
  <section class="sheet stack">
    <div class="row head">
      <h2 data-test="cut-verdict">{{ verdict }}</h2>
      <v-btn class="no-print" :prepend-icon="mdiPrinterOutline" variant="text" @click="print">Print</v-btn>
    </div>
    <ChoiceButtons v-if="plans.length > 1" v-model="chosen" class="no-print" :choices="choices" label="Ways to cut" />
    <div v-if="plan" class="row picture">
      <CutDrawing :block="wish.block" :pieces="wish.pieces" :plan="plan" :allowances="wish.allowances" />
      <figure>
        <SoapFace :name="`${loaf.name}, ${wayWords[plan.way]}`" :soap="facing" :width="170" :height="118" />
        <figcaption>Its face, {{ wayWords[plan.way] }}</figcaption>
      </figure>
    </div>
    <FindingList :findings="[...findings, ...explained]" />
    <div v-for="stage in stages" :key="stage.key">
      <h3>{{ say(stage.title) }}</h3>
      <p v-for="mark in stage.marks" :key="say(mark.of)" class="marks">
        {{ say(mark.of) }}: <b>{{ markWords(mark.atMm) }}</b>
        <span v-if="hasRow(mark.atMm)" class="quiet">
          ({{ mark.atMm.map((mm) => show('length', mm, 1)).join(', ') }})</span
        >
      </p>
    </div>
    <p v-if="uses.length > 0" class="quiet">
      <template v-for="use in uses" :key="`${use.tool.name}${use.stage}`">
        {{ use.tool.name }}, {{ stageWords[use.stage] }}:
        {{
          use.passes === undefined
            ? `not at its spacing of ${show('length', use.tool.spacingMm, 0)}`
            : use.passes === 1
              ? 'one pass'
              : `${use.passes} passes`
        }}.
      </template>
    </p>
  </section>
</template>

<style scoped>
.picture {
  align-items: flex-start;
  gap: 20px;
}

figure {
  margin: 0;
}

.marks {
  font-variant-numeric: tabular-nums;
}
</style>
