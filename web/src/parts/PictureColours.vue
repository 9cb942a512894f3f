<script setup lang="ts">
import { mainColours } from '@vendange/core/plan'
import { ref } from 'vue'
import { drawSmall } from './drawSmall'

/** Colours out of a picture, computed in the page: its main ones, or the one under the finger. */
withDefaults(defineProps<{ label?: string }>(), { label: 'Drop or choose the client’s picture' })
const emit = defineEmits<{ pick: [hex: string] }>()
const canvas = ref<HTMLCanvasElement>()
const found = ref<readonly { readonly hex: string }[]>([])
const trouble = ref('')
const widest = 260

async function show(file: File | undefined): Promise<void> {
  if (!file) return
  trouble.value = ''
  try {
    if (canvas.value) found.value = mainColours((await drawSmall(file, canvas.value, widest)).data, 5)
  } catch {
    found.value = []
    trouble.value = `${file.name} is no picture that can be read. Choose a JPEG, PNG or WebP file.`
  }
}

function pickAt(event: MouseEvent): void {
  const element = canvas.value
  const context = element?.getContext('2d', { willReadFrequently: true })
  if (!element || !context || found.value.length === 0) return
  const box = element.getBoundingClientRect()
  const x = ((event.clientX - box.left) * element.width) / box.width
  const y = ((event.clientY - box.top) * element.height) / box.height
  const spot = context.getImageData(Math.max(0, x - 2), Math.max(0, y - 2), 5, 5).data
  const [colour] = mainColours(spot, 1)
  if (colour) emit('pick', colour.hex)
}
</script>

<template>
  <div class="drop" @dragover.prevent @drop.prevent="show($event.dataTransfer?.files[0])">
    <label class="choose">
      <input
        type="file"
        accept="image/*"
        data-test="picture"
        @change="show(($event.target as HTMLInputElement).files?.[0])"
      />
      {{ label }}
    </label>
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
    <canvas v-show="found.length > 0" ref="canvas" title="Click a spot to take its colour" @click="pickAt" />
    <div v-if="found.length > 0" class="row">
      <button
        v-for="{ hex } in found"
        :key="hex"
        type="button"
        class="swatch"
        :style="{ background: hex }"
        :aria-label="`Take ${hex}`"
        :title="`Take ${hex}`"
        data-test="main-colour"
        @click="emit('pick', hex)"
      />
      <small class="quiet">Its main colours; or click a spot.</small>
    </div>
  </div>
</template>

<style scoped>
.drop {
  padding: 10px 12px;
  border: 1px dashed rgb(var(--v-theme-quiet));
  border-radius: 4px;
}

.choose {
  display: block;
  font-size: 0.88rem;
  cursor: pointer;
}

.choose input {
  position: absolute;
  opacity: 0;
  width: 1px;
}

.choose:focus-within {
  outline: 2px solid rgb(var(--v-theme-primary));
}

canvas {
  display: block;
  max-width: 100%;
  margin: 8px 0;
  cursor: crosshair;
}

.swatch {
  width: 34px;
  height: 34px;
  border: 1px solid rgb(var(--v-theme-hairline)) !important;
  border-radius: 4px;
  cursor: pointer;
}
</style>
