<script setup lang="ts">
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import RemovableRow from '@/parts/RemovableRow.vue'
import { useSeason } from '@/parts/seasonStore'
import { changing, fieldOf, useRows } from '@/parts/useRows'
import { mdiPlus } from '@mdi/js'
import type { LoafSummary, SavedMould } from '@vendange/contract'
import {
  faceSideRange,
  mostPieceKinds,
  pieceMasses,
  thicknessForMass,
  thicknessForMouldBars,
} from '@vendange/core/cutting'
import { barThicknessRange, endTrimRange, kerfRange, mouldSideRange } from '@vendange/core/mould'
import { useKeptFields } from '@/parts/useKeptFields'
import { computed, ref } from 'vue'
import type { CutWish } from './cutWish'
import { withAnotherPiece, withBlock } from './cutWish'
import KeepsLabel from './KeepsLabel.vue'

/** What is wanted of a loaf, by count, by mass or piece by piece, and what it came out as. */
const props = defineProps<{ loaf: LoafSummary; mould: SavedMould; isSound: boolean }>()
const wish = defineModel<CutWish>({ required: true })
const season = useSeason()
const { barMass } = useUnits()

const blockG = computed(() => props.loaf.state.batterG ?? 0)
const cureLoss = computed(() => season.workshop?.cureLoss ?? 0)
const masses = computed(() => pieceMasses(wish.value.block, wish.value.pieces, blockG.value, cureLoss.value))

const { set: setPiece, remove: removePiece } = useRows(fieldOf(wish, 'pieces'))
const setBlock = (change: Partial<CutWish['block']>): void => {
  wish.value = withBlock(wish.value, change)
}
const setAllowances = changing(fieldOf(wish, 'allowances'))

const countRange = { min: 1, max: 400 }
const massRange = { min: 5, max: 2000 }
const wishedBars = ref<number | null>(null)
const wishedG = ref<number | null>(null)
const wishProblem = ref<string>()
useKeptFields(`cut-count:${props.loaf.id}`, { wishedBars, wishedG })
function byCount(bars: number | null): void {
  wishedBars.value = bars
  wishProblem.value = undefined
  if (bars === null) return
  const { allowances } = wish.value
  const thicknessMm = thicknessForMouldBars({ ...props.mould, ...allowances, endTrimMm: allowances.endMm }, bars)
  if (thicknessMm === undefined) wishProblem.value = `No bar of a usual thickness gives ${bars} from this loaf.`
  else setPiece(0, { thicknessMm })
}
function byMass(curedG: number | null): void {
  wishedG.value = curedG
  const { block, pieces } = wish.value
  const [first] = pieces
  if (curedG === null || !first || blockG.value === 0) return
  setPiece(0, { thicknessMm: thicknessForMass(block, first, blockG.value, cureLoss.value, curedG) })
}

/** The first kind of piece is what the label speaks of. */
const labelled = computed(() => {
  const [piece] = wish.value.pieces
  const [mass] = masses.value
  if (!piece || !mass || !props.isSound) return undefined
  const { faceWidthMm: widthMm, faceHeightMm: heightMm, thicknessMm } = piece
  return { bar: { widthMm, heightMm, thicknessMm }, wetG: mass.wetG }
})
</script>

<template>
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
      @thickness="setPiece(0, { thicknessMm: $event })"
    />
    <RemovableRow v-for="(piece, at) in wish.pieces" :key="at" :what="piece.name" @remove="removePiece(at)">
      <div class="piece" data-test="piece">
        <v-text-field :model-value="piece.name" label="Piece" @update:model-value="setPiece(at, { name: $event })" />
        <QuantityField
          :model-value="piece.wanted"
          kind="count"
          optional
          :range="countRange"
          label="How many"
          hint="Empty: all there is room for"
          @update:model-value="setPiece(at, { wanted: $event })"
        />
        <QuantityField
          :model-value="piece.faceWidthMm"
          kind="length"
          :range="faceSideRange"
          label="Face, wide"
          @update:model-value="setPiece(at, { faceWidthMm: $event })"
        />
        <QuantityField
          :model-value="piece.faceHeightMm"
          kind="length"
          :range="faceSideRange"
          label="Face, high"
          @update:model-value="setPiece(at, { faceHeightMm: $event })"
        />
        <QuantityField
          :model-value="piece.thicknessMm"
          kind="length"
          :range="barThicknessRange"
          label="Thick"
          :hint="`${barMass(masses[at]?.wetG ?? 0)} wet, ${barMass(masses[at]?.curedG ?? 0)} cured (estimate)`"
          @update:model-value="setPiece(at, { thicknessMm: $event })"
        />
      </div>
    </RemovableRow>
    <v-btn
      v-if="wish.pieces.length < mostPieceKinds"
      class="add"
      size="small"
      :prepend-icon="mdiPlus"
      data-test="add-piece"
      @click="wish = withAnotherPiece(wish)"
      >Another size</v-btn
    >
    <h3>The block as it came out</h3>
    <div class="fields">
      <QuantityField
        :model-value="wish.block.lengthMm"
        kind="length"
        :range="mouldSideRange"
        label="Long"
        @update:model-value="setBlock({ lengthMm: $event })"
      />
      <QuantityField
        :model-value="wish.block.widthMm"
        kind="length"
        :range="mouldSideRange"
        label="Wide"
        @update:model-value="setBlock({ widthMm: $event })"
      />
      <QuantityField
        :model-value="wish.block.heightMm"
        kind="length"
        :range="mouldSideRange"
        label="High"
        @update:model-value="setBlock({ heightMm: $event })"
      />
    </div>
    <h3>Taken off</h3>
    <div class="fields">
      <QuantityField
        :model-value="wish.allowances.endMm"
        kind="length"
        :range="endTrimRange"
        label="Each end"
        @update:model-value="setAllowances({ endMm: $event })"
      />
      <QuantityField
        :model-value="wish.allowances.sideMm"
        kind="length"
        :range="endTrimRange"
        label="Each side"
        @update:model-value="setAllowances({ sideMm: $event })"
      />
      <QuantityField
        :model-value="wish.allowances.topMm"
        kind="length"
        :range="endTrimRange"
        label="Top, planed"
        @update:model-value="setAllowances({ topMm: $event })"
      />
      <QuantityField
        :model-value="wish.allowances.kerfMm"
        kind="length"
        :range="kerfRange"
        label="By each cut"
        @update:model-value="setAllowances({ kerfMm: $event })"
      />
    </div>
  </section>
</template>

<style scoped>
.piece {
  display: grid;
  align-items: start;
  flex: 1;
  grid-template-columns: repeat(auto-fill, minmax(max(110px, var(--least-field)), 1fr));
  gap: 8px;
}

.add {
  justify-self: start;
}
</style>
