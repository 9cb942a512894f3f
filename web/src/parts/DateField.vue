<!-- Only a field that may be left empty gives null: its value is a day wherever the model is one. -->
<script setup lang="ts" generic="Value extends string | null">
import { mdiCalendarOutline } from '@mdi/js'
import type { Ref } from 'vue'
import { defineAsyncComponent, ref } from 'vue'
import { useTypedDay } from './useTypedDay'

/** A day, typed as a maker writes it or chosen from a calendar. */
const props = defineProps<{
  label: string
  /** What the form or the server has against it. */
  error?: string | undefined
  hint?: string
  /** May be left empty, which is null. */
  optional?: boolean
}>()
const model = defineModel<Value>({ required: true })
// Most pages are read without one ever being opened.
const DayCalendar = defineAsyncComponent(() => import('./DayCalendar.vue'))

const { text, problem, read, leave, choose } = useTypedDay(model as Ref<string | null>, props)
const isOpen = ref(false)
</script>

<template>
  <v-text-field
    class="day"
    :model-value="text"
    :label="label"
    :error-messages="problem ?? error ?? []"
    :hint="hint"
    :persistent-hint="hint !== undefined"
    autocomplete="off"
    @update:model-value="read"
    @blur="leave"
    @keydown.enter="leave"
  >
    <template #append-inner>
      <v-btn
        :icon="mdiCalendarOutline"
        class="open"
        size="x-small"
        variant="text"
        :aria-label="`Choose a day: ${label}`"
        @click.stop="isOpen = true"
      />
      <DayCalendar v-if="isOpen" v-model:open="isOpen" :day="model" @choose="choose" />
    </template>
  </v-text-field>
</template>

<style scoped>
/* The whole of “Wed 28 Sep 2027” has room in the narrowest field. */
.day :deep(.v-field) {
  padding-inline-end: 2px;
}

.day :deep(.v-field__input) {
  padding-inline: 12px 0;
  font-size: 0.94rem;
}

.open {
  width: 28px;
  height: 28px;
}
</style>
