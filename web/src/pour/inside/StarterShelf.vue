<script setup lang="ts">
import { faceAddress } from '@/parts/faces'
import type { NewDesign, SavedMould } from '@vendange/contract'
import type { MouldSection, Technique } from '@vendange/core/pour'
import { starterPlan, techniques } from '@vendange/core/pour'
import { computed } from 'vue'
import { techniqueWords } from './moveWords'

/** Techniques side by side, each with the picture that it would give in this mould and these colours. */
const props = defineProps<{ colours: NewDesign['colours']; mould: SavedMould; section: MouldSection }>()
const emit = defineEmits<{ take: [technique: Technique] }>()
const shown = computed(() =>
  techniques.map((technique) => ({
    technique,
    address: faceAddress(
      {
        name: techniqueWords[technique],
        colours: props.colours,
        pourPlan: starterPlan(technique, props.colours.length, props.section),
      },
      props.mould,
    ),
  })),
)
</script>

<template>
  <div class="shelf" data-test="starters">
    <button
      v-for="{ technique, address } in shown"
      :key="technique"
      type="button"
      :data-test="`start-${technique}`"
      @click="emit('take', technique)"
    >
      <img v-if="address" :src="address" alt="" width="150" height="105" />
      <span v-else class="empty" />
      {{ techniqueWords[technique] }}
    </button>
  </div>
</template>

<style scoped>
.shelf {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(max(150px, var(--least-field)), 1fr));
  gap: 14px;
}

button {
  display: grid;
  gap: 6px;
  justify-items: start;
  padding: 6px;
  border-radius: 6px;
  text-align: left;
  font: inherit;
  color: inherit;
  background: none;
  border: 1px solid transparent;
  cursor: pointer;
}

button:hover,
button:focus-visible {
  border-color: rgb(var(--v-theme-primary));
}

img,
.empty {
  width: 100%;
  height: auto;
  aspect-ratio: 10 / 7;
  border-radius: 4px;
  object-fit: contain;
  object-position: left;
}
</style>
