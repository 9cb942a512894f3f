<script setup lang="ts" generic="Value">
/** Buttons of which one is pressed. Plain ones: a press costs the page almost nothing, whatever else it draws then. */
defineProps<{
  choices: readonly {
    readonly value: Value
    readonly words: string
    readonly test?: string
    readonly hint?: string
  }[]
  label: string
}>()
const chosen = defineModel<Value>({ required: true })
</script>

<template>
  <div class="row" role="group" :aria-label="label">
    <button
      v-for="(one, at) in choices"
      :key="at"
      type="button"
      class="choice"
      :aria-pressed="chosen === one.value"
      :title="one.hint"
      :data-test="one.test"
      @click="chosen = one.value"
    >
      {{ one.words }}
    </button>
  </div>
</template>

<style scoped>
.choice {
  min-width: 50px;
  height: 28px;
  padding: 0 12px;
  border-radius: 4px;
  line-height: 28px;
}

@media (max-width: 1199px) {
  .choice {
    min-height: 44px;
    border: 1px solid rgb(var(--v-theme-hairline));
    height: auto;
    padding-block: 10px;
    line-height: 24px;
    text-align: left;
  }
}

.choice:hover {
  background: rgb(var(--v-theme-slate), 0.1);
}

.choice[aria-pressed='true'] {
  background: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-on-primary));
}
</style>
