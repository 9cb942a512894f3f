import type { SeasonView, StoresView } from '@vendange/contract'
import { everyLoaf } from '@vendange/core/loaf'
import { everySale } from '@vendange/core/release'
import { everyLot } from '@vendange/core/stores'
import { pino } from 'pino'
import { mkdtempSync, rmSync, statSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createApp } from '../server/src/app'
import { openDatabase } from '../server/src/db/database'
import { demoToday } from '../server/src/demo/scenario/workshop'
import { seedDemo } from '../server/src/demo/seedDemo'
import { makeHistory, tenYears } from '../server/src/demo/tenYears'
import { frozenClock } from '../server/src/parts/clock'
import { percentile, report, timesOf } from './measure'

const mebi = 1024 * 1024

/** What the main views ask for after ten years, at the 95th percentile. */
export async function benchTenYears(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'vendange-ten-years-'))
  const file = join(folder, 'vendange.sqlite')
  const database = await openDatabase({ file, backupFolder: join(folder, 'backups'), now: () => new Date() })
  try {
    await seedDemo(database)
    await makeHistory(database, tenYears)
    const context = { database, clock: frozenClock(demoToday), newId: () => crypto.randomUUID() }
    const server = createApp({ context, logger: pino({ level: 'silent' }) }).listen(0, '127.0.0.1')
    await new Promise((resolve) => server.once('listening', resolve))
    const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
    const ask = async (path: string, message?: object): Promise<unknown> =>
      (
        await fetch(
          url + path,
          message && {
            method: 'POST',
            headers: { 'Content-Type': 'application/json' },
            body: JSON.stringify(message),
          },
        )
      ).json()
    /** A line of work as it is typed: one ingredient among five thousand loaves. */
    const sought = { ...everyLoaf, text: 'castor', sortBy: 'lossShare', page: 3 }
    const season = (await ask('/api/season')) as SeasonView
    const stores = (await ask('/api/stores')) as StoresView
    const used = stores.lots.find(({ usedAmount }) => usedAmount > 20_000)
    const healthMs = percentile(await timesOf(100, () => ask('/api/health')), 0.95)
    const maker = season.makers[0]?.id ?? ''
    const loaf = season.loaves.find(({ state }) => state.status === 'curing')
    let version = loaf?.version ?? 0
    /** A note into a loaf, so that nothing which was kept from before a write is read. */
    const write = async (): Promise<void> => {
      const answer = await fetch(`${url}/api/loaves/${loaf?.id ?? ''}/events`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', 'X-Vendange-Maker': maker },
        body: JSON.stringify({ type: 'noted', day: demoToday, text: 'bench', version }),
      })
      if (answer.ok) version += 1
    }
    const measure = async (
      name: string,
      path: string,
      before?: () => Promise<void>,
      message?: object,
    ): Promise<void> => {
      const times: number[] = []
      for (let run = 0; run < 60; run++) {
        await before?.()
        const started = performance.now()
        await ask(path, message)
        times.push(performance.now() - started)
      }
      report(
        `${name}, p95`,
        percentile(
          times.slice(10).sort((a, b) => a - b),
          0.95,
        ),
        'the health check',
        healthMs,
      )
    }
    await measure('Season, read anew after a write', '/api/season', write)
    await measure('Season, as kept', '/api/season')
    await measure('Stores, read anew after a write', '/api/stores', write)
    await measure('Stores, as kept', '/api/stores')
    await measure('Notebook, a page of its table after a write', '/api/loaves/table', write, sought)
    await measure('Notebook, another page', '/api/loaves/table', undefined, sought)
    const soldLine = { ...everySale, text: 'web', sortBy: 'buyer', page: 3 }
    await measure('Sales, a page after a write', '/api/sales/table', write, soldLine)
    await measure('Sales, another page', '/api/sales/table', undefined, soldLine)
    await measure('Lots, a page', '/api/lots/table', undefined, { ...everyLot, text: 'oil', sortBy: 'leftAmount' })
    const ofRecord = { text: 'fog', type: 'weighed', makerId: null, from: null, to: null }
    const newest = { sortBy: 'at', isDescending: true, page: 1, perPage: 25 }
    await measure('Record, a page', '/api/loaves/record', undefined, { ...ofRecord, ...newest })
    await measure('Newest loaves', '/api/loaves')
    const lastYear = { from: '2026-03-09', to: demoToday, by: 'soap' }
    await measure('What was earned in a year, after a write', '/api/earnings', write, lastYear)
    await measure('What bars showed of their kinds', '/api/loaves/seen')
    await measure('What everything costs', '/api/prices')
    await measure('Subscribers and shops', '/api/customers')
    await measure('The scrap bin', '/api/scraps')
    await measure('A loaf’s story', '/api/loaves/history-1200-0')
    await measure('A pour', '/api/batches/history-1200')
    await measure('Timed pours', '/api/pour-timings')
    await measure('The cure room', '/api/room')
    await measure('The shop', '/api/shop/offers')
    await measure('Trace of a lot (target 100 ms)', `/api/lots/${used?.id ?? ''}/trace`)
    const counts = await Promise.all(
      ['loaves', 'loaf_events', 'bench_records'].map(async (table) => {
        const rows = await database.write((transaction) =>
          transaction.all<{ n: number }>(`SELECT count(*) AS n FROM ${table}`),
        )
        return `${rows[0]?.n ?? 0} ${table}`
      }),
    )
    console.log(`  ${counts.join(', ')}; the database is ${(statSync(file).size / mebi).toFixed(0)} MB (target 200)`)
    server.closeAllConnections()
    server.close()
  } finally {
    await database.close()
    rmSync(folder, { recursive: true, force: true })
  }
}
