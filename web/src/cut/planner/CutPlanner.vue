<script setup lang="ts">
import ChoiceButtons from '@/parts/ChoiceButtons.vue'
import FindingList from '@/parts/FindingList.vue'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import RemovableRow from '@/parts/RemovableRow.vue'
import { useSeason } from '@/parts/seasonStore'
import SoapFace from '@/parts/SoapFace.vue'
import { useLatest } from '@/parts/useLatest'
import { startCutPlanner } from '@/workers/cutPlanner'
import { mdiPlus, mdiPrinterOutline } from '@mdi/js'
import type { LoafSummary, SavedMould } from '@vendange/contract'
import type { CutPlan, Piece, RoughBlock } from '@vendange/core/cutting'
import {
  checkPieces,
  cutStages,
  evenMarks,
  faceSideRange,
  mostPieceKinds,
  pieceMasses,
  thicknessForMass,
  thicknessForMouldBars,
  toolUses,
  usualPiece,
} from '@vendange/core/cutting'
import { barThicknessRange, blockOf, endTrimRange, kerfRange, mouldSideRange } from '@vendange/core/mould'
import { computed, onBeforeUnmount, reactive, ref, watch } from 'vue'
import CutDrawing from './CutDrawing.vue'
import KeepsLabel from './KeepsLabel.vue'

/** The best ways to cut a loaf: what is wanted, what can be taken off, and what each way gives. */
const props = defineProps<{ loaf: LoafSummary; mould: SavedMould }>()
const season = useSeason()
const { show, barMass, say } = useUnits()

const block = reactive<RoughBlock & Record<string, number>>({ ...blockOf(props.mould) })
/** The mould, cut as it was planned for this loaf: as quoted, where that differs from its usual cut. */
const asPlanned = computed(() => ({
  ...props.mould,
  barThicknessMm: props.loaf.barThicknessMm ?? props.mould.barThicknessMm,
}))
const pieces = ref<Piece[]>([usualPiece(asPlanned.value)])
const allowances = reactive({ endMm: props.mould.endTrimMm, sideMm: 0, topMm: 0, kerfMm: props.mould.kerfMm })
const blockG = computed(() => props.loaf.state.batterG ?? 0)
const cureLoss = computed(() => season.workshop?.cureLoss ?? 0)
const design = computed(() => season.design(props.loaf.designId))

const countRange = { min: 1, max: 400 }
const massRange = { min: 5, max: 2000 }
const wishedBars = ref<number | null>(null)
const wishedG = ref<number | null>(null)
const wishProblem = ref<string>()
function setFirst(change: Partial<Piece>): void {
  pieces.value = pieces.value.map((piece, at) => (at === 0 ? { ...piece, ...change } : piece))
}
function byCount(bars: number | null): void {
  wishedBars.value = bars
  wishProblem.value = undefined
  if (bars === null) return
  const thicknessMm = thicknessForMouldBars({ ...props.mould, ...allowances, endTrimMm: allowances.endMm }, bars)
  if (thicknessMm === undefined) wishProblem.value = `No bar of a usual thickness gives ${bars} from this loaf.`
  else setFirst({ thicknessMm })
}
function byMass(curedG: number | null): void {
  wishedG.value = curedG
  const [first] = pieces.value
  if (curedG === null || !first || blockG.value === 0) return
  setFirst({ thicknessMm: thicknessForMass(block, first, blockG.value, cureLoss.value, curedG) })
}
function add(): void {
  const [first] = pieces.value
  if (!first) return
  const isSecond = pieces.value.length === 1
  pieces.value = [
    ...pieces.value,
    {
      ...first,
      name: isSecond ? 'Guest bar' : 'Sample',
      faceWidthMm: first.faceWidthMm / (isSecond ? 2 : 3),
      wanted: 4,
    },
  ]
}

const findings = computed(() => checkPieces(block, pieces.value, allowances))
const { planner, end } = startCutPlanner()
onBeforeUnmount(() => end())
const { told } = useLatest(
  () =>
    findings.value.length > 0
      ? undefined
      : (JSON.parse(JSON.stringify([block, pieces.value, allowances])) as Parameters<typeof planner.plan>),
  (asked) => planner.plan(...asked),
)
const plans = computed<readonly CutPlan[]>(() => told.value ?? [])
const chosen = ref(0)
watch(plans, () => (chosen.value = 0))

const plan = computed(() => plans.value[chosen.value])
const wayWords = { as_poured: 'as poured', turned: 'turned on their side' } as const
const roundWords = { along: 'along', across: 'across' } as const
const choices = computed(() =>
  plans.value.map((one, value) => ({
    value,
    words: `${one.pieces}: logs ${roundWords[one.round]}, ${wayWords[one.way]}`,
    test: `cut-choice-${value}`,
  })),
)
const counted = (one: CutPlan): string =>
  one.counts
    .flatMap((count, kind) =>
      count > 0 ? [`${count} ${(pieces.value[kind]?.name ?? '').toLowerCase()}${count === 1 ? '' : 's'}`] : [],
    )
    .join(', ')
const verdict = computed(() =>
  plan.value
    ? `${counted(plan.value)}; ${show('share', plan.value.wasteShare, 0)} of the block is trims, cuts and offcuts.`
    : 'Nothing of this comes out of the block.',
)
const stages = computed(() => (plan.value ? cutStages(block, pieces.value, plan.value, allowances) : []))
const hasRow = (atMm: readonly number[]): boolean => evenMarks(atMm).some(({ everyMm }) => everyMm !== undefined)
const markWords = (atMm: readonly number[]): string =>
  evenMarks(atMm)
    .map(({ fromMm, toMm, everyMm }) =>
      everyMm === undefined
        ? show('length', fromMm, 1)
        : `every ${show('length', everyMm, 1)} from ${show('length', fromMm, 1)} to ${show('length', toMm, 1)}`,
    )
    .join(', ')
const masses = computed(() => pieceMasses(block, pieces.value, blockG.value, cureLoss.value))
/** The first kind of piece is what the label speaks of. */
const labelled = computed(() => {
  const [piece] = pieces.value
  const [mass] = masses.value
  if (!piece || !mass || findings.value.length > 0) return undefined
  const { faceWidthMm: widthMm, faceHeightMm: heightMm, thicknessMm } = piece
  return { bar: { widthMm, heightMm, thicknessMm }, wetG: mass.wetG }
})
const uses = computed(() => (plan.value ? toolUses(plan.value, season.workshop?.cutTools ?? []) : []))
const stageWords = { logs: 'logs', bars: 'bars' } as const
const facing = computed(() => ({
  ...(design.value ?? { name: props.loaf.name, colours: [] }),
  face: { way: plan.value?.way ?? ('as_poured' as const), log: 0, bar: 1, layer: 0, isFar: false },
}))
const print = (): void => window.print()
</script>

<template>
  <div class="columns wide-left" data-test="cut-planner">
    <section class="sheet stack">
      <div class="row head">
        <h2 data-test="cut-verdict">{{ verdict }}</h2>
        <v-btn class="no-print" :prepend-icon="mdiPrinterOutline" variant="text" @click="print">Print</v-btn>
      </div>
      <ChoiceButtons v-if="plans.length > 1" v-model="chosen" class="no-print" :choices="choices" label="Ways to cut" />
      <div v-if="plan" class="row picture">
        <CutDrawing :block="block" :pieces="pieces" :plan="plan" :allowances="allowances" />
        <figure>
          <SoapFace :name="`${loaf.name}, ${wayWords[plan.way]}`" :soap="facing" :width="170" :height="118" />
          <figcaption>Its face, {{ wayWords[plan.way] }}</figcaption>
        </figure>
      </div>
      <FindingList :findings="findings" />
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
    <section class="sheet stack no-print">
      <h2>What is wanted</h2>
      <div class="fields">
        <QuantityField
          :model-value="wishedBars"
          kind="count"
          optional
          :range="countRange"
          label="So many bars"
          @update:model-value="byCount"
        />
        <QuantityField
          :model-value="wishedG"
          kind="mass"
          optional
          :range="massRange"
          label="Or cured at"
          :hint="`Label: ${barMass(loaf.labelMassG)}`"
          @update:model-value="byMass"
        />
      </div>
      <p v-if="wishProblem" class="must" role="alert">{{ wishProblem }}</p>
      <KeepsLabel
        v-if="labelled"
        :loaf="loaf"
        :bar="labelled.bar"
        :wet-g="labelled.wetG"
        @thickness="setFirst({ thicknessMm: $event })"
      />
      <RemovableRow
        v-for="(piece, at) in pieces"
        :key="at"
        :label="`Take ${piece.name} away`"
        @remove="pieces = pieces.filter((_, index) => index !== at)"
      >
        <div class="piece" data-test="piece">
          <v-text-field v-model="piece.name" label="Piece" />
          <QuantityField
            v-model="piece.wanted"
            kind="count"
            optional
            :range="countRange"
            label="How many"
            hint="Empty: all there is room for"
          />
          <QuantityField v-model="piece.faceWidthMm" kind="length" :range="faceSideRange" label="Face, wide" />
          <QuantityField v-model="piece.faceHeightMm" kind="length" :range="faceSideRange" label="Face, high" />
          <QuantityField
            v-model="piece.thicknessMm"
            kind="length"
            :range="barThicknessRange"
            label="Thick"
            :hint="`${barMass(masses[at]?.wetG ?? 0)} wet, ${barMass(masses[at]?.curedG ?? 0)} cured (estimate)`"
          />
        </div>
      </RemovableRow>
      <v-btn
        v-if="pieces.length < mostPieceKinds"
        class="add"
        size="small"
        :prepend-icon="mdiPlus"
        data-test="add-piece"
        @click="add"
        >Another size</v-btn
      >
      <h3>The block as it came out</h3>
      <div class="fields">
        <QuantityField v-model="block.lengthMm" kind="length" :range="mouldSideRange" label="Long" />
        <QuantityField v-model="block.widthMm" kind="length" :range="mouldSideRange" label="Wide" />
        <QuantityField v-model="block.heightMm" kind="length" :range="mouldSideRange" label="High" />
      </div>
      <h3>Taken off</h3>
      <div class="fields">
        <QuantityField v-model="allowances.endMm" kind="length" :range="endTrimRange" label="Each end" />
        <QuantityField v-model="allowances.sideMm" kind="length" :range="endTrimRange" label="Each side" />
        <QuantityField v-model="allowances.topMm" kind="length" :range="endTrimRange" label="Top, planed" />
        <QuantityField v-model="allowances.kerfMm" kind="length" :range="kerfRange" label="By each cut" />
      </div>
    </section>
  </div>
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

.piece {
  display: grid;
  align-items: start;
  flex: 1;
  grid-template-columns: repeat(auto-fill, minmax(110px, 1fr));
  gap: 8px;
}

.add {
  justify-self: start;
}
</style>
