<script setup lang="ts">
import type { PourPainter } from '@/workers/pourPicture.worker'
import type { MouldSection, PourMove, SectionPoint } from '@vendange/core/pour'
import { air } from '@vendange/core/pour'
import type { Remote } from 'comlink'
import { wrap } from 'comlink'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'

/** The inside of the loaf as its moves leave it. A tool's path is drawn on it by hand. */
const props = defineProps<{
  moves: readonly PourMove[]
  /** Colour of each pot. */
  hexes: readonly string[]
  /** Area of the section that all of each pot takes, mm². */
  potAreasMm2: readonly number[]
  section: MouldSection
  /** The tool whose path is being drawn; none when the picture is only looked at. */
  tool: 'hanger' | 'skewer' | undefined
}>()
const emit = defineEmits<{ drawn: [path: SectionPoint[]] }>()

const shownPx = 420
/** Points across: fine when it is looked at, coarse while a path follows the hand. */
const fine = 512
const coarse = 192
const canvas = ref<HTMLCanvasElement>()
const heightPx = computed(() => Math.round((shownPx * props.section.heightMm) / props.section.widthMm))

let worker: Worker | undefined
let painter: Remote<PourPainter> | undefined
let isPainting = false
let wantsPaint: number | undefined

const rgb = (hex: string): readonly [number, number, number] => [
  Number.parseInt(hex.slice(1, 3), 16),
  Number.parseInt(hex.slice(3, 5), 16),
  Number.parseInt(hex.slice(5, 7), 16),
]

async function paint(across: number): Promise<void> {
  wantsPaint = across
  if (isPainting || !painter) return
  isPainting = true
  try {
    while (wantsPaint !== undefined) {
      const width = wantsPaint
      wantsPaint = undefined
      const height = Math.max(1, Math.round((width * props.section.heightMm) / props.section.widthMm))
      const moves: PourMove[] = JSON.parse(JSON.stringify(allMoves())) as PourMove[]
      const pots = await painter.paint(moves, [...props.potAreasMm2], { ...props.section }, width, height)
      show(pots, width, height)
    }
  } finally {
    isPainting = false
  }
}

function show(pots: Int8Array, width: number, height: number): void {
  const context = canvas.value?.getContext('2d')
  if (!canvas.value || !context) return
  canvas.value.width = width
  canvas.value.height = height
  const image = context.createImageData(width, height)
  const colours = props.hexes.map(rgb)
  pots.forEach((pot, at) => {
    const colour = pot === air ? undefined : colours[pot]
    if (colour) image.data.set([...colour, 255], at * 4)
  })
  context.putImageData(image, 0, 0)
}

const path = ref<SectionPoint[]>([])
const allMoves = (): readonly PourMove[] =>
  props.tool && path.value.length > 1 ? [...props.moves, { kind: props.tool, path: path.value }] : props.moves

function pointOf(event: PointerEvent): SectionPoint {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const share = (part: number, whole: number): number => Math.min(1, Math.max(0, part / whole))
  const { widthMm, heightMm } = props.section
  return {
    xMm: Number((share(event.clientX - box.left, box.width) * widthMm).toFixed(1)),
    yMm: Number(((1 - share(event.clientY - box.top, box.height)) * heightMm).toFixed(1)),
  }
}
/** Points nearer than this to the one before add nothing to a path, mm. */
const leastStepMm = 2
function begin(event: PointerEvent): void {
  if (!props.tool) return
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  path.value = [pointOf(event)]
}
function follow(event: PointerEvent): void {
  const last = path.value.at(-1)
  if (!last) return
  const point = pointOf(event)
  if (Math.hypot(point.xMm - last.xMm, point.yMm - last.yMm) < leastStepMm) return
  path.value = [...path.value, point]
  void paint(coarse)
}
function end(): void {
  if (path.value.length > 1) emit('drawn', path.value)
  path.value = []
}

onMounted(() => {
  worker = new Worker(new URL('../workers/pourPicture.worker.ts', import.meta.url), { type: 'module' })
  painter = wrap<PourPainter>(worker)
  void paint(fine)
})
onBeforeUnmount(() => worker?.terminate())
watch(
  () => [props.moves, props.hexes, props.potAreasMm2, props.section],
  () => void paint(fine),
  { deep: true },
)
</script>

<template>
  <div
    class="inside"
    :class="{ drawing: tool }"
    :style="{ width: `${shownPx}px`, height: `${heightPx}px` }"
    role="img"
    aria-label="The inside of the loaf, simulated"
    data-test="pour-picture"
    @pointerdown="begin"
    @pointermove="follow"
    @pointerup="end"
    @pointercancel="path = []"
  >
    <canvas ref="canvas" />
  </div>
</template>

<style scoped>
.inside {
  max-width: 100%;
  border: 2px solid rgb(var(--v-theme-quiet));
  border-top: none;
  background: rgb(var(--v-theme-background));
}

.drawing {
  cursor: crosshair;
  touch-action: none;
}

canvas {
  display: block;
  width: 100%;
  height: 100%;
}
</style>
