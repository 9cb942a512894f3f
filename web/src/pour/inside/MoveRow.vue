<script setup lang="ts">
import { useUnits } from '@/parts/format'
import QuantityField from '@/parts/QuantityField.vue'
import type { MouldSection, MoveFigure, MoveKind, PotPart, WallHeights } from '@vendange/core/pour'
import {
  angleOfProp,
  canFollowALine,
  heldWhenProppedMm2,
  moveFigures,
  moveKinds,
  moveSpecs,
  propHeightMm,
  slopedLayerOf,
  traces,
  wallHeightsOf,
} from '@vendange/core/pour'
import { computed } from 'vue'
import { moveKindWords as kindWords } from '@vendange/words'
import { figureWords, outlineWords, traceWords } from './moveWords'
import PathField from './PathField.vue'
import PotPartFields from './PotPartFields.vue'
import type { Line } from './usePourPlan'
import { roundTo } from '@vendange/core/units'

/** One move of a pour, in the maker's words. */
const line = defineModel<Line>({ required: true })
const props = defineProps<{
  index: number
  colours: readonly { readonly name: string; readonly hex: string }[]
  potsG: readonly number[]
  areasMm2: readonly number[]
  section: MouldSection
  /** Area of the section that the moves before it have filled, mm². */
  filledMm2: number
  /** How high the batter stands after it. */
  stands: { readonly leftMm: number; readonly rightMm: number; readonly topMm: number } | undefined
  /** Whether its line along the loaf is being drawn. */
  isDrawingAlong: boolean
}>()
const emit = defineEmits<{ kind: [kind: MoveKind]; along: [] }>()
const { show } = useUnits()

const spec = computed(() => moveSpecs[line.value.kind])
const kinds = moveKinds.map((value) => ({ value, title: kindWords[value] }))
const traceChoices = traces.map((value) => ({ value, title: traceWords[value] }))
const outlines = computed(() => spec.value.outlines?.map((value) => ({ value, title: outlineWords[value] })))
const waitRange = { min: 0, max: 600 }
const wallRange = computed(() => ({ min: 0, max: props.section.heightMm }))

const set = (change: Partial<Line>): void => {
  line.value = { ...line.value, ...change }
}
const setFigure = (figure: MoveFigure, value: number | null): void => set({ [figure]: value ?? 0 })

// A sloped layer by the heights that are wished for at the walls, and back.
const angleDeg = computed(() => line.value.angleDeg ?? 0)
const pouredMm2 = computed(() => (props.areasMm2[line.value.pot ?? 0] ?? 0) * (line.value.part ?? 1))
const walls = computed(() => wallHeightsOf({ areaMm2: pouredMm2.value, angleDeg: angleDeg.value }, props.section))
const isWedge = computed(() => walls.value.coversMm < props.section.widthMm - 0.05)
const propMm = computed(() => propHeightMm(angleDeg.value, props.section))
const propRange = computed(() => ({ min: 0, max: propHeightMm(moveFigures.angleDeg.range.max, props.section) }))
function wish(changed: Partial<WallHeights>): void {
  const layer = slopedLayerOf({ ...walls.value, ...changed }, props.section)
  const potMm2 = props.areasMm2[line.value.pot ?? 0] ?? 0
  set({
    angleDeg: roundTo(layer.angleDeg, 4),
    ...(potMm2 > 0 ? { part: roundTo(Math.min(1, layer.areaMm2 / potMm2), 6) } : {}),
  })
}
/** A prop as it lies on the bench: the angle follows, to the side to which it leans already. */
function prop(heightMm: number): void {
  const leans = angleOfProp(heightMm, props.section)
  set({ angleDeg: roundTo(angleDeg.value < 0 ? -leans : leans, 4) })
}
const mlOf = (areaMm2: number): number => (areaMm2 * props.section.lengthMm) / 1000
const holdsMl = computed(() => mlOf(heldWhenProppedMm2(angleDeg.value, props.section)))
const spillsMl = computed(() => Math.max(0, mlOf(props.filledMm2 + pouredMm2.value) - holdsMl.value))
const hasWalls = computed(() => (props.section.outerBaseMm ?? 0) > props.section.widthMm + 0.05)

const standsWords = computed(() => {
  if (!props.stands) return ''
  const [left, right, top] = [props.stands.leftMm, props.stands.rightMm, props.stands.topMm].map((mm) =>
    show('length', mm, 0),
  )
  if (left === right)
    return top === left ? `Then it stands ${top} high.` : `Then it stands ${left}, ${top} at the highest.`
  return `Then it stands ${left} at the left and ${right} at the right.`
})
const isPoured = computed(() => props.stands !== undefined && spec.value.pours !== 'none')
const follows = computed(() => canFollowALine(line.value))
function setPart(at: number, part: PotPart): void {
  set({ pots: (line.value.pots ?? []).map((one, place) => (place === at ? part : one)) })
}
</script>

<template>
  <div class="move" data-test="move">
    <v-select
      class="kind"
      :model-value="line.kind"
      :items="kinds"
      :label="`Move ${index + 1}`"
      @update:model-value="emit('kind', $event)"
    />
    <PotPartFields
      v-if="spec.pours === 'one'"
      :model-value="{ pot: line.pot ?? 0, part: line.part ?? 1 }"
      label="Pot"
      :colours="colours"
      :pots-g="potsG"
      @update:model-value="set($event)"
    />
    <QuantityField
      v-for="figure in spec.figures"
      :key="figure"
      :model-value="line[figure] ?? moveFigures[figure].usual"
      :kind="moveFigures[figure].quantity"
      :range="moveFigures[figure].range"
      :label="figureWords[figure]"
      @update:model-value="setFigure(figure, $event)"
    />
    <template v-if="line.kind === 'sloped'">
      <QuantityField
        :model-value="walls.leftMm"
        kind="length"
        :range="wallRange"
        label="Left wall"
        @update:model-value="wish({ leftMm: $event ?? 0 })"
      />
      <QuantityField
        :model-value="walls.rightMm"
        kind="length"
        :range="wallRange"
        label="Right wall"
        @update:model-value="wish({ rightMm: $event ?? 0 })"
      />
      <QuantityField
        v-if="isWedge"
        :model-value="walls.coversMm"
        kind="length"
        :range="{ min: 1, max: section.widthMm }"
        label="Covers of the base"
        @update:model-value="wish({ coversMm: $event ?? section.widthMm })"
      />
      <QuantityField
        :model-value="propMm"
        kind="length"
        :range="propRange"
        label="Prop"
        @update:model-value="prop($event ?? 0)"
      />
    </template>
    <v-select
      v-if="outlines"
      :model-value="line.outline ?? 'round'"
      :items="outlines"
      label="Shape"
      @update:model-value="set({ outline: $event })"
    />
    <v-select
      v-if="spec.pours !== 'none' || spec.isDrawn"
      :model-value="line.trace ?? 'thin'"
      :items="traceChoices"
      label="Trace"
      @update:model-value="set({ trace: $event })"
    />
    <QuantityField
      :model-value="line.waitMin ?? 0"
      kind="number"
      :range="waitRange"
      label="Wait, min"
      @update:model-value="set({ waitMin: $event ?? 0 })"
    />
    <v-text-field
      v-if="spec.hasHex"
      :model-value="line.name ?? ''"
      :label="line.kind === 'powder' ? 'Powder' : 'Called'"
      :hint="line.kind === 'powder' ? 'As in the stores' : ''"
      maxlength="80"
      data-test="move-called"
      @update:model-value="set({ name: $event })"
    />
    <label v-if="spec.hasHex" class="hex">
      <input type="color" :value="line.hex" @input="set({ hex: ($event.target as HTMLInputElement).value })" />
      Its colour
    </label>
    <p v-if="line.kind === 'sloped'" class="quiet wide">
      The prop stands under the {{ angleDeg >= 0 ? 'left' : 'right' }} outer edge; so the mould holds
      {{ show('volume', holdsMl)
      }}<template v-if="spillsMl >= 0.5"
        >, <b class="must">{{ show('volume', spillsMl) }} of this pour would run over</b></template
      >.<template v-if="!hasWalls"> How thick its walls are is not known: state it at the mould.</template>
    </p>
    <div v-if="spec.pours === 'many'" class="pots wide">
      <div v-for="(one, at) in line.pots ?? []" :key="at" class="row onepot">
        <span class="dot" :style="{ background: colours[one.pot]?.hex }" />
        <PotPartFields
          :model-value="one"
          :label="`${at + 1}.`"
          :colours="colours"
          :pots-g="potsG"
          @update:model-value="setPart(at, $event)"
        />
      </div>
    </div>
    <PathField
      v-if="spec.isDrawn"
      class="wide"
      :path="line.path ?? []"
      :label="line.plane === 'plan' ? 'Path from above' : 'Path from the left and up'"
      data-test="path"
      @path="set({ path: $event })"
    />
    <PathField
      v-if="follows && (line.along ?? []).length > 0"
      class="wide"
      :path="line.along ?? []"
      label="Along the loaf it follows, from the left and from the near end"
      data-test="along"
      @path="set({ along: $event.length > 0 ? $event : undefined })"
    />
    <div v-if="follows || isPoured" class="wide after">
      <span v-if="isPoured" class="quiet">{{ standsWords }}</span>
      <v-btn
        v-if="follows"
        size="small"
        :variant="isDrawingAlong ? 'flat' : 'text'"
        :color="isDrawingAlong ? 'primary' : undefined"
        :aria-pressed="isDrawingAlong"
        title="It is in the same place all along the loaf where no line is drawn"
        data-test="draw-along"
        @click="emit('along')"
        >Draw it along the loaf</v-btn
      >
    </div>
  </div>
</template>

<style scoped>
.move {
  display: grid;
  flex: 1;
  grid-template-columns: repeat(auto-fill, minmax(max(108px, var(--least-field)), 1fr));
  gap: 8px;
  align-items: start;
}

.kind {
  grid-column: span 2;
  min-width: 0;
}

.wide {
  grid-column: 1 / -1;
}

.after {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 0 8px;
  align-items: center;
  margin-top: -4px;
  font-size: 0.85rem;
}

.pots {
  display: grid;
  gap: 6px;
}

.onepot {
  flex-wrap: nowrap;
  gap: 8px;
}

.dot {
  width: 16px;
  height: 16px;
  border-radius: 50%;
  flex: none;
  box-shadow: inset 0 0 0 1px rgb(0 0 0 / 20%);
}

.hex {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 40px;
}
</style>
