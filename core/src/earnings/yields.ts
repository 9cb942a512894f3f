import type { MadeBatch } from './costs'
import type { Period } from './earnings'

/** What was hoped for of a soap's pours, and what came of them. */
export interface SoapYield {
  readonly soap: string
  readonly pours: number
  readonly barsPlanned: number
  readonly barsOut: number
  readonly barsLost: number
  readonly failedLoaves: number
  /** Bars that can be sold, of those planned. */
  readonly yieldShare: number
  /** Hours of preparing and pouring of the pours that were timed, planned and as they were; null where none was. */
  readonly hours: { readonly planned: number; readonly taken: number } | null
}

/** What came of the pours of a period, by soap: those that lost most of what was planned first. */
export function yieldsBySoap(batches: readonly MadeBatch[], { from, to }: Period): readonly SoapYield[] {
  const bySoap = new Map<string, MadeBatch[]>()
  for (const batch of batches)
    if (batch.cutDay !== null && from <= batch.pourDay && batch.pourDay <= to)
      bySoap.set(batch.soap, [...(bySoap.get(batch.soap) ?? []), batch])
  return [...bySoap]
    .map(([soap, own]): SoapYield => {
      const sum = (of: (batch: MadeBatch) => number): number => own.reduce((all, batch) => all + of(batch), 0)
      const timed = own.filter(({ benchHours }) => benchHours !== null)
      const [barsPlanned, barsOut, barsLost] = [
        sum((batch) => batch.barsPlanned),
        sum((batch) => batch.barsOut),
        sum((batch) => batch.barsLost),
      ]
      return {
        soap,
        pours: own.length,
        barsPlanned,
        barsOut,
        barsLost,
        failedLoaves: sum((batch) => batch.failedLoaves),
        yieldShare: barsPlanned > 0 ? (barsOut - barsLost) / barsPlanned : 0,
        hours:
          timed.length > 0
            ? {
                planned: timed.reduce((all, batch) => all + batch.plannedHours, 0),
                taken: timed.reduce((all, batch) => all + (batch.benchHours ?? 0), 0),
              }
            : null,
      }
    })
    .sort((a, b) => a.yieldShare - b.yieldShare || a.soap.localeCompare(b.soap))
}
