<script setup lang="ts">
import { mdiClose, mdiQrcodeScan } from '@mdi/js'
import { onBeforeUnmount, ref, useTemplateRef } from 'vue'
import type { ReadsCode } from './codeReader'
import { codeReader } from './codeReader'

/** Codes of cards and labels by the camera, one after the other until it is closed. Typing does as well. */
const emit = defineEmits<{ read: [code: string] }>()

/** So often a picture is looked at, ms: a hand holds a card for longer. */
const lookMs = 150
/** The same code counts again after so long out of sight, ms. */
const forgetMs = 1500
/** A short shake tells the hand that it was read, ms. */
const shakeMs = 80

const video = useTemplateRef<HTMLVideoElement>('video')
const isOpen = ref(false)
const trouble = ref<string>()
/** Only a page that is sent safely may look through the camera. */
const hasCamera = window.isSecureContext && 'mediaDevices' in navigator
let stream: MediaStream | undefined
let timer: ReturnType<typeof setTimeout> | undefined
let last = { code: '', atMs: 0 }

function close(): void {
  clearTimeout(timer)
  for (const track of stream?.getTracks() ?? []) track.stop()
  stream = undefined
  isOpen.value = false
}

function hear(code: string): void {
  const isNew = code !== last.code || Date.now() - last.atMs > forgetMs
  last = { code, atMs: Date.now() }
  if (!isNew) return
  if ('vibrate' in navigator) navigator.vibrate(shakeMs)
  emit('read', code)
}

async function look(read: ReadsCode): Promise<void> {
  if (!isOpen.value) return
  const picture = video.value
  const isThere = picture !== null && picture.readyState >= HTMLMediaElement.HAVE_CURRENT_DATA
  const code = isThere ? await read(picture) : undefined
  if (code !== undefined) hear(code)
  timer = setTimeout(() => void look(read), lookMs)
}

async function open(): Promise<void> {
  trouble.value = undefined
  isOpen.value = true
  try {
    const [read, camera] = await Promise.all([
      codeReader(),
      navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } }),
    ])
    stream = camera
    if (!isOpen.value || !video.value) return close()
    video.value.srcObject = camera
    await video.value.play()
    await look(read)
  } catch {
    close()
    trouble.value = 'The camera cannot be used here. Type the code instead.'
  }
}
onBeforeUnmount(close)
</script>

<template>
  <div v-if="hasCamera" class="scanner">
    <v-btn
      :prepend-icon="isOpen ? mdiClose : mdiQrcodeScan"
      size="large"
      data-test="camera"
      @click="isOpen ? close() : open()"
      >{{ isOpen ? 'Close the camera' : 'Scan with the camera' }}</v-btn
    >
    <p v-if="trouble" class="must" role="alert">{{ trouble }}</p>
    <video v-if="isOpen" ref="video" muted playsinline aria-label="What the camera sees" data-test="camera-picture" />
  </div>
</template>

<style scoped>
video {
  display: block;
  width: min(100%, 420px);
  margin-top: 10px;
  border-radius: 6px;
  background: rgb(var(--v-theme-surface-variant));
}
</style>
