<script setup lang="ts">
/** The large buttons at the foot of the bench: back, take, and what comes after the last step. */
defineProps<{
  hasStepBefore: boolean
  stage: 'step' | 'done' | 'poured'
  takeWords: string
  isTaking: boolean
  mayFinish: boolean
}>()
const emit = defineEmits<{ back: []; take: []; finish: [] }>()
</script>

<template>
  <footer>
    <v-btn class="big" variant="tonal" :disabled="!hasStepBefore" aria-label="Step before" @click="emit('back')"
      >← Back</v-btn
    >
    <v-btn
      v-if="stage === 'step'"
      class="big main"
      color="brass"
      variant="flat"
      :loading="isTaking"
      data-test="done"
      @click="emit('take')"
      >{{ takeWords }}</v-btn
    >
    <v-btn v-else-if="stage === 'poured'" class="big main" color="brass" variant="flat" to="/cut">To the cut</v-btn>
    <v-btn
      v-else
      class="big main"
      color="brass"
      variant="flat"
      :disabled="!mayFinish"
      data-test="finish"
      @click="emit('finish')"
      >Finish the pour</v-btn
    >
    <v-btn class="big" variant="tonal" to="/pour">Leave</v-btn>
  </footer>
</template>

<style scoped>
footer {
  position: sticky;
  bottom: 0;
  /* Labels of fields have a place of their own in depth. */
  z-index: 2;
  display: flex;
  gap: 18px;
  padding: 22px 0 32px;
  background: rgb(var(--v-theme-background));
}

.big {
  height: 84px !important;
  min-width: 150px;
  font-size: 1.3rem;
}

.main {
  flex: 1;
}

/* The step is done with the whole width of a phone. */
@media (max-width: 599px) {
  footer {
    flex-wrap: wrap;
    gap: 10px;
    padding: 14px 0 calc(14px + env(safe-area-inset-bottom));
  }

  .big {
    flex: 1;
    height: 60px !important;
    min-width: 0;
  }

  .main {
    order: -1;
    flex: 1 0 100%;
    height: 84px !important;
  }
}
</style>
