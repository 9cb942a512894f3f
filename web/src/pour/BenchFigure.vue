<script setup lang="ts">
import type { SessionStep } from '@vendange/core/batch'
import { shareDone } from '@vendange/core/batch'
import { computed } from 'vue'
import { useStepFigure } from './useStepFigure'

/** The figure of a step, to be read at arm's length, and how far its weighing has come. */
const props = defineProps<{
  step: SessionStep
  /** What goes into the vessel at hand: g or °C. */
  target: number | null
  /** "part 1 of 2", where the step is split. */
  part: string | undefined
  underWay: number
  toGo: string | undefined
  /** What scale or probe show; undefined where none is connected. */
  live: string | undefined
}>()
const figure = useStepFigure()

/** A digit of the display type, a letter of its unit and the space between, em of the figure. */
const [digitEm, unitEm, gapEm] = [0.6, 0.26, 0.2]

/** The figure asked for, its unit set smaller. */
const parts = computed(() => {
  const [number = '', unit = ''] = figure(props.step, props.target).split(' ')
  return { number, unit }
})
/** About how wide it is printed, em: a figure of seven digits has to fit a telephone as well. */
const widthEm = computed(() => digitEm * parts.value.number.length + unitEm * parts.value.unit.length + gapEm)
</script>

<template>
  <div v-if="step.target !== null" class="figure">
    <span v-if="part" class="part" data-test="part">{{ part }}</span>
    <b data-test="target" :style="{ '--width-em': widthEm }"
      >{{ parts.number }} <small>{{ parts.unit }}</small></b
    >
    <span v-if="step.planned !== step.target && !part" class="planned">planned {{ figure(step, step.planned) }}</span>
    <span v-if="toGo" class="togo" data-test="to-go">{{ toGo }}</span>
  </div>
  <div v-if="step.kind === 'weigh'" class="track" aria-hidden="true">
    <i :style="{ width: `${shareDone(target ?? 0, underWay) * 100}%` }" />
  </div>
  <p v-if="live !== undefined" class="live" data-test="live">
    {{ step.kind === 'weigh' ? 'Scale' : 'Probe' }}: <b>{{ live }}</b>
  </p>
</template>

<style scoped>
.figure {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 28px;
  margin-top: 10px;
  font-size: 1.7rem;
}

.figure b {
  font-family: var(--serif);
  font-size: min(7.4rem, calc((100vw - 48px) / var(--width-em)));
  line-height: 1.2;
  font-weight: 600;
  white-space: nowrap;
}

.figure small {
  margin-left: -0.3em;
  font-size: 0.42em;
}

.part,
.planned {
  color: rgb(var(--v-theme-quiet));
}

.togo {
  color: rgb(var(--v-theme-brass));
}

.track {
  flex: none;
  height: 14px;
  margin-top: 6px;
  border-radius: 7px;
  background: rgb(var(--v-theme-surface-variant));
  overflow: hidden;
}

.track i {
  display: block;
  height: 100%;
  background: rgb(var(--v-theme-brass));
}

.live {
  margin-top: 10px;
  font-size: 1.35rem;
  color: rgb(var(--v-theme-quiet));
}

.live b {
  color: rgb(var(--v-theme-on-surface));
}
</style>
