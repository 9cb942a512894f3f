<script setup lang="ts">
import { codeReader } from '@/parts/codeReader'
import { useSeason } from '@/parts/seasonStore'
import type { LoafSummary } from '@vendange/contract'
import { loafOfPhoto } from '@vendange/core/cure'
import { counted } from '@vendange/words'
import { computed, ref, shallowRef } from 'vue'

/** Photographs from a camera's card, each given to its loaf by the code it shows or by its name; the rest by hand. */
const props = defineProps<{
  loaves: readonly LoafSummary[]
  keep: (loaf: LoafSummary, file: File) => Promise<string | undefined>
}>()
const season = useSeason()

interface Photo {
  readonly file: File
  readonly address: string
  readonly loafId: string | null
}
const open = shallowRef<readonly Photo[]>([])
const kept = ref(0)
const isReading = ref(false)
const trouble = ref<string>()
const choices = computed(() =>
  props.loaves.map(({ id, name, lotCode }) => ({ value: id, title: `${name}, ${lotCode}` })),
)

async function codeOn(file: File): Promise<string | undefined> {
  try {
    const [read, picture] = await Promise.all([codeReader(), createImageBitmap(file)])
    return await read(picture)
  } catch {
    // What is no picture, or shows no code, goes by its name.
    return undefined
  }
}
async function take(files: File | readonly File[] | null | undefined): Promise<void> {
  isReading.value = true
  trouble.value = undefined
  try {
    for (const file of [files ?? []].flat()) {
      const loaf = loafOfPhoto(props.loaves, await codeOn(file), file.name)
      if (loaf) await keepOne(file, loaf)
      else open.value = [...open.value, { file, address: URL.createObjectURL(file), loafId: null }]
    }
  } finally {
    isReading.value = false
  }
}
async function keepOne(file: File, loaf: LoafSummary): Promise<boolean> {
  // As it stands by now: another photograph may have been its last.
  const failure = await props.keep(season.loaf(loaf.id) ?? loaf, file)
  if (failure === undefined) kept.value += 1
  else trouble.value = `${file.name}: ${failure}`
  return failure === undefined
}
async function choose(photo: Photo, loafId: string | null): Promise<void> {
  const loaf = loafId === null ? undefined : season.loaf(loafId)
  if (!loaf || !(await keepOne(photo.file, loaf))) return
  URL.revokeObjectURL(photo.address)
  open.value = open.value.filter((one) => one !== photo)
}
</script>

<template>
  <section class="sheet stack" data-test="photos-of-camera">
    <h2>From a camera</h2>
    <p class="quiet">Each goes to its loaf by the code on the card beside it, or by the lot in its name.</p>
    <v-file-input
      label="Photographs"
      multiple
      accept="image/jpeg,image/png,image/webp"
      variant="outlined"
      density="compact"
      hide-details="auto"
      :loading="isReading"
      :model-value="[]"
      @update:model-value="take"
    />
    <p v-if="kept > 0" role="status" data-test="photos-kept">{{ counted(kept, 'photograph') }} kept.</p>
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
    <div v-for="photo in open" :key="photo.address" class="row">
      <img :src="photo.address" height="56" :alt="photo.file.name" />
      <v-select
        :items="choices"
        :label="`Which loaf is ${photo.file.name}`"
        @update:model-value="choose(photo, $event)"
      />
    </div>
  </section>
</template>

<style scoped>
.row {
  flex-wrap: nowrap;
}

img {
  border-radius: 4px;
}
</style>
