<script setup lang="ts">
import { useOwnScreen } from '@/parts/ownScreen'
import { useSeason } from '@/parts/seasonStore'
import { useUndo } from '@/parts/undoStore'
import { mdiKeyboardOutline, mdiMagnify, mdiThemeLightDark, mdiUndo } from '@mdi/js'
import { useTheme } from 'vuetify'

const emit = defineEmits<{ find: []; keys: [] }>()

const season = useSeason()
const screen = useOwnScreen()
const undo = useUndo()
const theme = useTheme()

function toggleTheme(): void {
  const next = theme.global.name.value === 'night' ? 'paper' : 'night'
  void theme.change(next)
  localStorage.setItem('vendange.theme', next)
}
</script>

<template>
  <v-btn v-if="screen.own && screen.own.makerId" size="small" data-test="sign-out" @click="screen.signOut">{{
    `${season.makers.find(({ id }) => id === screen.own?.makerId)?.name ?? ''}: sign out`
  }}</v-btn>
  <v-select
    v-else-if="season.makers.length > 0 && !screen.isOfNetwork"
    :model-value="season.makerId"
    :items="season.makers"
    item-title="name"
    item-value="id"
    label="At work"
    data-test="maker"
    @update:model-value="season.chooseMaker"
  />
  <div class="tools">
    <v-btn :icon="mdiMagnify" size="30" variant="text" aria-label="Find (/)" title="Find (/)" @click="emit('find')" />
    <v-btn
      :icon="mdiUndo"
      size="30"
      variant="text"
      aria-label="Undo (Ctrl Z)"
      title="Undo (Ctrl Z)"
      @click="undo.undoLast"
    />
    <v-btn
      :icon="mdiThemeLightDark"
      size="30"
      variant="text"
      aria-label="Light or dark"
      title="Light or dark"
      @click="toggleTheme"
    />
    <v-btn
      :icon="mdiKeyboardOutline"
      size="30"
      variant="text"
      aria-label="Keys (?)"
      title="Keys (?)"
      @click="emit('keys')"
    />
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  margin-top: 6px;
}
</style>
