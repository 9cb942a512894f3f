<script setup lang="ts">
import { mdiUpload } from '@mdi/js'
import { ref } from 'vue'

/** A button that asks for a file; the same file may be chosen twice in a row. */
defineProps<{
  label: string
  accept: string
  test: string
  loading?: boolean
  variant?: 'text' | 'outlined'
  size?: 'small' | 'default'
}>()
const emit = defineEmits<{ file: [file: File] }>()
const input = ref<HTMLInputElement>()
function chosen(): void {
  const file = input.value?.files?.[0]
  if (!file) return
  emit('file', file)
  if (input.value) input.value.value = ''
}
</script>

<template>
  <v-btn
    :size="size ?? 'small'"
    :prepend-icon="mdiUpload"
    :variant="variant ?? 'outlined'"
    :loading="loading ?? false"
    @click="input?.click()"
    >{{ label }}</v-btn
  >
  <input ref="input" type="file" :accept="accept" :aria-label="label" hidden :data-test="test" @change="chosen" />
</template>
