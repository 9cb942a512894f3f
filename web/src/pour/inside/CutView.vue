<script setup lang="ts">
import { plainCopy } from '@/parts/plainCopy'
import ChoiceButtons from '@/parts/ChoiceButtons.vue'
import type { PictureRequest } from '@/workers/pourPicture.worker'
import { startPainter } from '@/workers/pourPainter'
import type { SavedMould } from '@vendange/contract'
import type { CutWay, FaceChoice } from '@vendange/core/cutting'
import { barGrid, cutWays, planeOfFace } from '@vendange/core/cutting'
import type { CutRichness, FaceDrawing, MouldSection, MoveLine } from '@vendange/core/pour'
import { usualFace } from '@vendange/core/pour'
import { counted } from '@vendange/words'
import { computed, onBeforeUnmount, onMounted, reactive, ref, watch } from 'vue'

/** The loaf cut on screen: bars as poured or turned, both faces of each, and the one that stands for the soap. */
const face = defineModel<FaceChoice | null>({ required: true })
const props = defineProps<{
  lines: readonly MoveLine[]
  hexes: readonly string[]
  potAreasMm2: readonly number[]
  section: MouldSection
  mould: SavedMould
  seed: number
}>()

const wayWords: Readonly<Record<CutWay, string>> = { as_poured: 'As poured', turned: 'Logs turned on their side' }
const wayChoices = cutWays.map((value) => ({ value, words: wayWords[value], test: `cut-${value}` }))
const knife = ref<{ -readonly [Key in keyof FaceChoice]: FaceChoice[Key] }>({
  ...(face.value ?? usualFace(props.lines, props.mould)),
})
const grid = computed(() => barGrid(props.mould, knife.value.way))
const grids = computed(() => cutWays.map((way) => barGrid(props.mould, way)))
const isChosen = (isFar: boolean): boolean => {
  const chosen = face.value ?? usualFace(props.lines, props.mould)
  return JSON.stringify({ ...knife.value, isFar }) === JSON.stringify({ ...chosen })
}

const facePx = 226
const heightPx = computed(() => Math.round((facePx * grid.value.faceHeightMm) / grid.value.faceWidthMm))
const shown = reactive<{ near: string; far: string }>({ near: '', far: '' })
const richness = ref<readonly CutRichness[]>([])
let end: () => void = () => undefined
let painter: ReturnType<typeof startPainter>['painter'] | undefined
let turn = 0

function drawing(choice: FaceChoice): FaceDrawing {
  const { lines, potAreasMm2, section, seed, hexes } = props
  return { lines, potAreasMm2, section, plane: planeOfFace(choice, props.mould), seed, hexes }
}

async function draw(): Promise<void> {
  if (!painter) return
  const mine = ++turn
  for (const side of ['near', 'far'] as const) {
    const blob = await painter.face(
      plainCopy(drawing({ ...knife.value, isFar: side === 'far' })),
      facePx,
      heightPx.value,
    )
    if (mine !== turn) return
    URL.revokeObjectURL(shown[side])
    shown[side] = URL.createObjectURL(blob)
  }
}
async function compare(): Promise<void> {
  if (!painter) return
  const found: CutRichness[] = []
  for (const way of cutWays) {
    const { lines, potAreasMm2, section, hexes, seed } = props
    const plane = planeOfFace({ ...usualFace(lines, props.mould), way }, props.mould)
    const request: PictureRequest = { lines, potAreasMm2, section, hexes, plane, hand: { seed }, across: 64 }
    found.push((await painter.paint(plainCopy(request), 160, 120)).richness)
  }
  richness.value = found
}

/** Which way shows more, and what it costs. */
const verdict = computed(() => {
  const [poured, turned] = grids.value
  const [pouredSeen, turnedSeen] = richness.value
  if (!poured || !turned) return ''
  const cost = poured.bars - turned.bars
  const counts = `As poured the mould gives ${counted(poured.bars, 'bar')}, turned ${turned.bars}`
  if (!pouredSeen || !turnedSeen) return `${counts}.`
  const words = (seen: CutRichness): string =>
    seen.colours < 2
      ? 'one colour alone'
      : `${seen.borderWidths.toFixed(1)} widths of border between ${seen.colours} colours`
  const sum = `As poured a face shows ${words(pouredSeen)}, turned ${words(turnedSeen)} (estimate).`
  const price =
    cost > 0 ? ` at the cost of ${counted(cost, 'bar')}` : cost < 0 ? ` and gives ${counted(-cost, 'bar')} more` : ''
  const ratio = turnedSeen.borderWidths / Math.max(0.1, pouredSeen.borderWidths)
  if (ratio < 0.9) return `${counts}. ${sum} As poured shows more.`
  return ratio > 1.1 ? `${counts}. ${sum} Turned shows more${price}.` : `${counts}. ${sum} Both show as much.`
})

function take(isFar: boolean): void {
  face.value = { ...knife.value, isFar }
}
function press(way: CutWay): void {
  knife.value = { ...knife.value, way, bar: 0, layer: 0 }
}
/** What the knife can be moved along. */
const knives = computed(() =>
  (
    [
      ['bar', 'Bar', grid.value.along],
      ['log', 'Log', grid.value.logs],
      ['layer', 'Layer', grid.value.layers],
    ] as const
  )
    .filter(([key, , count]) => key === 'bar' || count > 1)
    .map(([key, name, count]) => ({
      key,
      count,
      words: `${name} ${Math.min(knife.value[key], last(count)) + 1} of ${count}`,
    })),
)
const last = (count: number): number => Math.max(0, count - 1)

onMounted(() => {
  ;({ painter, end } = startPainter())
  void draw().then(compare)
})
onBeforeUnmount(() => {
  end()
  URL.revokeObjectURL(shown.near)
  URL.revokeObjectURL(shown.far)
})
watch(knife, () => void draw(), { deep: true })
watch(
  () => [props.lines, props.hexes, props.potAreasMm2, props.mould],
  () => void draw().then(compare),
  { deep: true },
)
</script>

<template>
  <section class="sheet stack" data-test="cut-view">
    <div class="row head">
      <h2>Cut it</h2>
      <ChoiceButtons
        :model-value="knife.way"
        :choices="wayChoices"
        label="Which way round"
        @update:model-value="press"
      />
    </div>
    <p data-test="cut-verdict">{{ verdict }}</p>
    <div class="faces">
      <figure v-for="side in ['near', 'far'] as const" :key="side">
        <img
          v-if="shown[side]"
          :src="shown[side]"
          :width="facePx"
          :height="heightPx"
          :alt="`The ${side} face of bar ${knife.bar + 1}`"
          :data-test="`face-${side}`"
        />
        <figcaption class="row">
          <span>{{ side === 'near' ? 'Near face' : 'Far face' }}</span>
          <span v-if="isChosen(side === 'far')" class="quiet">stands for the soap</span>
          <v-btn v-else size="small" variant="text" :data-test="`take-${side}`" @click="take(side === 'far')"
            >Take this one</v-btn
          >
        </figcaption>
      </figure>
    </div>
    <label v-for="{ key, words, count } in knives" :key="key" class="knife" :data-test="`knife-${key}`">
      <span>{{ words }}</span>
      <input v-model.number="knife[key]" type="range" min="0" :max="last(count)" step="1" />
    </label>
  </section>
</template>

<style scoped>
.knife {
  display: grid;
  grid-template-columns: 110px 1fr;
  gap: 12px;
  align-items: center;
}

.knife input {
  min-height: 40px;
  accent-color: rgb(var(--v-theme-primary));
}

.faces {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}

figure {
  width: 226px;
  margin: 0;
}

figcaption {
  justify-content: space-between;
  min-height: 36px;
}

img {
  display: block;
  border-radius: 4px;
  box-shadow: inset 0 0 0 1px rgb(0 0 0 / 15%);
}
</style>
