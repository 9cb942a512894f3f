import { archiveComesBack, killRounds } from '../e2e/killRounds'
import { WorkshopProcess } from '../e2e/server'

const today = '2027-03-08'
const rounds = 200

/** Two hundred kills in the middle of mixed writes; then the archive, out and back. */
export async function benchKills(): Promise<void> {
  const workshop = new WorkshopProcess()
  const empty = new WorkshopProcess()
  workshop.seedDemo()
  await workshop.start(today)
  await empty.start(today)
  try {
    const { acknowledged, lost } = await killRounds(workshop, today, rounds)
    console.log(`${rounds} kills: ${acknowledged} writes acknowledged, ${lost.length} of them lost`)
    console.log(`  the archive comes back equal: ${(await archiveComesBack(workshop, empty)) ? 'yes' : 'NO'}`)
  } finally {
    await workshop.dispose()
    await empty.dispose()
  }
}
