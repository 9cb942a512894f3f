<script setup lang="ts">
/** The section of the mould as it should stand after a move. */
defineProps<{
  picture: string | undefined
  number: number
  /** Most of its width and height, px. */
  mostPx: number
}>()
</script>

<template>
  <img
    v-if="picture"
    :src="picture"
    :style="{ maxWidth: `${mostPx}px`, maxHeight: `${mostPx}px` }"
    :alt="`The section as it should stand after move ${number}`"
    data-test="move-picture"
  />
</template>

<style scoped>
img {
  flex: none;
  border: 2px solid rgb(var(--v-theme-quiet));
  border-top: none;
}
</style>
