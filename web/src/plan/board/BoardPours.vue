<script setup lang="ts">
import { onBeforeUnmount, shallowReactive, shallowRef, watch } from 'vue'
import PourLayer from './PourLayer.vue'
import type { useBoardDrag } from './useBoardDrag'
import type { BoardWall, Layers } from './useBoardWall'
import { afterFrames } from './useLater'

/**
 * The pours, in a layer for each width of a day that was looked at. A zoom shows another layer: a new one is filled a few
 * pours in each frame, one that was there before stands at once. No frame has to do with all pours.
 */
const props = defineProps<{ drag: ReturnType<typeof useBoardDrag>; wall: BoardWall }>()
/** So many frames no pour comes or goes, until the rest of the wall has followed a zoom. */
const framesToSettle = 5
const { dayWidth } = props.wall
const widths = shallowRef<readonly number[]>([dayWidth.value])
const layers = shallowReactive<Layers>({ current: dayWidth.value, leaving: undefined })

let giveUp: (() => void) | undefined
watch(dayWidth, (now, before) => {
  giveUp?.()
  layers.leaving = before
  const show = (): void => {
    if (!widths.value.includes(now)) widths.value = [...widths.value, now]
    layers.current = now
  }
  const settle = (): void => {
    layers.leaving = undefined
  }
  if (props.wall.atOnce()) {
    show()
    settle()
    return
  }
  // The wall takes its new width in this frame and is scrolled in the next; then the pours come back.
  layers.current = undefined
  giveUp = afterFrames(2, () => {
    show()
    giveUp = afterFrames(framesToSettle, settle)
  })
})
onBeforeUnmount(() => giveUp?.())
</script>

<template>
  <div>
    <div
      v-for="width in widths"
      :key="width"
      :class="{ away: width !== layers.current, kept: width !== layers.current && width !== layers.leaving }"
    >
      <PourLayer :drag="drag" :wall="wall" :day-width="width" :layers="layers" />
    </div>
  </div>
</template>

<style scoped>
/* Out of sight at no cost, */
.away {
  position: absolute;
  left: -100000px;
}

/* and then not shown, and not laid out anew when it is shown again. */
.kept {
  content-visibility: hidden;
}
</style>
