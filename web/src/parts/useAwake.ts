import { onBeforeUnmount, onMounted } from 'vue'

/** Keeps the screen awake while a page is looked at, where the device lets it. */
export function useAwake(): void {
  let lock: WakeLockSentinel | undefined
  let isGone = false

  async function hold(): Promise<void> {
    if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return
    // A device that is short of battery refuses.
    lock = await navigator.wakeLock.request('screen').catch(() => undefined)
    if (isGone) void lock?.release()
  }
  const again = (): void => void hold()

  onMounted(() => {
    again()
    // A page that was out of sight has lost its lock.
    document.addEventListener('visibilitychange', again)
  })
  onBeforeUnmount(() => {
    isGone = true
    document.removeEventListener('visibilitychange', again)
    void lock?.release()
  })
}
