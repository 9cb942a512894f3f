<script setup lang="ts">
import FindingList from '@/parts/FindingList.vue'
import RemovableRow from '@/parts/RemovableRow.vue'
import { mdiArrowUp, mdiPlus } from '@mdi/js'
import type { Finding } from '@vendange/core/findings'
import type { MoveKind } from '@vendange/core/pour'
import { moveSpecs } from '@vendange/core/pour'
import MoveRow from './MoveRow.vue'
import type { Line, usePourPlan } from './usePourPlan'

/** The moves of a pour, one after the other, and what is amiss with them. */
const props = defineProps<{
  plan: ReturnType<typeof usePourPlan>
  colours: readonly { readonly name: string; readonly hex: string }[]
  findings: readonly Finding[]
  /** The move whose line along the loaf is being drawn. */
  following: number | undefined
}>()
const emit = defineEmits<{ along: [index: number]; techniques: [] }>()
const lines = defineModel<Line[]>({ required: true })

/** Another kind of move in the place of one; its pot stays where both pour one. */
function change(index: number, kind: MoveKind): void {
  const before = lines.value[index]
  const keepsPot = before && moveSpecs[before.kind].pours === 'one' && moveSpecs[kind].pours === 'one'
  lines.value = lines.value.with(index, {
    ...props.plan.fresh(kind),
    ...(keepsPot ? { pot: before.pot, part: before.part, trace: before.trace } : {}),
  })
}
function up(index: number): void {
  const next = [...lines.value]
  const [line] = next.splice(index, 1)
  if (line) next.splice(index - 1, 0, line)
  lines.value = next
}
</script>

<template>
  <section class="sheet stack">
    <div class="row head">
      <h2>The moves</h2>
      <v-btn size="small" variant="text" data-test="open-starters" @click="emit('techniques')">Another technique</v-btn>
    </div>
    <FindingList :findings="findings" />
    <RemovableRow
      v-for="(line, index) in lines"
      :key="index"
      :what="`move ${index + 1}`"
      @remove="lines = lines.filter((_, at) => at !== index)"
    >
      <MoveRow
        :model-value="line"
        :index="index"
        :colours="colours"
        :pots-g="plan.potsByMass.value.map(({ massG }) => massG)"
        :areas-mm2="plan.areasMm2.value"
        :section="plan.section.value"
        :filled-mm2="plan.filledBefore(index)"
        :stands="plan.heightsMm.value[index]"
        :is-drawing-along="following === index"
        @update:model-value="lines = lines.with(index, $event)"
        @kind="change(index, $event)"
        @along="emit('along', index)"
      />
      <v-btn
        v-if="index > 0"
        :icon="mdiArrowUp"
        size="small"
        variant="text"
        :aria-label="`Move ${index + 1} up`"
        @click="up(index)"
      />
    </RemovableRow>
    <v-btn
      class="add"
      size="small"
      :prepend-icon="mdiPlus"
      data-test="add-move"
      @click="lines = [...lines, plan.fresh('level')]"
      >Move</v-btn
    >
  </section>
</template>

<style scoped>
.add {
  justify-self: start;
}
</style>
