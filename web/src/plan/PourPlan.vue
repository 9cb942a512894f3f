<script setup lang="ts">
import FindingList from '@/parts/FindingList.vue'
import QuantityField from '@/parts/QuantityField.vue'
import RemovableRow from '@/parts/RemovableRow.vue'
import { mdiArrowUp, mdiPlus } from '@mdi/js'
import type { NewDesign, SavedMould } from '@vendange/contract'
import type { WeighedPot } from '@vendange/core/batch'
import { potG } from '@vendange/core/batch'
import { shapeOf } from '@vendange/core/mould'
import type { MoveKind, SectionPoint } from '@vendange/core/pour'
import { checkPourPlan, movesOf, partsPoured, potAreasMm2, sectionOf, slopeRange, usualMove } from '@vendange/core/pour'
import { computed, ref } from 'vue'
import PourPicture from './PourPicture.vue'

/** The moves of a pour in the maker's words, and the inside of the loaf that they give. */
const lines = defineModel<NewDesign['pourPlan']>({ required: true })
const props = defineProps<{ colours: NewDesign['colours']; mould: SavedMould; pots: readonly WeighedPot[] }>()
type Line = NewDesign['pourPlan'][number]

const kinds: readonly { value: MoveKind; title: string }[] = [
  { value: 'level', title: 'Level layer' },
  { value: 'sloped', title: 'Sloped layer' },
  { value: 'drop', title: 'Drop pour' },
  { value: 'hanger', title: 'Hanger pull' },
  { value: 'skewer', title: 'Skewer' },
]
const partRange = { min: 0.01, max: 1 }
const lengthRange = { min: 0, max: 500 }
const dropFields = [
  ['xMm', 'From the left'],
  ['sinkMm', 'Sinks by'],
  ['spreadMm', 'Spreads'],
] as const

const section = computed(() => sectionOf(props.mould))
const moves = computed(() => movesOf(lines.value))
const potsByMass = computed(() => props.pots.map((pot) => ({ name: pot.colour.name, massG: potG(pot) })))
const findings = computed(() => checkPourPlan(moves.value, potsByMass.value, section.value))
const areasMm2 = computed(() =>
  potAreasMm2(
    potsByMass.value.map(({ massG }) => massG),
    section.value,
  ),
)
const drawable = computed(() => (findings.value.some(({ code }) => code === 'move_impossible') ? [] : moves.value))
const potChoices = computed(() => props.colours.map(({ name }, value) => ({ value, title: name })))
const tool = ref<'hanger' | 'skewer'>()

const pours = (kind: MoveKind): boolean => kind === 'level' || kind === 'sloped' || kind === 'drop'
/** The pot that has most left, and what is left of it. */
function nextPot(): { pot: number; part: number } {
  const left = partsPoured(moves.value, props.colours.length).map((part) => Number((1 - part).toFixed(4)))
  const pot = Math.max(
    0,
    left.findIndex((part) => part > 0.001),
  )
  return { pot, part: Math.max(0.01, left[pot] ?? 1) }
}
function fresh(kind: MoveKind): Line {
  const poured = pours(kind) ? nextPot() : {}
  if (kind === 'sloped') return { kind, ...poured, angleDeg: usualMove.angleDeg }
  if (kind === 'drop')
    return { kind, ...poured, xMm: section.value.widthMm / 2, sinkMm: usualMove.sinkMm, spreadMm: usualMove.spreadMm }
  if (pours(kind)) return { kind, ...poured }
  const { widthMm, fillMm } = section.value
  const down = { xMm: widthMm / 2, yMm: fillMm * 0.9 }
  return { kind, path: [down, { xMm: widthMm / 2, yMm: fillMm * 0.15 }] }
}
function change(index: number, kind: MoveKind): void {
  const before = lines.value[index]
  lines.value[index] = {
    ...fresh(kind),
    ...(before && pours(kind) && pours(before.kind) ? { pot: before.pot, part: before.part } : {}),
  }
}
function up(index: number): void {
  const [line] = lines.value.splice(index, 1)
  if (line) lines.value.splice(index - 1, 0, line)
}
function take(path: SectionPoint[]): void {
  if (tool.value) lines.value.push({ kind: tool.value, path })
}
/** One level layer of each pot, the first at the bottom: a beginning. */
const layAll = (): void => {
  lines.value = props.colours.map((_, pot) => ({ kind: 'level', pot, part: 1 }))
}
</script>

<template>
  <section class="sheet stack" data-test="pour-plan">
    <div class="row head">
      <h2>The inside</h2>
      <div class="row" role="group" aria-label="Draw on the picture">
        <v-btn
          v-for="one in ['hanger', 'skewer'] as const"
          :key="one"
          size="small"
          :variant="tool === one ? 'flat' : 'text'"
          :color="tool === one ? 'primary' : undefined"
          :aria-pressed="tool === one"
          :data-test="`draw-${one}`"
          @click="tool = tool === one ? undefined : one"
          >Draw a {{ one }} pull</v-btn
        >
      </div>
    </div>
    <p v-if="shapeOf(mould) !== 'loaf'" class="quiet">Shown across its width, as for a loaf.</p>
    <PourPicture
      :moves="drawable"
      :hexes="colours.map(({ hex }) => hex)"
      :pot-areas-mm2="areasMm2"
      :section="section"
      :tool="tool"
      @drawn="take"
    />
    <p class="quiet">A model of the pour (estimate): every colour keeps its area; hand and batter have their say.</p>
    <FindingList :findings="findings" />
    <RemovableRow
      v-for="(line, index) in lines"
      :key="index"
      :label="`Take move ${index + 1} away`"
      @remove="lines.splice(index, 1)"
    >
      <div class="move" data-test="move">
        <v-select
          :model-value="line.kind"
          :items="kinds"
          :label="`Move ${index + 1}`"
          @update:model-value="change(index, $event)"
        />
        <template v-if="pours(line.kind)">
          <v-select v-model="line.pot" :items="potChoices" label="Pot" />
          <QuantityField
            :model-value="line.part ?? 1"
            kind="share"
            :range="partRange"
            label="Of the pot"
            @update:model-value="line.part = $event ?? 1"
          />
        </template>
        <QuantityField
          v-if="line.kind === 'sloped'"
          :model-value="line.angleDeg ?? 0"
          kind="number"
          :range="slopeRange"
          label="Rises right, °"
          @update:model-value="line.angleDeg = $event ?? 0"
        />
        <template v-if="line.kind === 'drop'">
          <QuantityField
            v-for="[field, label] in dropFields"
            :key="field"
            :model-value="line[field] ?? 0"
            kind="length"
            :range="lengthRange"
            :label="label"
            @update:model-value="line[field] = $event ?? 0"
          />
        </template>
        <p v-if="!pours(line.kind)" class="quiet">
          {{ line.path?.length ?? 0 }} points. Take it away and draw it anew to change it.
        </p>
      </div>
      <v-btn
        v-if="index > 0"
        :icon="mdiArrowUp"
        size="small"
        variant="text"
        :aria-label="`Move ${index + 1} up`"
        @click="up(index)"
      />
    </RemovableRow>
    <div class="row">
      <v-btn size="small" :prepend-icon="mdiPlus" data-test="add-move" @click="lines.push(fresh('level'))">Move</v-btn>
      <v-btn v-if="lines.length === 0" size="small" variant="text" data-test="lay-all" @click="layAll"
        >A level layer of each pot</v-btn
      >
    </div>
  </section>
</template>

<style scoped>
.move {
  display: grid;
  flex: 1;
  grid-template-columns: repeat(auto-fill, minmax(104px, 1fr));
  gap: 8px;
  align-items: center;
}
</style>
