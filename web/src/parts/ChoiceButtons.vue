<script setup lang="ts" generic="Value">
/** Buttons of which one is pressed. */
withDefaults(
  defineProps<{
    choices: readonly {
      readonly value: Value
      readonly words: string
      readonly test?: string
      readonly hint?: string
    }[]
    label: string
    /** How a button looks that is not pressed. */
    rest?: 'text' | 'outlined'
  }>(),
  { rest: 'text' },
)
const chosen = defineModel<Value>({ required: true })
</script>

<template>
  <div class="row" role="group" :aria-label="label">
    <v-btn
      v-for="(one, at) in choices"
      :key="at"
      size="small"
      :variant="chosen === one.value ? 'flat' : rest"
      :color="chosen === one.value ? 'primary' : undefined"
      :aria-pressed="chosen === one.value"
      :title="one.hint"
      :data-test="one.test"
      @click="chosen = one.value"
      >{{ one.words }}</v-btn
    >
  </div>
</template>
