<script setup lang="ts">
/** A photograph chosen from the camera or from a file. */
defineProps<{ label: string }>()
const file = defineModel<File | undefined>({ required: true })
function choose(files: File | File[] | null | undefined): void {
  file.value = Array.isArray(files) ? files[0] : (files ?? undefined)
}
</script>

<template>
  <v-file-input
    :model-value="file ?? null"
    :label="label"
    accept="image/jpeg,image/png,image/webp"
    variant="outlined"
    density="compact"
    hide-details="auto"
    @update:model-value="choose"
  />
</template>
