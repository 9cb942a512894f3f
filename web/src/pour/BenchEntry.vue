<script setup lang="ts">
import StandInPanel from '@/parts/StandInPanel.vue'
import type { SessionStep } from '@vendange/core/batch'
import { mayGoUnweighed } from '@vendange/core/batch'
import { ref } from 'vue'
import type { StepReading } from './useStepReading'
import { useStepFigure } from './useStepFigure'

/** Where the figure of a step comes in: typed, or read from the simulated scale or probe. */
defineProps<{
  step: SessionStep
  /** What goes into the vessel at hand, g or °C. */
  target: number | null
  reading: StepReading
  hasError: boolean
}>()
const typed = defineModel<string>({ required: true })
const emit = defineEmits<{ done: []; unweighed: [] }>()
const figure = useStepFigure()
const box = ref<HTMLElement>()
const field = ref<HTMLElement>()

defineExpose({
  focus: () => field.value?.focus(),
  contains: (target: EventTarget | null): boolean => target instanceof Node && (box.value?.contains(target) ?? false),
})
</script>

<template>
  <div ref="box" class="entry">
    <v-text-field
      ref="field"
      v-model="typed"
      :label="step.kind === 'temperature' ? 'The probe shows' : 'The scale shows'"
      :placeholder="figure(step, target)"
      :error="hasError"
      density="comfortable"
      autocomplete="off"
      inputmode="decimal"
      data-test="reading"
      @keydown.enter="emit('done')"
    />
    <v-btn variant="text" size="small" data-test="connect" @click="reading.toggleInstrument">{{
      reading.isConnected.value
        ? 'Type it instead'
        : `Read it from the simulated ${step.kind === 'weigh' ? 'scale' : 'probe'}`
    }}</v-btn>
    <v-btn v-if="mayGoUnweighed(step)" variant="text" size="small" data-test="unweighed" @click="emit('unweighed')">{{
      step.kind === 'temperature' ? 'Not measured' : 'Done without weighing'
    }}</v-btn>
  </div>
  <StandInPanel
    v-if="reading.isConnected.value"
    :name="step.kind === 'weigh' ? 'scale' : 'probe'"
    :target="target"
    :shown-g="reading.live.value ?? 0"
    @command="(line) => reading.command(line)"
  />
</template>

<style scoped>
.entry {
  display: flex;
  flex: none;
  gap: 16px;
  align-items: center;
  margin-top: 22px;
}

.entry :deep(.v-text-field) {
  max-width: 420px;
}

@media (max-width: 599px) {
  .entry {
    flex-wrap: wrap;
    gap: 6px;
  }

  .entry :deep(.v-text-field) {
    flex: 1 0 100%;
    max-width: none;
  }
}

.entry :deep(input) {
  min-height: 60px;
  font-size: 1.7rem;
}
</style>
