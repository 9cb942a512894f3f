<script setup lang="ts">
import { photoAddress } from '@/parts/api'
import { keepPhoto } from '@/parts/keepPhoto'
import PhotoField from '@/parts/PhotoField.vue'
import { useLoafEvents } from '@/parts/recordLoafEvent'
import { useSeason } from '@/parts/seasonStore'
import type { LoafSummary } from '@vendange/contract'
import { daysBetween } from '@vendange/core/calendar'
import { photoCureDays, photoDue } from '@vendange/core/cure'
import { computed, ref } from 'vue'

/** The face on day 1, 7 and 28 of its cure: how its colours move. */
const props = defineProps<{ loaf: LoafSummary; cutDay: string }>()
const season = useSeason()
const { record, trouble, isSending } = useLoafEvents()
const photo = ref<File>()

const photos = computed(() =>
  props.loaf.state.photos.map(({ day, photoId }) => ({ photoId, cureDay: daysBetween(props.cutDay, day) })),
)
const due = computed(() =>
  photoDue(
    props.loaf.state.photos.map(({ day }) => day),
    props.cutDay,
    season.today,
  ),
)
const days = photoCureDays.join(', ')
const words = computed(() =>
  due.value === undefined
    ? `Photographed on days ${days}, in the same place and light, its colours can be followed.`
    : `The photograph of day ${due.value} is due: same place, same light, the same face.`,
)
async function keep(): Promise<void> {
  if (!photo.value) return
  const kept = await keepPhoto(photo.value)
  if ('failure' in kept) {
    trouble.value = kept.failure
    return
  }
  if (await record(props.loaf, { type: 'photographed', day: season.today, photoId: kept.photoId }, kept.photo))
    photo.value = undefined
}
</script>

<template>
  <section class="sheet stack" data-test="cure-photos">
    <h2>Its face</h2>
    <p :class="{ brass: due !== undefined }">{{ words }}</p>
    <div v-if="photos.length > 0" class="row">
      <figure v-for="{ photoId, cureDay } in photos" :key="photoId">
        <img :src="photoAddress(photoId)" height="84" :alt="`Its face on day ${cureDay}`" />
        <figcaption>Day {{ cureDay }}</figcaption>
      </figure>
    </div>
    <form class="stack" @submit.prevent="keep">
      <PhotoField v-model="photo" label="Photograph of the face" />
      <div>
        <v-btn type="submit" :disabled="!photo" :loading="isSending" data-test="keep-photo">Keep it</v-btn>
      </div>
    </form>
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
figure {
  margin: 0;
}

img {
  border-radius: 4px;
}
</style>
