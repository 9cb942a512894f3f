import { setTimeout as wait } from 'node:timers/promises'
import { WorkshopProcess } from '../e2e/server'
import globalSetup from '../e2e/globalSetup'
import { diceOf } from './dice'
import { newTally, throwRequests, throwSequences } from './throwing'

void wait
const tidy = await globalSetup()
const count = Number(process.argv[2] ?? 1000)
const seed = Number(process.argv[3] ?? 1)
const tally = newTally()
const workshop = new WorkshopProcess()
workshop.seedDemo()
await workshop.start('2027-03-08')
try {
  const dice = diceOf(seed)
  const t0 = performance.now()
  await throwRequests(workshop.url, dice, count * 0.8, tally)
  console.log('single', ((performance.now() - t0) / 1000).toFixed(1))
  await throwSequences(workshop.url, dice, count * 0.2, tally)
  console.log('all', ((performance.now() - t0) / 1000).toFixed(1))
} finally {
  console.log(tally.sent, [...tally.byStatus].sort(), tally.slowestMs, tally.slowest, tally.broken.length)
  const seen = new Set<string>()
  for (const { what, line } of tally.broken) {
    const key = what
      .replace(/\/[0-9a-f-]{30,}/g, '/ID')
      .replace(/[0-9]+ ms/, 'ms')
      .slice(0, 60)
    if (seen.has(key)) continue
    seen.add(key)
    console.log(what.slice(0, 300), '\n   ', line.slice(0, 600))
  }
  await workshop.dispose()
  tidy()
}
