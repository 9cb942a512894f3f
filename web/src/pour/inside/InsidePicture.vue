<script setup lang="ts">
import { plainCopy } from '@/parts/plainCopy'
import type { Picture } from '@/workers/pourPicture.worker'
import { startPainter } from '@/workers/pourPainter'
import type { CutPlane } from '@vendange/core/cutting'
import type { Hand, MouldSection, MoveLine, Plane, SectionPoint } from '@vendange/core/pour'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { roundTo } from '@vendange/core/units'

type DrawingTool = 'hanger' | 'skewer' | 'line'

/** The inside of the loaf as its moves leave it. A tool's path is drawn on it, by hand or by keys. */
const props = defineProps<{
  lines: readonly MoveLine[]
  hexes: readonly string[]
  potAreasMm2: readonly number[]
  section: MouldSection
  /** Seen across the loaf, or from above at half its height. */
  seen: Plane
  hand: Hand | undefined
  /** The tool whose path is drawn, or the line that a move follows; none when the picture is only looked at. */
  tool: DrawingTool | undefined
}>()
const emit = defineEmits<{ drawn: [path: SectionPoint[]]; painted: [picture: Picture] }>()

const shownPx = 440
const mostHighPx = 460
/** Points across: fine when it is looked at, coarse while a path follows the hand. */
const fine = { px: 512, across: 96 } as const
const coarse = { px: 192, across: 64 } as const
const upMm = computed(() => (props.seen === 'plan' ? props.section.lengthMm : props.section.heightMm))
const scale = computed(() => Math.min(shownPx / props.section.widthMm, mostHighPx / upMm.value))
const canvas = ref<HTMLCanvasElement>()

let end: () => void = () => undefined
let painter: ReturnType<typeof startPainter>['painter'] | undefined
let isPainting = false
let wanted: typeof fine | typeof coarse | undefined

const path = ref<SectionPoint[]>([])
/** Where keys would put the next point. */
const cursor = ref<SectionPoint>()
const allLines = (): readonly MoveLine[] =>
  props.tool && props.tool !== 'line' && path.value.length > 1
    ? [...props.lines, { kind: props.tool, path: path.value, plane: props.seen }]
    : props.lines

function planeSeen(): CutPlane {
  const { widthMm, lengthMm, heightMm, fillMm } = props.section
  return props.seen === 'plan'
    ? { kind: 'level', leftMm: 0, rightMm: widthMm, heightMm: fillMm / 2, fromMm: 0, toMm: lengthMm }
    : { kind: 'across', leftMm: 0, rightMm: widthMm, alongMm: lengthMm / 2, upToMm: heightMm }
}

async function paint(how: typeof fine | typeof coarse): Promise<void> {
  wanted = how
  if (isPainting || !painter) return
  isPainting = true
  try {
    while (wanted) {
      const { px, across } = wanted
      wanted = undefined
      const height = Math.max(1, Math.round((px * upMm.value) / props.section.widthMm))
      const { potAreasMm2, section, hexes, hand } = props
      const request = { lines: allLines(), potAreasMm2, section, plane: planeSeen(), hexes, across, hand }
      const picture = await painter.paint(plainCopy(request), px, height)
      show(picture, px, height)
      if (across === fine.across) emit('painted', picture)
    }
  } finally {
    isPainting = false
  }
}

function show({ pixels }: Picture, width: number, height: number): void {
  const context = canvas.value?.getContext('2d')
  if (!canvas.value || !context) return
  canvas.value.width = width
  canvas.value.height = height
  context.putImageData(new ImageData(pixels, width, height), 0, 0)
}

function pointOf(event: PointerEvent): SectionPoint {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const share = (part: number, whole: number): number => Math.min(1, Math.max(0, part / whole))
  return {
    xMm: roundTo(share(event.clientX - box.left, box.width) * props.section.widthMm, 1),
    yMm: roundTo((1 - share(event.clientY - box.top, box.height)) * upMm.value, 1),
  }
}
/** Points nearer than this to the one before add nothing to a path, mm. */
const leastStepMm = 2
/** As many points as a path may keep. */
const mostPoints = 400
function begin(event: PointerEvent): void {
  if (!props.tool) return
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  path.value = [pointOf(event)]
}
function follow(event: PointerEvent): void {
  const last = path.value.at(-1)
  if (!last || cursor.value || path.value.length >= mostPoints) return
  const point = pointOf(event)
  if (Math.hypot(point.xMm - last.xMm, point.yMm - last.yMm) < leastStepMm) return
  path.value = [...path.value, point]
  void paint(coarse)
}
function finish(): void {
  if (path.value.length > 1) emit('drawn', path.value)
  path.value = []
  cursor.value = undefined
}
const arrows: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}
/** Arrows move a point, Space sets it, Enter ends the path, Backspace takes the last point back, Escape leaves it. */
function press(event: KeyboardEvent): void {
  if (!props.tool) return
  const arrow = arrows[event.key]
  const at = cursor.value ?? { xMm: props.section.widthMm / 2, yMm: upMm.value / 2 }
  if (arrow) {
    const stepMm = event.shiftKey ? 10 : 2
    const within = (mm: number, most: number): number => roundTo(Math.min(most, Math.max(0, mm)), 1)
    cursor.value = {
      xMm: within(at.xMm + arrow[0] * stepMm, props.section.widthMm),
      yMm: within(at.yMm + arrow[1] * stepMm, upMm.value),
    }
  } else if (event.key === ' ') path.value = [...path.value, at]
  else if (event.key === 'Backspace') path.value = path.value.slice(0, -1)
  else if (event.key === 'Enter') finish()
  else if (event.key === 'Escape') {
    path.value = []
    cursor.value = undefined
  } else return
  event.preventDefault()
  event.stopPropagation()
  void paint(event.key === 'Enter' ? fine : coarse)
}
const outline = computed(() =>
  path.value.map(({ xMm, yMm }) => `${xMm * scale.value},${(upMm.value - yMm) * scale.value}`).join(' '),
)

onMounted(() => {
  const started = startPainter()
  ;({ painter, end } = started)
  void paint(fine)
})
onBeforeUnmount(() => end())
watch(
  () => [props.lines, props.hexes, props.potAreasMm2, props.section, props.seen, props.hand],
  () => void paint(fine),
  { deep: true },
)

/** The picture as it is, for a file. */
defineExpose({
  comeIntoSight: (): void => canvas.value?.scrollIntoView({ block: 'center' }),
  png: (): Promise<Blob | null> =>
    new Promise((resolve) => (canvas.value ? canvas.value.toBlob(resolve) : resolve(null))),
  svg: async (title: string): Promise<string> => {
    const { lines, potAreasMm2, section, hexes, hand } = props
    const request = { lines, potAreasMm2, section, plane: planeSeen(), hexes, hand }
    const height = Math.round((fine.px * upMm.value) / section.widthMm)
    return (await painter?.svg(plainCopy(request), fine.px, height, title)) ?? ''
  },
})
</script>

<template>
  <div
    class="inside"
    :class="{ drawing: tool, above: seen === 'plan' }"
    :style="{ width: `${section.widthMm * scale}px`, height: `${upMm * scale}px` }"
    role="img"
    :tabindex="tool ? 0 : -1"
    :aria-label="
      tool
        ? 'The inside of the loaf. Arrows move a point, Space sets it, Enter ends the path.'
        : 'The inside of the loaf, simulated'
    "
    data-test="pour-picture"
    @pointerdown="begin"
    @pointermove="follow"
    @pointerup="finish"
    @pointercancel="path = []"
    @keydown="press"
  >
    <canvas ref="canvas" />
    <svg v-if="tool" class="path" aria-hidden="true">
      <polyline :points="outline" />
      <circle v-if="cursor" :cx="cursor.xMm * scale" :cy="(upMm - cursor.yMm) * scale" r="6" />
    </svg>
  </div>
</template>

<style scoped>
.inside {
  position: relative;
  max-width: 100%;
  border: 2px solid rgb(var(--v-theme-quiet));
  border-top: none;
  background: rgb(var(--v-theme-background));
  box-sizing: content-box;
}

.above {
  border-top: 2px solid rgb(var(--v-theme-quiet));
}

.drawing {
  cursor: crosshair;
  touch-action: none;
}

canvas,
.path {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}

.path {
  pointer-events: none;
}

polyline {
  fill: none;
  stroke: rgb(var(--v-theme-primary));
  stroke-width: 2;
  stroke-dasharray: 5 4;
}

circle {
  fill: rgb(var(--v-theme-primary));
  stroke: rgb(var(--v-theme-surface));
  stroke-width: 2;
}
</style>
