import { createClient, endpoints } from '@vendange/contract'
import type { SeasonView } from '@vendange/contract'
import { pourSession } from '@vendange/core/batch'

/** Pours a batch as it stands, off the screen, by the first maker of the workshop. */
export async function pourOffScreen(url: string, batchId: string): Promise<void> {
  const { makers } = (await (await fetch(`${url}/api/season`)).json()) as SeasonView
  const api = createClient({ baseUrl: url, makerId: () => makers[0]?.id })
  const params = { id: batchId }
  for (;;) {
    const { plan, records } = await api(endpoints.batches.view, { params })
    const { steps, nextIndex } = pourSession(plan, records)
    const step = steps[nextIndex]
    if (!step) break
    await api(endpoints.batches.record, { params, body: { stepKey: step.key, actual: step.target } })
  }
  await api(endpoints.batches.finish, { params })
}
