<script setup lang="ts">
import { useSeason } from '@/parts/seasonStore'
import type { SavedDesign } from '@vendange/contract'
import { pourParts } from '@vendange/core/batch'
import { barsOfBatch } from '@vendange/core/season'
import { counted } from '@vendange/words'
import { computed } from 'vue'
import { useSoapPours } from './useSoapPours'

/** Bars that went missing after a pour: a loaf failed, or gave fewer. The pour that makes them good, by a press. */
const props = defineProps<{ design: SavedDesign }>()
const season = useSeason()
const { place, placeWords, take } = useSoapPours()

const count = computed(() => season.countOf(props.design))
/** Where nothing was poured yet, the moulds are for its ways out to change. */
const isMade = computed(() => season.loaves.some(({ designId }) => designId === props.design.id))
const placed = computed(() => {
  const mould = season.mould(props.design.mouldId)
  const bars = mould ? barsOfBatch({ mouldId: mould.id, mouldCount: 1 }, new Map([[mould.id, mould]])) : undefined
  if (!mould || !isMade.value || count.value.missing === 0 || bars === undefined || bars < 1) return undefined
  const { id: mouldId, count: mouldsAtHand, barThicknessMm } = mould
  const parts = pourParts({ mouldId, mouldsAtHand, barThicknessMm, barsPerLoaf: bars, barsWanted: count.value.missing })
  return place(props.design.id, parts, true)
})
const lost = computed(() =>
  count.value.failedLoaves > 0 ? `${counted(count.value.failedLoaves, 'loaf', 'loaves')} failed, ` : '',
)
</script>

<template>
  <section v-if="placed" class="sheet stack" data-test="make-good">
    <h2>
      {{ design.name }}: {{ lost }}{{ counted(count.missing, 'bar is', 'bars are') }} missing of {{ count.wanted }}
    </h2>
    <p :class="placed.parts ? 'quiet' : 'must'">{{ placeWords(placed) }}</p>
    <div class="row">
      <v-btn color="primary" variant="flat" :disabled="!placed.parts" @click="take(design.id, placed, [])"
        >Make them good</v-btn
      >
    </div>
  </section>
</template>
