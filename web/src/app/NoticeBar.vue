<script setup lang="ts">
import { useUndo } from '@/parts/undoStore'

/** What was just done, and how to take it back. */
const undo = useUndo()
</script>

<template>
  <v-snackbar
    :model-value="undo.notice !== undefined"
    :timeout="6000"
    location="bottom"
    @update:model-value="undo.notice = undefined"
  >
    {{ undo.notice?.text }}
    <template v-if="undo.notice?.canUndo" #actions><v-btn variant="text" @click="undo.undoLast">Undo</v-btn></template>
  </v-snackbar>
</template>
