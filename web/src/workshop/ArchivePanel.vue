<script setup lang="ts">
import { api, problemOf } from '@/parts/api'
import FileButton from '@/parts/FileButton.vue'
import { useSeason } from '@/parts/seasonStore'
import { mdiDownload } from '@mdi/js'
import { endpoints } from '@vendange/contract'
import { counted } from '@vendange/words'
import { ref } from 'vue'

/** All that the workshop keeps as one file, and back into an empty one. */
const season = useSeason()
const words = ref('')
const trouble = ref<string>()
const isTaking = ref(false)
async function take(file: File): Promise<void> {
  trouble.value = undefined
  isTaking.value = true
  try {
    const { loaves, events, photos } = await api(endpoints.archive.take, {
      rawBody: new Blob([file], { type: 'application/zip' }),
    })
    await season.load()
    words.value = `Brought back: ${counted(loaves, 'loaf', 'loaves')}, ${counted(events, 'event')}, ${counted(photos, 'photograph')}.`
  } catch (error) {
    trouble.value = problemOf(error).detail
  } finally {
    isTaking.value = false
  }
}
</script>

<template>
  <section class="sheet stack" data-test="archive">
    <h2>Everything as one file</h2>
    <p class="quiet">Records, photographs and the description of the tables; each file with its hash.</p>
    <div class="row">
      <v-btn
        size="small"
        :prepend-icon="mdiDownload"
        :href="endpoints.archive.make.path"
        download="vendange-archive.zip"
        data-test="make-archive"
        >Export the archive</v-btn
      >
      <FileButton
        label="Bring one back into an empty workshop"
        accept=".zip,application/zip"
        test="take-archive"
        variant="text"
        :loading="isTaking"
        @file="take"
      />
    </div>
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
    <p v-else class="quiet" role="status">{{ words }}</p>
  </section>
</template>
