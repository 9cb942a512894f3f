<script setup lang="ts">
import { aroundPrint } from '@/parts/aroundPrint'
import { useSeason } from '@/parts/seasonStore'
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import BoardCures from './BoardCures.vue'
import BoardFlags from './BoardFlags.vue'
import BoardGrid from './BoardGrid.vue'
import BoardLabels from './BoardLabels.vue'
import BoardLoads from './BoardLoads.vue'
import BoardPours from './BoardPours.vue'
import BoardZoom from './BoardZoom.vue'
import { loadLayout } from './boardLoads'
import type { useBoardDrag } from './useBoardDrag'
import { cureHeight, headHeight, rowHeight, useBoardWall, zooms } from './useBoardWall'
import { useLater } from './useLater'

/** The maker's wall: moulds, racks, makers' hours and cures over time. */
const props = defineProps<{ drag: ReturnType<typeof useBoardDrag> }>()
const season = useSeason()
const wall = useBoardWall(props.drag)
const { zoom, zoomThere, isPrinting, atOnce, scrolled, todayAt, dayWidth, width, rows, cureRows } = wall
const zoomLabels = zooms.map(({ label }) => label)
/** Room for the bar that scrolls the wall, px. */
const scrollbarHeight = 16

// Only what stands in sight is drawn.
const scroller = ref<HTMLElement>()
function lookAt(left: number, width: number): void {
  if (left !== scrolled.value.left || width !== scrolled.value.width) scrolled.value = { left, width }
}
let isMeasuring = false
function measure(): void {
  if (isMeasuring) return
  isMeasuring = true
  requestAnimationFrame(() => {
    isMeasuring = false
    const element = scroller.value
    if (element) lookAt(element.scrollLeft, element.clientWidth)
  })
}

const layout = computed(() => loadLayout(season.workshop?.racks ?? [], season.makers))
const mouldsHeight = computed(() => rows.value.length * rowHeight)
const loadsTop = computed(() => mouldsHeight.value + 52)
const curesTop = computed(() => loadsTop.value + layout.value.height + 14)
// The page makes room for more cures in a frame of its own.
const cureRowsThere = useLater(() => cureRows.value, 1, atOnce)
const boardHeight = computed(() => curesTop.value + cureRowsThere.value * cureHeight + 8)
const wallHeight = computed(() => boardHeight.value + headHeight)

const leftOfToday = (): number => Math.max(0, (todayAt.value - 4) * dayWidth.value)
function goToToday(): void {
  scroller.value?.scrollTo({ left: leftOfToday() })
  measure()
}
watch(zoomThere, () => {
  lookAt(leftOfToday(), scrolled.value.width)
  // Scrolling asks for the layout: in a frame of its own.
  requestAnimationFrame(goToToday)
})
let leftOnScreen = 0
aroundPrint(
  () => {
    leftOnScreen = scroller.value?.scrollLeft ?? 0
    isPrinting.value = true
  },
  () => {
    isPrinting.value = false
    void nextTick(() => scroller.value?.scrollTo({ left: leftOnScreen }))
  },
)
onMounted(() => {
  measure()
  goToToday()
})
</script>

<template>
  <section class="board sheet" aria-label="The season board">
    <BoardZoom v-model="zoom" :labels="zoomLabels" @today="goToToday" />
    <div class="frame">
      <BoardLabels :rows="rows" :layout="layout" :loads-top="loadsTop" :cures-top="curesTop" :height="wallHeight" />
      <div
        ref="scroller"
        class="scroller"
        data-test="board-scroller"
        data-swipe
        tabindex="-1"
        :style="`height: ${wallHeight + scrollbarHeight}px`"
        @scroll.passive="measure"
      >
        <div class="wall" :style="`width: ${width}px; height: ${wallHeight}px`">
          <BoardGrid :wall="wall" :height="boardHeight" />
          <BoardCures :wall="wall" :style="`top: ${headHeight + curesTop}px`" />
          <BoardLoads :drag="drag" :wall="wall" :layout="layout" :style="`top: ${headHeight + loadsTop}px`" />
          <BoardFlags :wall="wall" :name-top="headHeight + mouldsHeight + 5" :height="boardHeight" />
          <BoardPours class="layer" :drag="drag" :wall="wall" />
        </div>
      </div>
    </div>
  </section>
</template>

<style scoped>
.board {
  padding: 10px 14px 12px;
}

.frame {
  display: flex;
}

.scroller {
  flex: 1;
  min-width: 0;
  overflow: auto hidden;
  /* What happens on the wall does not lay out the page anew. */
  contain: strict;
}

.wall {
  position: relative;
  contain: strict;
}

.layer {
  position: absolute;
  top: 30px;
  left: 0;
}

@media print {
  .board {
    zoom: 0.9;
  }

  .scroller {
    overflow: hidden;
  }
}
</style>
