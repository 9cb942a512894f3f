import type { SeasonView } from '@vendange/contract'
import { WorkshopProcess } from '../e2e/server'
import { percentile, report, timesOf } from './measure'

/** What the main views ask the demo's server for, at the 95th percentile, against its bare health check. */
export async function benchApi(): Promise<void> {
  const workshop = new WorkshopProcess()
  workshop.seedDemo()
  await workshop.start('2027-03-08')
  try {
    const ask = async (path: string): Promise<unknown> => (await fetch(workshop.url + path)).json()
    const season = (await ask('/api/season')) as SeasonView
    const healthMs = percentile(await timesOf(300, () => ask('/api/health')), 0.95)
    const paths = [
      '/api/season',
      '/api/loaves',
      `/api/loaves/${season.loaves[0]?.id ?? ''}`,
      `/api/batches/${season.batches[0]?.id ?? ''}`,
    ]
    for (const path of paths)
      report(`GET ${path}, p95`, percentile(await timesOf(300, () => ask(path)), 0.95), 'the health check', healthMs)
  } finally {
    await workshop.dispose()
  }
}
