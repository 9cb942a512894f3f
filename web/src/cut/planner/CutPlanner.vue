<script setup lang="ts">
import { useKeptFields } from '@/parts/useKeptFields'
import { useLatest } from '@/parts/useLatest'
import { startCutPlanner } from '@/workers/cutPlanner'
import type { LoafSummary, SavedMould } from '@vendange/contract'
import { checkPieces, cutAt, usualPiece } from '@vendange/core/cutting'
import { blockOf } from '@vendange/core/mould'
import { computed, onBeforeUnmount, shallowRef } from 'vue'
import CutWays from './CutWays.vue'
import type { CutWish } from './cutWish'
import CutWishForm from './CutWishForm.vue'

/** The best ways to cut a loaf: what is wanted, what can be taken off, and what each way gives. */
const props = defineProps<{ loaf: LoafSummary; mould: SavedMould }>()

/** At first the loaf is cut as it was planned: as quoted, where that differs from its mould's usual cut. */
const wish = shallowRef<CutWish>({
  block: blockOf(props.mould),
  allowances: { endMm: props.mould.endTrimMm, sideMm: 0, topMm: 0, kerfMm: props.mould.kerfMm },
  pieces: [usualPiece(cutAt(props.mould, props.loaf.barThicknessMm))],
})
useKeptFields(`cut-wish:${props.loaf.id}`, { wish })
const findings = computed(() => checkPieces(wish.value.block, wish.value.pieces, wish.value.allowances))
const { planner, end } = startCutPlanner()
onBeforeUnmount(() => end())
const { told } = useLatest(
  () => (findings.value.length > 0 ? undefined : wish.value),
  ({ block, pieces, allowances }) => planner.plan(block, pieces, allowances),
)
</script>

<template>
  <div class="columns wide-left" data-test="cut-planner">
    <CutWays :loaf="loaf" :wish="wish" :plans="told ?? []" :findings="findings" />
    <CutWishForm v-model="wish" :loaf="loaf" :mould="mould" :is-sound="findings.length === 0" />
  </div>
</template>
