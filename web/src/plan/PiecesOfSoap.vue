<script setup lang="ts">
import { useErrorOf } from '@/parts/errorOf'
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import RemovableRow from '@/parts/RemovableRow.vue'
import { useScraps } from '@/parts/scraps'
import { changing } from '@/parts/useRows'
import type { NewDesign, ScrapView } from '@vendange/contract'
import { massOfPieces, pieceMassRange } from '@vendange/core/batch'
import { computed, ref } from 'vue'

/** Pieces of earlier soap that this one takes out of the scrap bin; their room is taken off the batter by itself. */
const values = defineModel<NewDesign>({ required: true })
const change = changing(values)
const errorOf = useErrorOf()
const { show } = useUnits()
const { scraps } = useScraps()

const keyOf = ({ loafId, colour }: Pick<ScrapView, 'loafId' | 'colour'>): string => `${loafId} ${colour}`
const free = computed(() =>
  (scraps.value ?? []).filter((one) => !values.value.pieces.some((piece) => keyOf(piece) === keyOf(one))),
)
const choices = computed(() =>
  free.value.map((one) => ({
    value: keyOf(one),
    title: `${one.colour}, ${one.soap} ${one.lotCode}: ${show('mass', one.massG)}`,
  })),
)
const chosen = ref<string | null>(null)
function take(key: string | null): void {
  const one = free.value.find((scrap) => keyOf(scrap) === key)
  chosen.value = null
  if (!one) return
  const { loafId, lotCode, colour, hex, massG } = one
  change({ pieces: [...values.value.pieces, { loafId, lotCode, colour, hex, massG }] })
}
const rows = computed(() =>
  values.value.pieces.map((piece) => {
    const there = scraps.value?.find((one) => keyOf(one) === keyOf(piece))
    return { ...piece, soap: there?.soap ?? '', missing: scraps.value ? piece.massG - (there?.massG ?? 0) : 0 }
  }),
)
const setMass = (at: number, massG: number): void =>
  change({ pieces: values.value.pieces.map((piece, index) => (index === at ? { ...piece, massG } : piece)) })
const leave = (at: number): void => change({ pieces: values.value.pieces.filter((_, index) => index !== at) })
</script>

<template>
  <fieldset data-test="pieces">
    <legend class="eyebrow">Pieces of earlier soap</legend>
    <div class="rows">
      <RemovableRow v-for="(row, at) in rows" :key="keyOf(row)" :what="`pieces of ${row.colour}`" @remove="leave(at)">
        <span class="dot" :style="{ background: row.hex }" />
        <QuantityField
          :model-value="row.massG"
          kind="mass"
          :range="pieceMassRange"
          :label="`${row.colour}, lot ${row.lotCode}`"
          :error="
            errorOf(`pieces[${at}].massG`) ??
            (row.missing > 0 ? `${show('mass', row.missing)} more than is there` : undefined)
          "
          @update:model-value="setMass(at, $event)"
        />
      </RemovableRow>
      <v-select
        v-if="choices.length > 0"
        :model-value="chosen"
        :items="choices"
        label="Take out of the scrap bin"
        data-test="take-piece"
        @update:model-value="take"
      />
      <p v-else-if="rows.length === 0" class="quiet">The scrap bin is empty.</p>
      <p v-if="rows.length > 0" class="quiet">
        {{ show('mass', massOfPieces(rows)) }} of pieces take up as much room as batter of that mass (an estimate); so
        much less batter is made. They are weighed at the bench, and trace and label follow them.
      </p>
    </div>
  </fieldset>
</template>

<style scoped>
.rows {
  display: grid;
  gap: 14px;
}

.dot {
  flex: none;
  width: 20px;
  height: 20px;
  border-radius: 50%;
  box-shadow: inset 0 0 0 1px rgb(0 0 0 / 20%);
}
</style>
