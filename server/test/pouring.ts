import type { BatchView } from '@vendange/contract'
import { endpoints } from '@vendange/contract'
import { pourSession } from '@vendange/core/batch'
import type { TestWorkshop } from './workshopAtTest'

/** Does every step at the bench that is still open, as asked for at its time, up to `stepKey` (not done) or the end. */
export async function pourUpTo(
  { api }: TestWorkshop,
  batchId: string,
  stepKey: string | null,
  replaced: Readonly<Record<string, number>> = {},
): Promise<BatchView> {
  let view = await api(endpoints.batches.view, { params: { id: batchId } })
  for (;;) {
    const state = pourSession(view.plan, view.records)
    const step = state.steps[state.nextIndex]
    if (!step || step.key === stepKey) return view
    view = await api(endpoints.batches.record, {
      params: { id: batchId },
      body: { stepKey: step.key, actual: replaced[step.key] ?? step.target },
    })
  }
}
