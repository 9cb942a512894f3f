import { api } from '@/parts/api'
import { saveFile } from '@/parts/saveFile'
import type { Problem } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { onScopeDispose, ref } from 'vue'

/** Between two questions how far a sheet is, ms. */
const everyMs = 500

/** A sheet that takes its time: asked for, watched while it is made, and saved. */
export function usePrinting() {
  /** How much of it is made, 0 to 1; undefined while none is. */
  const share = ref<number>()
  const trouble = ref<string>()
  let timer: ReturnType<typeof setInterval> | undefined
  const stop = (): void => clearInterval(timer)
  onScopeDispose(stop)

  async function watch(job: string): Promise<void> {
    const told = await api(endpoints.release.printing, { params: { job } }).catch(() => undefined)
    const made = told?.share ?? 0
    if (share.value !== undefined && made > 0) share.value = made
  }

  /** @param addressFor where the sheet is, asked for under a name */
  async function print(addressFor: (job: string) => string, fileName: string): Promise<void> {
    const job = crypto.randomUUID()
    share.value = 0
    trouble.value = undefined
    timer = setInterval(() => void watch(job), everyMs)
    try {
      const response = await fetch(addressFor(job))
      if (response.ok) saveFile(fileName, 'application/pdf', await response.blob())
      else trouble.value = ((await response.json()) as Problem).detail
    } catch {
      trouble.value = 'The workshop’s server does not answer. Try again.'
    } finally {
      stop()
      share.value = undefined
    }
  }

  return { share, trouble, print }
}
