import type { BenchTimer } from '@vendange/core/batch'
import { clockJumpMs, remainingMs, shiftTimers } from '@vendange/core/batch'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'

const tickMs = 500
/** A ring that nobody hears is repeated so often, ms. */
const ringEveryMs = 4000
const toneHz = 880
const toneS = 0.35

/** Three short tones and shakes, for ears and gloves; silent where the browser allows no sound yet. */
function ring(): void {
  navigator.vibrate?.([250, 150, 250, 150, 250])
  if (typeof AudioContext === 'undefined') return
  const audio = new AudioContext()
  for (let beat = 0; beat < 3; beat++) {
    const tone = audio.createOscillator()
    tone.frequency.value = toneHz
    tone.connect(audio.destination)
    tone.start(audio.currentTime + beat * toneS * 1.5)
    tone.stop(audio.currentTime + beat * toneS * 1.5 + toneS)
  }
  setTimeout(() => void audio.close(), 3000)
}

/** The timers of one pour. They outlive a reload, and ring until somebody has heard. */
export function useBenchTimers(batchId: string) {
  const key = `vendange.timers.${batchId}`
  const timers = shallowRef<readonly BenchTimer[]>(JSON.parse(localStorage.getItem(key) ?? '[]') as BenchTimer[])
  const nowMs = ref(Date.now())
  const note = ref<string>()
  let passed = performance.now()
  let lastRing = 0
  let tick: ReturnType<typeof setInterval> | undefined

  watch(timers, (now) => localStorage.setItem(key, JSON.stringify(now)))
  const shown = computed(() => timers.value.map((timer) => ({ ...timer, leftMs: remainingMs(timer, nowMs.value) })))

  function start(minutes: number, label: string): void {
    nowMs.value = Date.now()
    timers.value = [
      ...timers.value,
      { id: crypto.randomUUID(), label, minutes, endsAtMs: nowMs.value + minutes * 60_000 },
    ]
  }
  function end(id: string): void {
    timers.value = timers.value.filter((timer) => timer.id !== id)
  }

  function look(): void {
    const wall = Date.now()
    const inner = performance.now()
    const jumpMs = clockJumpMs(wall - nowMs.value, inner - passed)
    // Going ahead it may as well have slept; then the timers ring at once, which is the safe side.
    if (jumpMs < 0 && timers.value.length > 0) {
      timers.value = shiftTimers(timers.value, jumpMs)
      note.value = 'The clock of this tablet was set back. The timers still ring after the time they were set to.'
    }
    nowMs.value = wall
    passed = inner
    if (shown.value.some(({ leftMs }) => leftMs === 0) && inner - lastRing > ringEveryMs) {
      lastRing = inner
      ring()
    }
  }
  onMounted(() => (tick = setInterval(look, tickMs)))
  onBeforeUnmount(() => clearInterval(tick))
  return { shown, note, start, end }
}

export type BenchTimers = ReturnType<typeof useBenchTimers>
