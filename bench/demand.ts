import { demandForecast } from '@vendange/core/plan'
import { randomFrom } from '@vendange/core/random'
import { drawHistory } from '../core/test/plan/drawnReleases'
import { percentile, report, timesOf } from './measure'

const windowDays = 30
const histories = 500
/** None of them was looked at while the model was made. */
const seeds = [20_280_301, 20_280_302, 20_280_303, 20_280_304] as const

/** Whether the band of the demand forecast holds what it says: drawn histories whose next release is known. */
export async function benchDemand(): Promise<void> {
  for (const seed of seeds) {
    const random = randomFrom(seed)
    let [held, below, soldOut, releases] = [0, 0, 0, 0]
    const widths: number[] = []
    for (let at = 0; at < histories; at++) {
      const history = drawHistory(random, windowDays)
      const { low, likely, high } = demandForecast(history.releases, windowDays)!
      held += history.next >= low && history.next <= high ? 1 : 0
      below += history.next < likely ? 1 : history.next === likely ? 0.5 : 0
      releases += history.releases.length
      soldOut += history.releases.filter(({ isSoldOut }) => isSoldOut).length
      widths.push((high - low) / Math.max(1, likely))
    }
    console.log(
      `Seed ${seed}: the 80 % band holds ${((100 * held) / histories).toFixed(1)} % of ${histories} next releases (target 76 to 84); ${((100 * below) / histories).toFixed(0)} % lie below its middle; it is ${percentile(
        widths.sort((a, b) => a - b),
        0.5,
      ).toFixed(2)} of that wide; ${((100 * soldOut) / releases).toFixed(0)} % of the past ones sold out`,
    )
  }
  const { releases } = drawHistory(randomFrom(1), windowDays)
  const times = await timesOf(20, () => demandForecast(releases, windowDays))
  const bare = await timesOf(20, () => Array.from({ length: 66 * 66 * 20 }, (_, at) => Math.exp(-at)))
  report('A forecast of one channel', percentile(times, 0.5), 'as many exponentials', percentile(bare, 0.5))
}
