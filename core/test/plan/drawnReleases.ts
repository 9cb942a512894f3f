import type { ReleaseSales } from '../../src/plan'
import { normalFrom } from '../../src/random'

/** A history as it may come: past releases of one soap through one channel, and what the next would sell in a window. */
export interface DrawnHistory {
  readonly releases: readonly ReleaseSales[]
  readonly next: number
}

/** A Poisson number by counting gaps (Knuth 1969); from some hundreds on the normal one. */
function poissonFrom(mean: number, random: () => number): number {
  if (mean > 300) return Math.max(0, Math.round(mean + Math.sqrt(mean) * normalFrom(random)))
  let [product, count] = [random(), 0]
  const least = Math.exp(-mean)
  while (product > least) {
    product *= random()
    count += 1
  }
  return count
}

/**
 * Draws a history whose truth is known: how much is wanted, how fast it fades and how releases differ are drawn too, and
 * so is how many bars were offered, so that about half of the releases sell out.
 */
export function drawHistory(random: () => number, windowDays: number): DrawnHistory {
  const meanLog = Math.log(25) + 0.8 * normalFrom(random)
  const spread = 0.25 + 0.45 * random()
  const paceDays = 10 * Math.exp(0.5 * normalFrom(random))
  const soldIn = (demand: number, from: number, to: number): number =>
    poissonFrom(demand * (Math.exp(-from / paceDays) - Math.exp(-to / paceDays)), random)
  const releases = Array.from({ length: 1 + Math.floor(6 * random()) }, (): ReleaseSales => {
    const demand = Math.exp(meanLog + spread * normalFrom(random))
    const offered = Math.max(3, Math.round(Math.exp(meanLog) * (0.5 + 1.1 * random())))
    const weeks = 3 + Math.floor(8 * random())
    const soldBy: { day: number; bars: number }[] = []
    let gone = 0
    for (let day = 7; day <= weeks * 7; day += 7) {
      gone = Math.min(offered, gone + soldIn(demand, day - 7, day))
      soldBy.push({ day, bars: gone })
      if (gone >= offered) break
    }
    return { channel: 'Web', offered, soldBy, isSoldOut: gone >= offered }
  })
  return { releases, next: soldIn(Math.exp(meanLog + spread * normalFrom(random)), 0, windowDays) }
}
